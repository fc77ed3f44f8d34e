import { pumpModelSchema, type Pump, type Station } from '../station';
import { depotStations } from './depot';
import { landingStations } from './landing';

/** The demo stations, all invented: two sites, metric and US, every duty, healthy and sick. */
export const demoStations = (): { file: string; station: Station }[] => [...landingStations(), ...depotStations()];

/** A few invented pumps to begin a library with: those of the demo stations, each once. */
export function demoPumps(): Pick<Pump, keyof typeof pumpModelSchema.shape>[] {
  const all = demoStations().flatMap(({ station }) => station.pumps);
  return [
    ...new Map(
      all.map((p) => [
        p.name,
        pumpModelSchema.parse(
          Object.fromEntries(Object.keys(pumpModelSchema.shape).map((k) => [k, p[k as keyof Pump]])),
        ),
      ]),
    ).values(),
  ];
}

export { demoBook } from './book';
