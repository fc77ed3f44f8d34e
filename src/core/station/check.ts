import type * as z from 'zod';
import { sayPhrase, systemOf, type UnitSystem } from '../units';
import { contradictions } from './contradictions';
import { stationSchema, type Station } from './schema';
import { upgrade } from './upgrade';

/** One thing wrong with a document: where, as `pumps.0.curve.2.head`, and what, in the trade's words. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

export type Checked = { ok: true; station: Station } | { ok: false; problems: Problem[] };

const pathText = (path: readonly PropertyKey[]) => path.map(String).join('.') || 'document';

function explain(issue: z.core.$ZodIssue): Problem[] {
  if (issue.code === 'unrecognized_keys') {
    return issue.keys.map((key) => ({
      path: pathText([...issue.path, key]),
      message: 'is not part of a station document',
    }));
  }
  const missing = issue.code === 'invalid_type' && issue.input === undefined;
  return [
    { path: pathText(issue.path), message: missing ? 'is missing' : issue.message.replace(/^Invalid input: /, '') },
  ];
}

/**
 * Reads anything as a station document: brings older versions up to date, then lists every problem at once.
 * Figures in the messages are in `system`, by default that of the document's own profile.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * checkStation({ ...sump, vessel: { ...sump.vessel, overflow: 9 } }).problems[0].path // → 'vessel.overflow'
 */
export function checkStation(input: unknown, system?: UnitSystem): Checked {
  const upgraded = upgrade(input);
  if (!upgraded.ok) return { ok: false, problems: [{ path: 'version', message: upgraded.reason }] };
  const parsed = stationSchema.safeParse(upgraded.document, { reportInput: true });
  if (!parsed.success) return { ok: false, problems: parsed.error.issues.flatMap(explain) };
  const units = system ?? systemOf(parsed.data.profile);
  const problems = [...contradictions(parsed.data)].map(({ path, sentence }) => ({
    path: pathText(path),
    message: sayPhrase(sentence, units),
  }));
  return problems.length > 0 ? { ok: false, problems } : { ok: true, station: parsed.data };
}
