import * as z from 'zod';
import { drillFile, type Drill, type Result } from '@/core/drill';
import { forFirm } from '../outbox/ofFirm';
import { wentWrong } from '../parts/ask';

interface Told {
  readonly ok: boolean;
  readonly says: string;
}

/** Keeps something of drills for the whole firm. Never throws. */
async function told(what: string, url: string, body: unknown, done: string): Promise<Told> {
  const answer = await forFirm(what, { url, method: 'POST', body }, z.unknown());
  if (answer.ok === 'kept') return { ok: true, says: `${done}, on this device only until it is sent.` };
  return answer.ok ? { ok: true, says: `${done}.` } : { ok: false, says: `Not kept: ${wentWrong(answer)}` };
}

/** What came of a drill, under the name of whoever did it. */
export const sendResult = (result: Result): Promise<Told> =>
  told(`what came of a drill, ${result.title}`, '/api/drills/results', result, `Kept among the marks of ${result.by}`);

/** A drill set to a class. */
export const sendSet = (by: string, to: string, drill: Drill): Promise<Told> =>
  told(
    `a drill for ${to}`,
    '/api/drills/sets',
    { by, class: to, drill: drillFile({ ...drill, acts: [] }) },
    `Set to ${to}: it stands under Learn`,
  );

/** A drill that was set, taken back. */
export const sendTakeBack = (id: number): Promise<Told> =>
  told('a drill that is set no more', '/api/drills/sets', { takeBack: id }, 'Taken back; what came of it stays');
