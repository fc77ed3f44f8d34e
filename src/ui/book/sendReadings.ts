import * as z from 'zod';
import { ask, wentWrong } from '../parts/ask';

const answerSchema = z.object({ added: z.number(), double: z.number() });
const laidSchema = z.object({ laid: z.number() });

/** Readings of one part. */
const PART = 50_000;
/** Taking a million in takes its time, ms. */
const PATIENCE = 120_000;

/** A table that is sent: its readings are asked for part by part. */
export interface TableSent {
  readonly by: string;
  readonly file: string;
  readonly readings: number;
  /** By it the parts are known as of one table. */
  readonly word: string;
  part(from: number, count: number): Promise<string>;
  sent(readings: number): void;
  stopped(): boolean;
}

/** Sends readings of a table part by part, to be taken all or none. Never throws. */
export async function sendTable(
  stationId: number,
  { by, file, readings, word, part, sent, stopped }: TableSent,
): Promise<{ ok: boolean; told: string }> {
  const url = `/api/stations/${stationId}/book/readings/parts`;
  const none = async (why: string) => {
    await ask(url, answerSchema, { method: 'PUT', body: JSON.stringify({ do: 'drop', word }) });
    return { ok: false, told: `None taken: ${why}` };
  };
  const parts = Math.ceil(readings / PART);
  for (let i = 0; i < parts; i++) {
    if (stopped()) return none('stopped by hand');
    const body = await part(i * PART, PART);
    const laid = await ask(`${url}?word=${word}&part=${i}`, laidSchema, { method: 'POST', body });
    if (!laid.ok) return none(wentWrong(laid));
    sent(Math.min((i + 1) * PART, readings));
  }
  const body = JSON.stringify({ do: 'take', word, parts, by, file });
  const taken = await ask(url, answerSchema, { method: 'PUT', body, patience: PATIENCE });
  // No answer is no answer: they may be in the book.
  if (taken.ok === null)
    return {
      ok: false,
      told: `Whether they were taken is not known: ${taken.why}. Look at the pages; the same table sent again adds nothing twice.`,
    };
  if (!taken.ok) return none(wentWrong(taken));
  const { added, double } = taken.value;
  return { ok: true, told: `${added} readings taken${double > 0 ? `; ${double} were here already` : ''}.` };
}
