import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { checkStation, newStation, type Station } from '../station';
import { changesBetween, standingOf } from '../surveyed';
import { mergedBy } from './merged';
import { setAt } from './setAt';

const sump = newStation('Sump', 'Yard', 'metric-230');
const paths = (a: Station, b: Station) => changesBetween(a, b).map((c) => c.path);

describe('two versions of a station made into one', () => {
  it('each change by itself: what is picked is theirs, all else mine', () => {
    const mine = setAt(setAt(sump, 'vessel.overflow', 1.1), 'identity.note', 'mine');
    const theirs = setAt(setAt(sump, 'vessel.overflow', 1.2), 'settings.hoseFlow', 0.0005);
    expect(paths(mine, theirs).sort()).toEqual(['identity.note', 'settings.hoseFlow', 'vessel.overflow']);
    const merged = mergedBy(mine, theirs, ['settings.hoseFlow']);
    expect([merged.vessel.overflow, merged.identity.note, merged.settings.hoseFlow]).toEqual([1.1, 'mine', 0.0005]);
    expect(mergedBy(mine, theirs, [])).toEqual(mine);
    expect(mergedBy(mine, theirs, ['format', 'nowhere.at.all'])).toEqual(mine);
  });
  it('a float by its name, wherever it stands: one fitted, one taken out, one of another kind', () => {
    const [first, ...others] = sump.sensors;
    const fitted = { ...first!, id: 'another' };
    const theirs = { ...sump, sensors: [...others, fitted] };
    const merged = mergedBy(sump, theirs, paths(sump, theirs));
    expect(new Set(merged.sensors.map((s) => s.id))).toEqual(new Set(theirs.sensors.map((s) => s.id)));
    const moved = { ...sump, sensors: [...others, setAt(sump, 'sensors.0.cordLength', 7).sensors[0]!] };
    const path = paths(sump, moved).find((p) => p.endsWith('cordLength'))!;
    const after = mergedBy(sump, moved, [path]);
    expect(after.sensors.map((s) => s.id)).toEqual(sump.sensors.map((s) => s.id));
    expect(after.sensors[0]!.cordLength).toBe(7);
  });
  it('how a figure stands comes with it', () => {
    const theirs: Station = {
      ...setAt(sump, 'vessel.overflow', 1.2),
      surveyed: { rest: 'unknown', figures: { 'vessel.overflow': 'confirmed', cordRun: 'confirmed' } },
    };
    const mine: Station = { ...sump, surveyed: { rest: 'unknown', figures: { 'vessel.overflow': 'assumed' } } };
    const merged = mergedBy(mine, theirs, ['vessel.overflow']);
    expect(standingOf(merged, 'vessel.overflow')).toBe('confirmed');
    expect(merged.surveyed.figures).not.toHaveProperty('cordRun');
  });
  it('all of theirs picked is theirs, none of it is mine, whichever two stations they are', () => {
    const stations = demoStations().map((d) => d.station);
    fc.assert(
      fc.property(fc.constantFrom(...stations), fc.constantFrom(...stations), (mine, theirs) => {
        const merged = mergedBy(mine, theirs, paths(mine, theirs));
        expect(paths(merged, theirs)).toEqual([]);
        expect(checkStation({ ...merged, surveyed: theirs.surveyed })).toMatchObject({ ok: true });
        expect(paths(mergedBy(mine, theirs, []), mine)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});
