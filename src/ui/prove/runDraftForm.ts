import * as z from 'zod';
import type { Drafts } from './runDraft';

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
