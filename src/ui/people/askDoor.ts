import * as z from 'zod';
import { ask, wentWrong } from '../parts/ask';

const said = z.looseObject({ word: z.string().optional() });

/** Asks the door or an owner’s page of it: what it said, or why not. */
export async function askDoor(
  path: string,
  body: unknown,
): Promise<{ ok: true; said: z.infer<typeof said> } | { ok: false; why: string }> {
  const answer = await ask(path, said, { method: 'POST', body: JSON.stringify(body) });
  return answer.ok ? { ok: true, said: answer.value } : { ok: false, why: wentWrong(answer) };
}
