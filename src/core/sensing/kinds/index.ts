import type { Sensor } from '../../station';
import { bell } from './bell';
import type { KindTable, SensorKind } from './kind';
import { rod } from './rod';
import { side } from './side';
import { tilt } from './tilt';
import { transmitter } from './transmitter';

const KINDS: KindTable = { tilt, rod, side, bell, transmitter };

/** What its kind says of a sensor. The sensor given is the only one that the answer may be asked of. */
export const kindOf = <S extends Sensor>(sensor: S): SensorKind<S> => KINDS[sensor.kind] as unknown as SensorKind<S>;
