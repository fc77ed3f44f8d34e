import * as z from 'zod';
import type { Settings } from '@/core/settings';
import { copperTableSchema, settingsSchema, type CopperTable, type Station } from '@/core/station';
import type { Profile } from '@/core/units';
import { ask, wentWrong, type Sending } from '../parts/ask';

interface FirmFigures {
  readonly settings: Settings;
  readonly copper: CopperTable | null;
}

const answerSchema = z.object({
  firm: z.object({ settings: settingsSchema, copper: copperTableSchema.nullable() }).nullable(),
});

type Firm = { ok: true; firm: FirmFigures | null } | { ok: false; reason: string };

async function told(profile: Profile, send?: Sending): Promise<Firm> {
  const answer = await ask(`/api/firm/${profile}`, answerSchema, send);
  return answer.ok ? { ok: true, firm: answer.value.firm } : { ok: false, reason: wentWrong(answer) };
}

/** What the firm takes as given at a station of a profile. Never throws: what went wrong is said. */
export const askFirm = (profile: Profile): Promise<Firm> => told(profile);

/** Makes what this station takes as given what the firm does. Never throws. */
export const sendFirm = ({ profile, settings, wiring }: Station): Promise<Firm> =>
  told(profile, { method: 'PUT', body: JSON.stringify({ settings, copper: wiring.copper }) });

/** A station by the figures of the firm; as it is where the firm has kept none. */
export const byFirm = (station: Station, firm: FirmFigures | null): Station =>
  firm === null ? station : { ...station, settings: firm.settings, wiring: { ...station.wiring, copper: firm.copper } };
