import * as z from 'zod';
import { ask, wentWrong } from '../parts/ask';

const has = z.object({ has: z.number() });

/** What a backup holds that waits to be switched. */
export const waitingSchema = z.object({
  id: z.string(),
  name: z.string(),
  laidAt: z.string(),
  holds: z.object({
    stations: z.number(),
    revisions: z.number(),
    testRuns: z.number(),
    findings: z.number(),
    pages: z.number(),
    readings: z.number(),
    photos: z.number(),
  }),
  last: z.string().nullable(),
  version: z.number(),
  stations: z.array(z.object({ name: z.string(), site: z.string(), revision: z.number(), savedAt: z.string() })),
});
export type WaitingShown = z.infer<typeof waitingSchema>;

type Said<T> = { ok: true; value: T } | { ok: false; why: string };

/** Bytes of one piece. */
const PIECE = 4 * 1024 * 1024;
/** Tries of one piece before it is given up; what is there stays there, and is gone on from. */
const TRIES = 5;
/** What lays a large backup beside and reads it through takes its time, ms. */
const PATIENCE = 600_000;

/** The word of a file: the same file begins where it was left. */
async function wordOf(file: File): Promise<string> {
  const bytes = new TextEncoder().encode(`${file.name} ${file.size} ${file.lastModified}`);
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return [...digest.subarray(0, 16)].map((b) => b.toString(16).padStart(2, '0')).join('');
}

/** Sends a file in pieces; where it was cut off before it goes on from what is there. @returns its word, or what went wrong */
async function sendPieces(file: File, told: (share: number) => void): Promise<Said<string>> {
  const word = globalThis.crypto?.subtle ? await wordOf(file) : `${file.size}-${file.lastModified}`;
  const url = `/api/backup/pieces/${word}`;
  const begun = await ask(url, has);
  let at = begun.ok ? begun.value.has : 0;
  let tries = 0;
  while (at < file.size) {
    told(at / file.size);
    const piece = new Blob([file.slice(at, at + PIECE)]);
    const sent = await ask(`${url}?at=${at}&of=${file.size}`, has, { method: 'POST', body: piece, patience: 60_000 });
    if (sent.ok) {
      at = sent.value.has;
      tries = 0;
    } else if (sent.ok === false || ++tries >= TRIES) return { ok: false, why: wentWrong(sent) };
  }
  return { ok: true, value: word };
}

const laid = z.object({ waiting: waitingSchema });

async function lay(body: object): Promise<Said<WaitingShown>> {
  const answer = await ask('/api/backup', laid, { method: 'POST', body: JSON.stringify(body), patience: PATIENCE });
  return answer.ok ? { ok: true, value: answer.value.waiting } : { ok: false, why: wentWrong(answer) };
}

/** Sends a backup and has it laid beside what is there. Never throws. */
export async function sendBackup(file: File, told: (share: number) => void): Promise<Said<WaitingShown>> {
  const sent = await sendPieces(file, told);
  if (!sent.ok) return sent;
  told(1);
  return lay({ pieces: sent.value, name: file.name.slice(0, 200) });
}

/** Has a copy of the night laid beside what is there. Never throws. */
export const layCopy = (day: string): Promise<Said<WaitingShown>> => lay({ day });

const switched = z.object({
  before: z.string().nullable(),
  photos: z.object({ added: z.number(), strange: z.number() }),
});
export type Switched = z.infer<typeof switched>;

/** Puts a backup in the place of what is there. Never throws. */
export async function switchBackup(id: string): Promise<Said<Switched>> {
  const answer = await ask(`/api/backup/${id}`, switched, {
    method: 'POST',
    body: '{"what":"switch"}',
    patience: PATIENCE,
  });
  return answer.ok ? { ok: true, value: answer.value } : { ok: false, why: wentWrong(answer) };
}

/** Takes a backup away that waits. Never throws. */
export async function dropBackup(id: string): Promise<Said<null>> {
  const answer = await ask(`/api/backup/${id}`, z.object({ dropped: z.literal(true) }), {
    method: 'POST',
    body: '{"what":"drop"}',
  });
  return answer.ok ? { ok: true, value: null } : { ok: false, why: wentWrong(answer) };
}
