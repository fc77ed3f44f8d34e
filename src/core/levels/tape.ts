import { cordNeeded } from '../sensing';
import { facingOf, kindOf, type Measure, type Sensor } from '../sensors';
import type { LevelContext } from './context';

/** One thing of a sensor that is set with a tape. Lengths in m. */
export interface TapeSetting extends Measure {
  /** From the rim down; null for a length of its own. */
  readonly rimDown: number | null;
}

/** One float as it is set with a tape. Lengths in m. */
export interface TapeRow {
  readonly sensor: string;
  readonly role: Sensor['role'];
  readonly kind: Sensor['kind'];
  readonly contact: Sensor['contact'];
  /** Order from the floor. */
  readonly order: number;
  /** Everything that is set, that by which it is set first. */
  readonly settings: readonly TapeSetting[];
  /** That first setting alone, both ways. */
  readonly rimDown: number;
  readonly floorUp: number;
  /** Clip to the near end of the body; null where nothing is tethered. */
  readonly tether: number | null;
  /** Rod float: the lower stop, rim down; else null. */
  readonly lowerStopRimDown: number | null;
  /** Which way it faces, degrees; null where it does not matter. */
  readonly bearing: number | null;
  readonly rise: number;
  readonly fall: number;
  /** Whether rise and fall were measured, not worked out. */
  readonly measured: boolean;
  /** Water from an empty vessel up to its rise trip, m³, and s with the test hose. */
  readonly water: number;
  readonly byHose: number;
  /** Cord to cut: to the splice, with slack, m; and whether it has so much. */
  readonly cord: number;
  readonly cordHas: number;
}

const measureOf = (sensor: Sensor, field: string): number | null =>
  kindOf(sensor)
    .measures(sensor)
    .find((m) => m.field === field)?.value ?? null;
const fromRim = (height: number | null, depth: number) => (height === null ? null : depth - height);

/** The list that goes to the pit, lowest float first. */
export function tapeList({ station, sensors, vessel }: LevelContext): TapeRow[] {
  const { hoseFlow, cordSlack } = station.settings;
  return sensors.map(({ sensor, order, rise, fall }) => ({
    sensor: sensor.id,
    role: sensor.role,
    kind: sensor.kind,
    contact: sensor.contact,
    order,
    settings: kindOf(sensor)
      .measures(sensor)
      .map((m) => ({ ...m, rimDown: m.of === 'height' ? vessel.depth - m.value : null })),
    rimDown: vessel.depth - kindOf(sensor).setting(sensor),
    floorUp: kindOf(sensor).setting(sensor),
    tether: measureOf(sensor, 'tether'),
    lowerStopRimDown: fromRim(measureOf(sensor, 'lowerStop'), vessel.depth),
    bearing: kindOf(sensor).swings(sensor) ? facingOf(sensor) : null,
    rise,
    fall,
    measured: kindOf(sensor).measured?.(sensor) ?? false,
    water: vessel.volume(rise),
    byHose: vessel.volume(rise) / hoseFlow,
    cord: cordNeeded(sensor, vessel.depth, station.cordRun) + cordSlack,
    cordHas: sensor.cordLength,
  }));
}
