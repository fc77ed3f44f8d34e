import { density } from '../hydraulics';
import type { Station } from '../station';
import type { World } from './kinds/kind';

/** Water and air of a station, as its sensors meet them. */
export const worldOf = ({ settings }: Pick<Station, 'settings'>): World => ({
  density: density(settings.waterTemperature),
  airPressure: settings.airPressure,
});
