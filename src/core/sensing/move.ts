import type { Sensor } from '../station';

/** The sensor moved up by `by` metres, whole: clip, or both stops. */
export function moved(sensor: Sensor, by: number): Sensor {
  switch (sensor.kind) {
    case 'tilt':
      return { ...sensor, clip: sensor.clip + by };
    case 'rod':
      return { ...sensor, upperStop: sensor.upperStop + by, lowerStop: sensor.lowerStop + by };
  }
}

/** The sensor with its range widened by `by` metres of tether, or of upper stop. A range that was measured was true of another tether, and is given up. */
export function widened(sensor: Sensor, by: number): Sensor {
  switch (sensor.kind) {
    case 'tilt':
      return { ...sensor, tether: sensor.tether + by, measured: null };
    case 'rod':
      return { ...sensor, upperStop: sensor.upperStop + by };
  }
}

/** The height by which a sensor is set with the tape: its clip, or its upper stop. */
export const settingOf = (sensor: Sensor): number => (sensor.kind === 'tilt' ? sensor.clip : sensor.upperStop);
