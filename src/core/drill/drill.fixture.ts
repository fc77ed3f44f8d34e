import { demoStations } from '../demo';
import { benchAfter } from './bench';
import type { Drill, DrillAct } from './drill';
import { readyFor, type Ready } from './ready';

export const demo = (file: string) => demoStations().find((d) => d.file === `${file}.json`)!.station;

export const drillOf = (file: string, over: Partial<Drill> = {}): Drill => ({
  ...{ title: 'a drill', by: 'M. Oak', level: 'first week', seed: 5, faults: null, lesson: null, acts: [] },
  station: demo(file),
  ...over,
});

/** A drill at a demo station, made ready. */
export function readyAt(file: string, over: Partial<Drill> = {}): Ready {
  const made = readyFor(drillOf(file, over));
  if (!made.ok) throw new Error(made.reasons.join('; '));
  return made.ready;
}

/** A demo station with faults that were chosen. */
export const hiding = (file: string, ...faults: string[]): Ready => readyAt(file, { faults });

export const lastOf = (ready: Ready, ...acts: DrillAct[]) => benchAfter(ready, acts).entries.at(-1)!;

export const OFF: readonly DrillAct[] = [{ do: 'isolate' }, { do: 'prove dead' }];
