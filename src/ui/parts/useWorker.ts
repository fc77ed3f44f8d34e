'use client';
import type { Remote } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';

interface Answers<T> {
  done(answer: T): void;
  /** The worker fell over, or what was asked of it threw. */
  failed(): void;
}

interface Task<Api, T> extends Answers<T> {
  ask(api: Remote<Api>, hear: <A>(told: (answer: A) => void) => (answer: A) => void): Promise<T>;
  /** Whether it stays there after it has answered, to be asked more. */
  stays?: boolean;
}

/**
 * The life of a worker, once for all: asked anew, the one before is ended; what an ended one still says is not heard; it ends with the
 * component. @returns how to ask it, and to end it
 */
export function useWorker<Api>(open: () => Worker): { go<T>(task: Task<Api, T>): void; end(): void } {
  const worker = useRef<Worker | null>(null);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);
  const go = useCallback(
    <T>({ ask, done, failed, stays = false }: Task<Api, T>) => {
      end();
      const mine = open();
      worker.current = mine;
      // What is told on the way may come after the answer.
      let answered = false;
      const answer =
        (then: () => void, over = true) =>
        () => {
          answered = true;
          if (worker.current !== mine) return;
          if (over) end();
          then();
        };
      mine.onerror = answer(failed);
      void import('comlink')
        .then(({ proxy, wrap }) =>
          ask(wrap<Api>(mine), (told) => proxy((a) => void (!answered && worker.current === mine && told(a)))),
        )
        .then(
          (t) => answer(() => done(t), !stays)(),
          () => answer(failed)(),
        );
    },
    [end, open],
  );
  return { go, end };
}
