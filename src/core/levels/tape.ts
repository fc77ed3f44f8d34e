import type { Sensor } from '../station';
import type { LevelContext } from './context';

/** One float as it is set with a tape. Lengths in m. */
export interface TapeRow {
  readonly sensor: string;
  readonly role: Sensor['role'];
  readonly kind: Sensor['kind'];
  readonly contact: Sensor['contact'];
  /** Order from the floor. */
  readonly order: number;
  /** Where it is fixed: the clip of a tilt float, the upper stop of a rod float. */
  readonly rimDown: number;
  readonly floorUp: number;
  /** Clip to the near end of the body; null for a rod float. */
  readonly tether: number | null;
  /** Rod float: the lower stop, rim down. */
  readonly lowerStopRimDown: number | null;
  readonly rise: number;
  readonly fall: number;
  /** Whether rise and fall were measured, not worked out. */
  readonly measured: boolean;
}

/** The list that goes to the pit, lowest float first. */
export function tapeList({ sensors, vessel }: LevelContext): TapeRow[] {
  return sensors.map(({ sensor, order, rise, fall }) => {
    const floorUp = sensor.kind === 'tilt' ? sensor.clip : sensor.upperStop;
    return {
      sensor: sensor.id,
      role: sensor.role,
      kind: sensor.kind,
      contact: sensor.contact,
      order,
      rimDown: vessel.depth - floorUp,
      floorUp,
      tether: sensor.kind === 'tilt' ? sensor.tether : null,
      lowerStopRimDown: sensor.kind === 'rod' ? vessel.depth - sensor.lowerStop : null,
      rise,
      fall,
      measured: sensor.kind === 'tilt' && sensor.measured !== null,
    };
  });
}
