import type { UnitSystem } from '@/core/units';
import type { ThemeName } from './palettes';

/** What a person chose for this browser; `units` is null while each station speaks its own. */
export interface Prefs {
  readonly theme: ThemeName;
  readonly units: UnitSystem | null;
}

/** Reads the preferences from the values of their cookies; anything unknown is as if it were not there. */
export function prefsFrom(cookie: (name: string) => string | undefined): Prefs {
  const theme = cookie('pb-theme');
  const units = cookie('pb-units');
  return {
    theme: theme === 'night' || theme === 'daylight' ? theme : 'chalk',
    units: units === 'metric' || units === 'us' ? units : null,
  };
}

export function keepPrefs({ theme, units }: Prefs): void {
  const forAYear = 'path=/; max-age=31536000; samesite=lax';
  document.cookie = `pb-theme=${theme}; ${forAYear}`;
  document.cookie = units ? `pb-units=${units}; ${forAYear}` : `pb-units=; path=/; max-age=0`;
}
