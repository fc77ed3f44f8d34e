import type { LevelGeometry } from './geometry';

/** Water that still stands in the line when the pump is still and what can fall back has, m³; 0 where nothing holds it. */
export function columnOver({ station, hydraulics, stop }: LevelGeometry): number {
  if (station.discharge.checkValve === null) return 0;
  return Math.max(hydraulics.main.volumeOf(hydraulics.main.length) - hydraulics.drainback(1, stop).volume, 0);
}
