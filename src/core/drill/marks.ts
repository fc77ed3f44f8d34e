import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import * as z from 'zod';
import type { Bench } from './bench';
import type { Drill } from './drill';
import { COURSE } from './lessons';
import { judged } from './lessons/judged';
import type { Review } from './review';

/** What came of one drill, for the marks of whoever did it. */
export const resultSchema = z.strictObject({
  /** When it was done, ISO 8601, by the clock of the device. */
  at: z.iso.datetime('must be a moment'),
  by: z.string().trim().min(1, 'say who did it').max(60),
  /** The lesson; null: a drill of one’s own, or one that was set. */
  lesson: z.string().max(60).nullable(),
  /** The drill that a teacher set, by its number; null: none. */
  set: z.number().int().nullable(),
  title: z.string().max(120),
  level: z.string().max(40),
  seed: z.number().int(),
  /** What was hidden, and whether it was named. */
  hidden: z.array(z.strictObject({ id: z.string().max(200), label: z.string().max(400), named: z.boolean() })).max(2),
  sure: z.number().min(0).max(1),
  minutes: z.number().min(0),
  hazard: z.number().min(0),
  dangers: z.number().int().min(0),
  /** m³ over the top */
  spilt: z.number().min(0),
  /** What Trace took for it, minutes. */
  best: z.number().min(0),
});
export type Result = z.infer<typeof resultSchema>;

/** What came of a drill that was looked back at. */
export function resultOf(
  drill: Drill,
  review: Review,
  bench: Bench,
  { at, by, set }: Pick<Result, 'at' | 'by' | 'set'>,
): Result {
  return {
    ...{ at, by, set, lesson: drill.lesson, title: drill.title, level: drill.level, seed: drill.seed },
    hidden: review.was.map(({ id, label }, i) => ({ id, label, named: review.right[i]! })),
    sure: review.sure,
    minutes: review.minutes,
    hazard: review.hazard,
    dangers: review.steps.flatMap((s) => s.incidents).length,
    spilt: bench.water?.spilt ?? 0,
    best: review.best.minutes,
  };
}

/** Whether everything that is asked was met. */
export const passed = (r: Pick<Result, 'hidden' | 'sure' | 'dangers'>): boolean =>
  judged(
    r.hidden.map((h) => h.named),
    r.sure,
    r.dangers,
  ).every((j) => j.met);

/** Done in no more than so many times the minutes of Trace it was easy. */
const EASY = 1;
const HARD = 3;

/** How well it went, as repetition asks it: what was dangerous, or not found, is done again. */
export function gradeOf(r: Result): Grade {
  if (!passed(r)) return Rating.Again;
  if (r.minutes <= EASY * r.best) return Rating.Easy;
  return r.minutes > HARD * r.best ? Rating.Hard : Rating.Good;
}

/** Something to be practised: a lesson, or a kind of fault that was missed. */
export interface Practice {
  readonly id: string;
  readonly kind: 'lesson' | 'fault';
  readonly title: string;
  /** When it is due again, ms since 1970; null: it was never done. */
  readonly due: number | null;
  readonly done: number;
  readonly passed: boolean;
  /** The lesson in which it comes; null where the course has none. */
  readonly lesson: string | null;
}

/** The kind of a fault: how it fails, whichever part it is. */
const kindOf = (id: string): string => id.replace(/^[^-]+-/, '').replace(/-size-\d$/, '');

const DAYS = fsrs({ enable_fuzz: false, enable_short_term: false });

/** One thing over the times that it was done: how it stands, by the free spaced repetition scheduler (FSRS). */
function repeated(times: readonly { at: number; grade: Grade }[]): Card {
  let latest = 0;
  return times.reduce<Card>(
    (card, { at, grade }) => {
      // A clock that was put back makes no time run backwards.
      latest = Math.max(latest, at);
      const when = new Date(latest);
      return DAYS.next(card, when, grade).card;
    },
    createEmptyCard(new Date(times[0]!.at)),
  );
}

/** What was done of one thing, in the order in which it was told. */
interface Times {
  readonly id: string;
  readonly kind: Practice['kind'];
  readonly title: string;
  readonly all: { at: number; grade: Grade; passed: boolean }[];
}

function timesOf(results: readonly Result[]): Map<string, Times> {
  const of = new Map<string, Times>();
  const add = (key: string, first: Omit<Times, 'all'>, r: Result, grade: Grade, is: boolean) => {
    const found = of.get(key) ?? { ...first, all: [] };
    of.set(key, found);
    found.all.push({ at: Date.parse(r.at), grade, passed: is });
  };
  for (const r of results) {
    if (r.lesson !== null && COURSE.some((l) => l.id === r.lesson))
      add(
        `lesson ${r.lesson}`,
        { id: r.lesson, kind: 'lesson', title: COURSE.find((l) => l.id === r.lesson)!.title },
        r,
        gradeOf(r),
        passed(r),
      );
    else
      for (const h of r.hidden)
        add(
          `fault ${kindOf(h.id)}`,
          { id: kindOf(h.id), kind: 'fault', title: h.label },
          r,
          h.named ? gradeOf({ ...r, hidden: [h] }) : Rating.Again,
          h.named,
        );
  }
  return of;
}

/** The lesson that hides a kind of fault. */
const lessonOf = (kind: string): string | null =>
  COURSE.find((l) => l.faults.some((f) => kindOf(f) === kind))?.id ?? null;

/**
 * What somebody practises next: what is due, the longest due first; then the next lessons of the course that were never done.
 * @param results of one person, in the order in which they were told
 */
export function practiceOf(results: readonly Result[]): Practice[] {
  const times = timesOf(results);
  const done = [...times.values()].map(({ id, kind, title, all }): Practice => {
    const last = all.at(-1)!;
    return {
      ...{ id, kind, title },
      due: repeated(all).due.getTime(),
      done: all.length,
      passed: last.passed,
      lesson: kind === 'lesson' ? id : lessonOf(id),
    };
  });
  // A kind of fault that was always found is practised by its lesson, or not at all.
  const missed = done.filter((p) => p.kind === 'lesson' || times.get(`fault ${p.id}`)!.all.some((t) => !t.passed));
  const fresh = COURSE.filter((l) => !times.has(`lesson ${l.id}`)).map((l): Practice => ({
    ...{ id: l.id, kind: 'lesson', title: l.title, due: null, done: 0, passed: false, lesson: l.id },
  }));
  return [...missed.sort((a, b) => a.due! - b.due!), ...fresh];
}

/** Results as rows of a table, their heads first. @param classes to which each drill was set, by its number */
export const resultRows = (
  results: readonly Result[],
  classes: ReadonlyMap<number, string> = new Map(),
): (string | number)[][] => [
  [
    ...['done', 'by', 'lesson', 'class', 'title', 'level', 'drill', 'hidden', 'named', 'of', 'sure', 'minutes'],
    ...['minutes by Trace', 'risk', 'dangers', 'litres over', 'passed'],
  ],
  ...results.map((r) => [
    ...[r.at, r.by, r.lesson ?? '', (r.set !== null && classes.get(r.set)) || '', r.title, r.level, r.seed],
    ...[r.hidden.map((h) => h.label).join('; '), r.hidden.filter((h) => h.named).length, r.hidden.length],
    ...[r.sure.toFixed(2), Math.round(r.minutes), Math.round(r.best), r.hazard, r.dangers, (1000 * r.spilt).toFixed(1)],
    passed(r) ? 'yes' : 'no',
  ]),
];
