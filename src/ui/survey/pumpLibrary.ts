import * as z from 'zod';
import { pumpModelSchema, type Pump } from '@/core/station';
import { forFirm } from '../outbox/ofFirm';
import { ask } from '../parts/ask';

export type PumpModel = z.infer<typeof pumpModelSchema>;

const answerSchema = z.object({ models: z.array(pumpModelSchema) });

/** Of a pump at a station, what is true of every one of its kind. */
export const modelOf = (pump: Pump): PumpModel =>
  Object.fromEntries(Object.keys(pumpModelSchema.shape).map((k) => [k, pump[k as keyof Pump]])) as PumpModel;

/** Every pump in the library, by name; none while the server cannot be reached. */
export async function listPumpModels(): Promise<readonly PumpModel[]> {
  const answer = await ask('/api/pumps', answerSchema);
  return answer.ok ? answer.value.models : [];
}

/** Keeps a pump in the library, in place of one of the same name; `here`: until it is sent, on this device only. Never throws: what went wrong is said. */
export async function sendPumpModel(
  model: PumpModel,
): Promise<{ ok: true; here: boolean } | { ok: false; reason: string }> {
  const answer = await forFirm(
    `pump library: ${model.name}`,
    { url: '/api/pumps', method: 'PUT', body: model },
    answerSchema,
  );
  if (answer.ok) return { ok: true, here: answer.ok === 'kept' };
  return {
    ok: false,
    reason: answer.ok === null ? answer.why : answer.problems.map((p) => `${p.path}: ${p.message}`).join('; '),
  };
}
