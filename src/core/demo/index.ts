import type { Station } from '../station';
import { depotStations } from './depot';
import { landingStations } from './landing';

/** The demo stations, all invented: two sites, metric and US, every duty, healthy and sick. */
export const demoStations = (): { file: string; station: Station }[] => [...landingStations(), ...depotStations()];
