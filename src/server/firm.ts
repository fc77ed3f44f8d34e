import { startingSettings, type Settings } from '@/core/settings';
import { settingsSchema } from '@/core/station';
import type { Profile } from '@/core/units';
import type { Db } from './db';

/** What the firm takes as given at a new station of a profile, as it was kept last; null where nothing was, or where this version cannot read it. */
export function firmSettings(db: Db, profile: Profile): Settings | null {
  const row = db
    .prepare<[string], { settings: string }>(
      'SELECT settings FROM firm_settings WHERE profile = ? ORDER BY id DESC LIMIT 1',
    )
    .get(profile);
  if (!row) return null;
  // A setting that came after it was kept is as it begins.
  const read = settingsSchema.safeParse({ ...startingSettings(profile), ...(JSON.parse(row.settings) as object) });
  return read.success ? read.data : null;
}

/** Keeps what the firm takes as given; what was kept before stays beneath. */
export function keepFirmSettings(db: Db, profile: Profile, settings: Settings, at: string): void {
  db.prepare('INSERT INTO firm_settings (profile, kept_at, settings) VALUES (?, ?, ?)').run(
    profile,
    at,
    JSON.stringify(settings),
  );
}
