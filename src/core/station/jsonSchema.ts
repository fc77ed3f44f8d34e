import * as z from 'zod';
import { stationSchema } from './schema';

/** The station document as JSON Schema (2020-12), for other programs: form and single numbers; what contradicts what is in words in docs/cli.md. */
export const stationJsonSchema = (): object => z.toJSONSchema(stationSchema, { io: 'input' });

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A JSON Schema without the words in it: what a document must be to be read. Two versions of one form accept the same documents. */
export function formOf(schema: unknown): unknown {
  if (Array.isArray(schema)) return schema.map(formOf);
  if (!isRecord(schema)) return schema;
  return Object.fromEntries(
    Object.entries(schema)
      // A property may itself be called “description”: only words are left out.
      .filter(([key, value]) => !((key === 'description' || key === 'title') && typeof value === 'string'))
      .map(([key, value]) => [key, formOf(value)]),
  );
}
