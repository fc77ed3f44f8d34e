import { INCH } from './unitTable';
import type { UnitSystem } from './quantity';

/** The supply profile of a place: mains and the units its people measure in. */
export type Profile = 'metric-230' | 'us-120';

export const systemOf = (profile: Profile): UnitSystem => (profile === 'us-120' ? 'us' : 'metric');

/** What a float can be set to with a tape: 5 mm, or a quarter inch. */
export const tapeStep = (system: UnitSystem): number => (system === 'us' ? INCH / 4 : 0.005);

/** The nearest height a tape can set. */
export function toTape(height: number, system: UnitSystem): number {
  const step = tapeStep(system);
  return Number((Math.round(height / step) * step).toFixed(9));
}
