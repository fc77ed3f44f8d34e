import * as z from 'zod';
import { stationSchema } from './schema';

/** The station document as JSON Schema (2020-12), for other programs: form and single numbers; what contradicts what is in words in docs/cli.md. */
export const stationJsonSchema = (): object => z.toJSONSchema(stationSchema, { io: 'input' });
