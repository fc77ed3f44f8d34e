import * as z from 'zod';
import type { RowRead } from '@/core/book';
import { ask, wentWrong } from '../parts/ask';

const answerSchema = z.object({ added: z.number(), double: z.number() });

/** Sends readings of a table, to be taken all or none. Never throws. */
export async function sendReadings(
  stationId: number,
  { by, file, readings }: { by: string; file: string; readings: readonly RowRead[] },
  key: string,
): Promise<{ ok: boolean; told: string }> {
  const meters = [...new Set(readings.map((r) => r.meter))];
  const rows = readings.map((r) => [meters.indexOf(r.meter), r.at, r.value]);
  const answer = await ask(`/api/stations/${stationId}/book/readings`, answerSchema, {
    method: 'POST',
    body: JSON.stringify({ by, file, meters, rows }),
    key,
  });
  if (!answer.ok) return { ok: false, told: `None taken: ${wentWrong(answer)}` };
  const { added, double } = answer.value;
  return { ok: true, told: `${added} readings taken${double > 0 ? `; ${double} were here already` : ''}.` };
}
