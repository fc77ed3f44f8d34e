import { describe, expect, it } from 'vitest';
import { benchAfter } from './bench';
import { hiding } from './drill.fixture';
import { COURSE } from './lessons';
import { passed, practiceOf, resultOf, resultRows, resultSchema, type Result } from './marks';
import { boardFor, reviewOf } from './review';

const DAY = 86_400_000;
const BEGUN = Date.UTC(2026, 10, 2, 8);
const after = (days: number): string => new Date(BEGUN + days * DAY).toISOString();

const result = (over: Partial<Result> = {}): Result => ({
  ...{ at: after(0), by: 'M. Oak', lesson: 'contact', set: null, title: 'a drill', level: 'first week', seed: 1 },
  hidden: [{ id: 'pump-cord-cut', label: 'cord cut', named: true }],
  ...{ sure: 0.9, minutes: 30, hazard: 3, dangers: 0, spilt: 0, best: 20 },
  ...over,
});
const missed = (over: Partial<Result> = {}) =>
  result({ ...over, hidden: [{ id: 'lag-stuck-down', label: 'lag float stuck down', named: false }] });
const first = (all: Result[]) => practiceOf(all)[0]!;
const inDays = (all: Result[]) => (first(all).due! - BEGUN) / DAY;

describe('what came of a drill', () => {
  it('is what its review says, and is read as it was written', () => {
    const ready = hiding('workshop-sump', 'pump-cord-cut');
    const bench = benchAfter(ready, [
      { do: 'look', round: 'round' },
      { do: 'name', faults: ['pump-cord-cut'] },
    ]);
    const made = resultOf(ready.drill, reviewOf(ready, bench, boardFor(ready)), bench, {
      ...{ at: after(0), by: 'M. Oak', set: null },
    });
    expect(made.hidden).toEqual([{ id: 'pump-cord-cut', label: ready.hidden.label, named: true }]);
    expect([made.minutes, made.dangers]).toEqual([4, 0]);
    expect(resultSchema.parse(JSON.parse(JSON.stringify(made)))).toEqual(made);
  });
  it('is passed by the right name that was not luck, and nothing dangerous', () => {
    expect(passed(result())).toBe(true);
    expect([passed(missed()), passed(result({ sure: 0.2 })), passed(result({ dangers: 1 }))]).toEqual([
      false,
      false,
      false,
    ]);
  });
});

describe('what is practised next', () => {
  it('of somebody who has done nothing is the course in its order', () => {
    expect(practiceOf([]).map((p) => [p.id, p.due])).toEqual(COURSE.map((l) => [l.id, null]));
  });
  it('what went badly comes back sooner than what went well, and what went well later each time', () => {
    const [bad, well] = [inDays([result({ dangers: 2 })]), inDays([result()])];
    expect(bad).toBeLessThan(well);
    expect(bad).toBeLessThanOrEqual(1);
    const twice = inDays([result(), result({ at: after(well) })]);
    expect(twice - well).toBeGreaterThan(well);
    // Quicker than Trace is easy, three times as long is hard.
    expect(inDays([result({ minutes: 15 })])).toBeGreaterThan(well);
    expect(inDays([result({ minutes: 90 })])).toBeLessThan(well);
  });
  it('the longest due stands first, and lessons never done after all that was', () => {
    const all = [result({ lesson: 'leak', dangers: 1 }), result({ lesson: 'contact', at: after(0.1) })];
    const next = practiceOf(all);
    expect(next.slice(0, 2).map((p) => p.id)).toEqual(['leak', 'contact']);
    expect(next[2]!.due).toBeNull();
    expect(next).toHaveLength(COURSE.length);
  });
  it('a fault that was missed in a drill of one’s own is practised by the lesson that hides its kind, whichever part it was', () => {
    const [fault] = practiceOf([missed({ lesson: null })]);
    expect(fault).toMatchObject({
      kind: 'fault',
      id: 'stuck-down',
      lesson: COURSE.find((l) => l.faults.some((f) => f.endsWith('-stuck-down')))!.id,
    });
    // One that was always found is not.
    expect(first([result({ lesson: null })]).due).toBeNull();
  });
  it('a clock that was put back makes no time run backwards', () => {
    const back = [result({ at: after(30) }), result({ at: after(0) })];
    expect(first(back).due!).toBeGreaterThanOrEqual(BEGUN + 30 * DAY);
    expect(practiceOf(back).every((p) => p.due === null || Number.isFinite(p.due))).toBe(true);
  });
  it('a lesson of another version is left out, and its result kept', () => {
    const strange = result({ lesson: 'of another version' });
    expect(practiceOf([strange]).some((p) => p.id === 'of another version')).toBe(false);
    expect(resultRows([strange])[1]).toContain('of another version');
  });
});

describe('as rows', () => {
  it('one for each, under heads', () => {
    const [heads, row] = resultRows([result({ spilt: 0.0123 })]) as [string[], (string | number)[]];
    expect(row).toHaveLength(heads.length);
    expect(Object.fromEntries(heads.map((h, i) => [h, row[i]]))).toMatchObject({
      ...{ by: 'M. Oak', lesson: 'contact', named: 1, of: 1, 'litres over': '12.3', passed: 'yes' },
    });
  });
});
