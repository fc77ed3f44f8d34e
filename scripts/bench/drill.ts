import { demoStations } from '@/core/demo';
import { benchAfter, readyFor, type Bench, type DrillAct } from '@/core/drill';

/** An hour at the duplex with two faults in it. */
const HOUR: readonly DrillAct[] = [
  { do: 'ask' },
  { do: 'look', round: 'round' },
  { do: 'put', device: 'S11', to: 'hand' },
  { do: 'wait', minutes: 3 },
  { do: 'put', device: 'S11', to: 'auto' },
  { do: 'water', to: 'high' },
  { do: 'meter', a: 'L1', b: 'N', mode: 'ac-volts' },
  { do: 'look', round: 'cycles' },
  { do: 'isolate' },
  { do: 'prove dead' },
  { do: 'meter', a: 'L1', b: 'N', mode: 'ohms' },
  { do: 'give back' },
  { do: 'hose', minutes: 10 },
  { do: 'wait', minutes: 10 },
];

/** A drill at the duplex: an act after those before it, and all of an hour anew. */
export function drill(timed: (run: () => unknown) => number) {
  const { station } = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!;
  const faults = ['lag-cord-cut', 'A1-stuck'];
  const made = readyFor({
    ...{ title: 'a drill', by: '', level: 'night', seed: 1, faults, lesson: null, station, acts: [] },
  });
  if (!made.ok) throw new Error(made.reasons.join('; '));
  const { ready } = made;
  const benches = HOUR.reduce<Bench[]>((all, _, n) => [...all, benchAfter(ready, HOUR.slice(0, n), all.at(-1))], []);
  const acts = HOUR.map((_, n) => timed(() => benchAfter(ready, HOUR.slice(0, n + 1), benches[n])));
  const sorted = [...acts].sort((a, b) => a - b);
  return {
    minutes: benchAfter(ready, HOUR).minutes,
    actMs: sorted[Math.floor(sorted.length / 2)]!,
    slowestActMs: sorted.at(-1)!,
    replayMs: timed(() => benchAfter(ready, HOUR)),
  };
}
