import * as z from 'zod';
import { pumpModelSchema, type Pump } from '@/core/station';

export type PumpModel = z.infer<typeof pumpModelSchema>;

const answerSchema = z.object({ models: z.array(pumpModelSchema) });
const refusedSchema = z.object({ problems: z.array(z.object({ path: z.string(), message: z.string() })) });

/** Of a pump at a station, what is true of every one of its kind. */
export const modelOf = (pump: Pump): PumpModel =>
  Object.fromEntries(Object.keys(pumpModelSchema.shape).map((k) => [k, pump[k as keyof Pump]])) as PumpModel;

/** Every pump in the library, by name; none while the server cannot be reached. */
export async function listPumpModels(): Promise<readonly PumpModel[]> {
  try {
    const response = await fetch('/api/pumps');
    return answerSchema.parse(await response.json()).models;
  } catch {
    return [];
  }
}

/** Keeps a pump in the library, in place of one of the same name. Never throws: what went wrong is said. */
export async function sendPumpModel(model: PumpModel): Promise<{ ok: true } | { ok: false; says: string }> {
  try {
    const response = await fetch('/api/pumps', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(model),
    });
    if (response.ok) return { ok: true };
    return {
      ok: false,
      says: refusedSchema
        .parse(await response.json())
        .problems.map((p) => `${p.path}: ${p.message}`)
        .join('; '),
    };
  } catch {
    return { ok: false, says: 'the server does not answer' };
  }
}
