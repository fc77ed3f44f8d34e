import type { ValuesOf } from '../form';
import { bell } from './bell';
import type { SensorCommon } from './common';
import type { SensorKind } from './kind';
import { rod } from './rod';
import { side } from './side';
import { tilt } from './tilt';
import { transmitter } from './transmitter';

/** Every kind of sensor. */
export const KINDS = { tilt, rod, side, bell, transmitter } as const;

export type KindName = keyof typeof KINDS;
export type SensorOf<K extends KindName> = SensorCommon & { kind: K } & ValuesOf<(typeof KINDS)[K]['fields']>;
export type Sensor = { [K in KindName]: SensorOf<K> }[KindName];

/** What its kind knows of a sensor. The sensor given is the only one that the answer may be asked of. */
export const kindOf = <S extends Sensor>(sensor: S): SensorKind<S> => KINDS[sensor.kind] as unknown as SensorKind<S>;

export type { Drawn } from './drawn';
export { facingOf, type Place, type SensorCommon } from './common';
export {
  type Measure,
  type Need,
  type SensorFault,
  type SensorKind,
  type Surrounds,
  type Trips,
  type Wanted,
} from './kind';
export { ROLE, ROLES, type MarkName, type SensorRole } from './roles';
export { armOf, FLOAT_ANGLES, leanOf } from './tilt';
