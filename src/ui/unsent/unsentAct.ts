import { checkStation, type Station } from '@/core/station';
import { jsonOf, type Act } from '../outbox/act';
import { dropAct, putAct, readActs } from '../outbox/store';
import { alone, signedIn } from '../outbox/through';
import { newKey } from '../parts/browserKeep';

/*
 * A station that was made without signal: the act that makes it waits in the outbox and is never changed. What is saved of it meanwhile is one act
 * more, that goes after it and becomes its second revision.
 */

/** Where what is saved of a station hangs, until it has its number. */
const aboutOf = (key: string): string => `station:${key}`;

/** What an act that saves or makes a station holds; null where it cannot be read. */
function documentOf({ body, kind }: Act): Station | null {
  const sent = jsonOf(typeof body === 'string' ? body : null);
  const checked = checkStation(kind === 'station' ? (sent as { document?: unknown } | undefined)?.document : sent);
  return checked.ok ? checked.station : null;
}

/** The station as it was saved last on this device; null where it cannot be read. */
export function stationHere(act: Act, acts: readonly Act[]): Station | null {
  const saved = acts.findLast((a) => a.about === aboutOf(act.id));
  return documentOf(saved ?? act);
}

/** Saves a station that is on this device only, in place of what was saved of it before. @throws where the browser keeps nothing, or is full */
export const saveUnsent = (act: Pick<Act, 'id'>, document: Station): Promise<void> =>
  alone(async () => {
    const older = (await readActs()).acts.filter((a) => a.about === aboutOf(act.id));
    await putAct(
      {
        id: newKey(),
        kind: 'station',
        what: `${document.identity.name}: saved`,
        stationId: null,
        about: aboutOf(act.id),
        after: act.id,
        url: '/api/stations/{id}',
        method: 'PUT',
        body: JSON.stringify({ base: 1, document }),
      },
      signedIn(),
    );
    for (const a of older) await dropAct(a);
  });
