import { startingSettings, type Settings } from '@/core/settings';
import { copperTableSchema, settingsSchema, type CopperTable } from '@/core/station';
import type { Profile } from '@/core/units';
import { ONCE, type Db } from './db';

/** What a firm takes as given at every new station of a profile. */
export interface FirmFigures {
  readonly settings: Settings;
  /** Its own table of what copper carries; null: the common ones. */
  readonly copper: CopperTable | null;
}

/** What the firm takes as given at a new station of a profile, as it was kept last; null where nothing was, or where this version cannot read it. */
export function firmFigures(db: Db, profile: Profile): FirmFigures | null {
  const row = db
    .prepare<[string], { settings: string; copper: string | null }>(
      'SELECT settings, copper FROM firm_settings WHERE profile = ? ORDER BY kept_at DESC, id DESC LIMIT 1',
    )
    .get(profile);
  if (!row) return null;
  // A setting that came after it was kept is as it begins.
  const settings = settingsSchema.safeParse({ ...startingSettings(profile), ...(JSON.parse(row.settings) as object) });
  const copper = copperTableSchema.nullable().safeParse(row.copper === null ? null : JSON.parse(row.copper));
  return settings.success && copper.success ? { settings: settings.data, copper: copper.data } : null;
}

/**
 * Keeps what the firm takes as given; what was kept before stays beneath, and what was done last holds, whichever came first.
 * @param key of the request: the same one sent again is kept once
 */
export function keepFirmFigures(
  db: Db,
  profile: Profile,
  { settings, copper }: FirmFigures,
  at: string,
  key: string | null = null,
): void {
  db.prepare(
    `INSERT INTO firm_settings (profile, kept_at, settings, copper, client_key) VALUES (?, ?, ?, ?, ?) ${ONCE}`,
  ).run(profile, at, JSON.stringify(settings), copper && JSON.stringify(copper), key);
}
