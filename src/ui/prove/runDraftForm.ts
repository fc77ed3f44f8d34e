import * as z from 'zod';

/** What is typed for one step and not yet entered. */
export interface StepDraft {
  readonly readings: Readonly<Record<string, string>>;
  readonly seen: Readonly<Record<string, boolean>>;
  readonly note: string;
  /** What it was sent as, with the verdict it carried: sent again unchanged it is the same finding. */
  readonly key?: { readonly of: 'pass' | 'fail'; readonly word: string };
}

export type Drafts = Readonly<Record<string, StepDraft>>;

const draftsSchema = z.record(
  z.string(),
  z.object({
    readings: z.record(z.string(), z.string()),
    seen: z.record(z.string(), z.boolean()),
    note: z.string(),
    key: z.object({ of: z.enum(['pass', 'fail']), word: z.string() }).optional(),
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
