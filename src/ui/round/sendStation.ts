import * as z from 'zod';
import type { Problem } from '@/core/station';
import { through } from '../outbox/through';
import { jsonOf } from '../outbox/act';
import { dropAct, readActs } from '../outbox/store';
import { newKey } from '../parts/browserKeep';

const LARGEST_FILE = 2 * 1024 * 1024;

const answerSchema = z.object({ saved: z.object({ id: z.number() }) });

type Sent =
  | { ok: true; id: number }
  /** It is on this device only, under this key. */
  | { ok: 'kept'; key: string }
  | { ok: false; problems: readonly Problem[] };

const failed = (path: string, message: string): Sent => ({ ok: false, problems: [{ path, message }] });

/** The same text or file sent again, after an answer that was lost, makes no second station. */
let sent: { body: string | File; key: string } | null = null;
function keyOf(body: string | File): string {
  if (sent?.body !== body) sent = { body, key: newKey() };
  return sent.key;
}

/** What is wrong with a document; null where nothing is. */
async function problemsIn(text: string): Promise<readonly Problem[] | null> {
  const { checkStation } = await import('@/core/station');
  const json = jsonOf(text);
  if (json === undefined) return [{ path: 'file', message: 'is not JSON' }];
  const checked = checkStation(json);
  return checked.ok ? null : checked.problems;
}

/** What a document says that it is called; words of this program where it says nothing. */
function calledIn(text: string): string {
  const read = z.object({ identity: z.object({ name: z.string() }) }).safeParse(jsonOf(text));
  return read.success ? read.data.identity.name : 'a station from a file';
}

/** Where a station is worked on that is on this device only. */
export const hereAt = (key: string, view: 'survey' | 'levels' | 'trace'): string => `/unsent?act=${key}&view=${view}`;

/** Sends a station document to be kept as a new station, or keeps it on this device until it can be sent. Never throws. */
export async function sendStation(body: string | File): Promise<Sent> {
  if (body instanceof File && body.size > LARGEST_FILE)
    return failed(body.name, `is ${(body.size / 1024 / 1024).toFixed(0)} MB; a station file is a few kB`);
  const text = typeof body === 'string' ? body : await body.text();
  const key = keyOf(body);
  const answer = await through(
    {
      id: key,
      kind: 'new-station',
      what: `${calledIn(text)}: new station`,
      stationId: null,
      url: '/api/stations',
      method: 'POST',
      body: text,
    },
    answerSchema,
  );
  if (answer.ok === 'kept') {
    // What is no station would wait, and be refused when nobody looks any more.
    const wrong = await problemsIn(text);
    if (wrong === null) {
      sent = null;
      return { ok: 'kept', key };
    }
    const { acts } = await readActs();
    await Promise.all(acts.filter((a) => a.id === key).map((a) => dropAct(a)));
    return { ok: false, problems: wrong };
  }
  if (answer.ok === null) return failed('server', `${answer.why}: send it again, it is kept once`);
  if (!answer.ok) return { ok: false, problems: answer.problems };
  sent = null;
  return { ok: true, id: answer.value.saved.id };
}
