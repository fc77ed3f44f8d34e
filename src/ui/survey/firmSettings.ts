import * as z from 'zod';
import type { Settings } from '@/core/settings';
import { copperTableSchema, settingsSchema, type CopperTable, type Station } from '@/core/station';
import type { Profile } from '@/core/units';
import { forFirm } from '../outbox/ofFirm';
import { ask, wentWrong } from '../parts/ask';

interface FirmFigures {
  readonly settings: Settings;
  readonly copper: CopperTable | null;
}

const answerSchema = z.object({
  firm: z.object({ settings: settingsSchema, copper: copperTableSchema.nullable() }).nullable(),
});

type Firm = { ok: true; firm: FirmFigures | null } | { ok: false; reason: string; away: boolean };

const addressOf = (profile: Profile): string => `/api/firm/${profile}`;

/** What the firm takes as given at a station of a profile; `away`: the server did not answer. Never throws: what went wrong is said. */
export async function askFirm(profile: Profile): Promise<Firm> {
  const answer = await ask(addressOf(profile), answerSchema);
  return answer.ok
    ? { ok: true, firm: answer.value.firm }
    : { ok: false, reason: wentWrong(answer), away: answer.ok === null };
}

/** Makes what this station takes as given what the firm does; `here`: until it is sent, on this device only. Never throws. */
export async function sendFirm({
  profile,
  settings,
  wiring,
}: Station): Promise<{ ok: true; here: boolean } | { ok: false; reason: string }> {
  const answer = await forFirm(
    `figures of the firm, ${profile}`,
    { url: addressOf(profile), method: 'PUT', body: { settings, copper: wiring.copper } },
    answerSchema,
  );
  return answer.ok ? { ok: true, here: answer.ok === 'kept' } : { ok: false, reason: wentWrong(answer) };
}

/** A station by the figures of the firm; as it is where the firm has kept none. */
export const byFirm = (station: Station, firm: FirmFigures | null): Station =>
  firm === null ? station : { ...station, settings: firm.settings, wiring: { ...station.wiring, copper: firm.copper } };
