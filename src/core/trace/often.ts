import type { Fault } from '../faults';
import { frequencyOf, type Frequency, type Past } from './past';
import type { Suspect } from './suspect';

/** A kind of fault that a station can have, and how often it comes. */
export interface Often extends Frequency {
  readonly cause: string;
  /** Suspects of this kind, each once whatever its size. */
  readonly labels: readonly string[];
}

/** How often each kind of fault comes among some suspects, the commonest first: what their first order rests on. */
export function oftenOf(suspects: readonly Suspect[], past: Past): Often[] {
  const kinds = new Map<string, { fault: Fault; labels: Map<string, string> }>();
  for (const s of suspects)
    for (const f of s.kind === 'fault' ? s.faults : []) {
      const of = kinds.get(f.cause) ?? { fault: f, labels: new Map<string, string>() };
      if (!of.labels.has(s.family)) of.labels.set(s.family, f.label);
      kinds.set(f.cause, of);
    }
  return [...kinds]
    .map(([cause, { fault, labels }]) => ({ cause, labels: [...labels.values()], ...frequencyOf(fault, past) }))
    .sort((a, b) => b.now - a.now || (a.cause < b.cause ? -1 : 1));
}
