import { demoStations } from '../../demo';
import type { Drill } from '../drill';
import { FLOATS } from './floats';
import type { Lesson } from './lesson';
import { PANELS } from './panels';
import { SUPPLY } from './supply';

export type { Lesson } from './lesson';

/** The course, in its order: from the contact of one float to a duplex that lost its lag. */
export const COURSE: readonly Lesson[] = [...FLOATS, ...SUPPLY, ...PANELS];

/** A lesson as a drill. @returns null where this version has no such lesson */
export function drillOfLesson(id: string, by: string): Drill | null {
  const place = COURSE.findIndex((l) => l.id === id);
  const lesson = COURSE[place];
  const made = lesson && demoStations().find((d) => d.file === `${lesson.station}.json`);
  if (!lesson || !made) return null;
  const { title, level, faults, change } = lesson;
  const station = change ? change(made.station) : made.station;
  return { title, by, level, seed: place + 1, faults, lesson: id, station, acts: [] };
}
