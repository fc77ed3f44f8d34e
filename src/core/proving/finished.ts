import type { ProofEntry, Verdict } from './entry';
import type { Step } from './step';

/** How far a run is: what each step came to last, and what is still open. */
export interface Progress {
  /** By step id. */
  readonly last: ReadonlyMap<string, ProofEntry>;
  readonly open: readonly Step[];
  readonly counts: Readonly<Record<Verdict, number>>;
}

export function progressOf(steps: readonly Step[], entries: readonly ProofEntry[]): Progress {
  const last = new Map(entries.map((e) => [e.stepId, e]));
  const counts = { pass: 0, fail: 0, outside: 0, 'not done': 0 };
  for (const s of steps) {
    const entry = last.get(s.id);
    if (entry) counts[entry.verdict]++;
  }
  return { last, open: steps.filter((s) => !last.has(s.id)), counts };
}

/**
 * Why a run cannot be sealed yet, in a line each: a step that nobody entered, and what was left otherwise than it was found; null when it can.
 * A run is sealed with steps that failed or were not done: it says so.
 */
export function notFinished(steps: readonly Step[], entries: readonly ProofEntry[]): string | null {
  const { open, last } = progressOf(steps, entries);
  if (open.length > 0)
    return `${open.length} ${open.length === 1 ? 'step is' : 'steps are'} open: ${open
      .slice(0, 3)
      .map((s) => s.title)
      .join('; ')}${open.length > 3 ? ' …' : ''}. Enter each, or say why it is not done.`;
  const end = steps.at(-1);
  const left = end ? (last.get(end.id)?.verdict === 'not done' ? end.title : null) : null;
  return left === null ? null : `“${left}” is not done: a run ends with the station put back and handed over.`;
}
