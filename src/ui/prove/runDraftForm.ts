import * as z from 'zod';

/** What is typed for one step and not yet entered. */
export interface StepDraft {
  readonly readings: Readonly<Record<string, string>>;
  readonly seen: Readonly<Record<string, boolean>>;
  readonly note: string;
}

export type Drafts = Readonly<Record<string, StepDraft>>;

const draftsSchema = z.record(
  z.string(),
  z.object({
    readings: z.record(z.string(), z.string()),
    seen: z.record(z.string(), z.boolean()),
    note: z.string(),
  }),
);

/** Drafts from the text that was kept of them; none where it has not their form. */
export function draftsFrom(text: string): Drafts {
  try {
    return draftsSchema.parse(JSON.parse(text));
  } catch {
    return {};
  }
}
