import * as z from 'zod';
import type { Found } from './judgeFound';

/** What a step came to: as it should, not so, outside its band and left so, or not done; the last two with a reason. */
export const VERDICTS = ['pass', 'fail', 'outside', 'not done'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** What was decided at a step, by the decision’s id. */
export type Decided = Readonly<Record<string, string>>;

/** What was entered for a step of a run, as it is kept: never changed, only followed by another. */
export interface ProofEntry {
  readonly id: number;
  readonly stepId: string;
  /** ISO time */
  readonly enteredAt: string;
  /** Who entered it; empty in runs of before it was asked. */
  readonly by: string;
  readonly verdict: Verdict;
  readonly found: Found;
  readonly decided: Decided;
  readonly note: string;
}

/** A finding as it is sent and carried. */
export const entrySchema = z.object({
  id: z.number(),
  stepId: z.string(),
  enteredAt: z.string(),
  by: z.string(),
  verdict: z.enum(VERDICTS),
  found: z.record(z.string(), z.union([z.number(), z.boolean()])),
  decided: z.record(z.string(), z.string()),
  note: z.string(),
});
