import { kindOf, type Sensor } from '../sensors';

/** A sensor with its settings rounded: sums of tape steps carry rounding, and a tenth of a micrometre is beyond any tape. */
export function tidied<S extends Sensor>(sensor: S): S {
  const rounded = kindOf(sensor)
    .measures(sensor)
    .map((m) => [m.field, Number(m.value.toFixed(7))]);
  return { ...sensor, ...Object.fromEntries(rounded) };
}
