import { describe, expect, it } from 'vitest';
import { jobKinds, jobsFor } from '../../jobs';
import { randomFrom } from '../../numeric';
import { play, type Board } from '../../trace';
import { TRAPS } from '../../trace/traps';
import { readyFor, type Ready } from '../ready';
import { boardFor } from '../review';
import { COURSE, drillOfLesson, type Lesson } from '.';
import { judged } from './judged';

const ready = ({ id }: Lesson): Ready => {
  const made = readyFor(drillOfLesson(id, 'M. Oak')!);
  if (!made.ok) throw new Error(`${id}: ${made.reasons.join('; ')}`);
  return made.ready;
};

const boards = new Map<string, Board>();
/** The board of the station of a lesson: the same for all that are at it. */
function boardOfLesson(lesson: Lesson, at: Ready): Board {
  const key = `${lesson.station} ${lesson.change ? lesson.id : ''}`;
  const board = boards.get(key) ?? boardFor(at);
  boards.set(key, board);
  return board;
}

describe('the course', () => {
  it('is of about thirty lessons, in the order from one float to a duplex; each has an aim, a page and a bench of its own', () => {
    expect(COURSE.length).toBeGreaterThanOrEqual(30);
    expect(new Set(COURSE.map((l) => l.id)).size).toBe(COURSE.length);
    expect([COURSE[0]!.id, COURSE.at(-1)!.id]).toEqual(['contact', 'lost-lag']);
    for (const l of COURSE) {
      expect(l.aim.length, l.id).toBeGreaterThan(15);
      expect(l.page.join(' ').length, l.id).toBeGreaterThan(100);
    }
    expect(new Set(COURSE.map((l) => `${l.station} ${l.faults.join()}`)).size).toBe(COURSE.length);
  });
  it('has a lesson for each job but the whole proof, and for each trap; nothing else is named', () => {
    const jobs = jobKinds().flatMap(({ id }) => (/^J\d+$/.test(id) ? [id] : []));
    expect(jobs).toHaveLength(21);
    expect([...new Set(COURSE.flatMap((l) => l.jobs))].sort()).toEqual([...jobs].sort());
    expect([...new Set(COURSE.flatMap((l) => l.traps))].sort()).toEqual(TRAPS.map((t) => t.id).sort());
  });
  it.each(COURSE.map((l) => [l.id, l] as const))('%s: its jobs are jobs of its station', (_, lesson) => {
    const { station } = drillOfLesson(lesson.id, '')!;
    const fits = new Set(jobsFor(station).flatMap((j) => (j.against === null ? [j.id] : [])));
    expect(lesson.jobs.filter((j) => !fits.has(j))).toEqual([]);
  });
  it('a lesson that is none is no drill', () => {
    expect(drillOfLesson('no such lesson', '')).toBeNull();
  });
});

describe('a lesson that cannot be solved by fair tests is no lesson', () => {
  const right: boolean[] = [];
  it.each(COURSE.map((l) => [l.id, l] as const))(
    '%s: Trace plays the learner, with slips of its own, and is done',
    (id, lesson) => {
      const at = ready(lesson);
      const { right: is, tests } = play(boardOfLesson(lesson, at), at.hidden, randomFrom(1), 'proposal', at.asking);
      right.push(is);
      expect(tests.length, id).toBeLessThan(60);
    },
  );
  it('and names what was hidden in 95 of a hundred', () => {
    expect(right).toHaveLength(COURSE.length);
    expect(right.filter(Boolean).length / right.length).toBeGreaterThanOrEqual(0.95);
  });
});

describe('what a lesson asks', () => {
  const met = (...of: Parameters<typeof judged>) => judged(...of).map((j) => j.met);
  it('the right name, not by luck, and nothing dangerous', () => {
    expect(met([true], 0.9, 0)).toEqual([true, true, true]);
    expect(met([true, false], 0.9, 0)).toEqual([false, true, true]);
    expect(met([true], 0.1, 0)).toEqual([true, false, true]);
    expect(met([true], 0.9, 2)).toEqual([true, true, false]);
  });
});
