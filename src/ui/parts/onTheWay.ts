import { proxy } from 'comlink';

/**
 * Asks a thread what takes its time, and hears how far it is on the way. What it has told comes by a port of its own, and may come after its answer: it is
 * not heard then.
 */
export async function onTheWay<A, T>(told: (how: A) => void, ask: (told: (how: A) => void) => Promise<T>): Promise<T> {
  let answered = false;
  const hear = (how: A) => void (!answered && told(how));
  try {
    return await ask(proxy(hear));
  } finally {
    answered = true;
  }
}
