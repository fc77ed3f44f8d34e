import { expose } from 'comlink';
import { levelsFound, levelsScore, questionOf, stripFound, type StripKind } from '@/core/drill';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';

/** Exercises at a strip and at the floats: what is found, what is asked of it, and how it stands. */
const api = {
  strip(station: Station, kind: StripKind, seed: number) {
    const made = panelOf(station);
    const found = made.ok ? stripFound(station, made.panel, kind, seed) : null;
    if (!made.ok || !found) return null;
    return { found, question: kind === 'wrong' ? questionOf(found, made.panel, seed) : null };
  },
  levels: (station: Station, seed: number) => levelsFound(station, seed),
  score: (station: Station) => levelsScore(station),
};

export type ExerciseApi = typeof api;

expose(api);
