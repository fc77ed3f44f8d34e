import * as z from 'zod';
import type { Settings } from '@/core/settings';
import { settingsSchema } from '@/core/station';
import type { Profile } from '@/core/units';
import { ask, wentWrong, type Sending } from '../parts/ask';

const answerSchema = z.object({ settings: settingsSchema.nullable() });

type Firm = { ok: true; settings: Settings | null } | { ok: false; reason: string };

async function told(profile: Profile, send?: Sending): Promise<Firm> {
  const answer = await ask(`/api/firm/${profile}`, answerSchema, send);
  return answer.ok ? { ok: true, settings: answer.value.settings } : { ok: false, reason: wentWrong(answer) };
}

/** What the firm takes as given at a station of a profile. Never throws: what went wrong is said. */
export const askFirm = (profile: Profile): Promise<Firm> => told(profile);

/** Makes these settings what the firm takes as given. Never throws. */
export const sendFirm = (profile: Profile, settings: Settings): Promise<Firm> =>
  told(profile, { method: 'PUT', body: JSON.stringify(settings) });
