import { density } from '../physics';
import type { Surrounds } from '../sensors';
import type { Settings } from '../settings';

/** Water and air of a station, as its sensors meet them. */
export const surroundsOf = ({ settings }: { readonly settings: Settings }): Surrounds => ({
  density: density(settings.waterTemperature),
  airPressure: settings.airPressure,
});
