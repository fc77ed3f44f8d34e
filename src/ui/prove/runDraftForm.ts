import * as z from 'zod';
import { VERDICTS, type Verdict } from '@/core/proving';

/** What is typed for one step and not yet entered. */
export interface StepDraft {
  readonly readings: Readonly<Record<string, string>>;
  readonly seen: Readonly<Record<string, boolean>>;
  readonly note: string;
  /** What was chosen of each decision. */
  readonly decided: Readonly<Record<string, string>>;
  /** What it was sent as, with the verdict it carried: sent again unchanged it is the same finding. */
  readonly key?: { readonly of: Verdict; readonly word: string };
}

export type Drafts = Readonly<Record<string, StepDraft>>;

const draftsSchema = z.record(
  z.string(),
  z.object({
    readings: z.record(z.string(), z.string()),
    seen: z.record(z.string(), z.boolean()),
    note: z.string(),
    decided: z.record(z.string(), z.string()).default({}),
    key: z.object({ of: z.enum(VERDICTS), word: z.string() }).optional(),
  }),
);

/** Drafts from the text that was kept of them; null where it has not their form. */
export function draftsFrom(text: string): Drafts | null {
  try {
    return draftsSchema.parse(JSON.parse(text));
  } catch {
    return null;
  }
}
