import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import {
  setAt,
  withKind,
  withProfile,
  withPumpCount,
  withPumpModel,
  withPumpsLike,
  withRole,
  withShape,
} from '../editing';
import { exampleStation } from '../starting';
import { checkStation, type Station } from '../station';
import {
  figureName,
  figureOf,
  followSurvey,
  standingOf,
  surveyCounts,
  surveyFigures,
  SURVEY_GROUPS,
  unconfirmed,
  withConfirmed,
} from './index';

const example = exampleStation('Sump', 'Yard', 'metric-230', 'empty');
const after = (s: Station, change: (s: Station) => Station) => followSurvey(s, change(s));
const confirmedBy = (s: Station, change: (s: Station) => Station) => {
  const then = after(s, change);
  return surveyFigures(then).flatMap(({ path }) => (standingOf(then, path) === 'confirmed' ? [path] : []));
};

describe('figures taken on site', () => {
  it('are what is measured or read off, not what is decided', () => {
    const paths = surveyFigures(example).map((f) => f.path);
    expect(paths).toEqual(
      expect.arrayContaining([
        'vessel.shape.diameter',
        'inflow.source.design',
        'pumps.0.curve',
        'discharge.segments.0.bore',
        'sensors.0.body',
        'supply.loop',
        'pole.offset',
      ]),
    );
    for (const decided of ['sensors.0.clip', 'sensors.0.tether', 'settings.gap', 'pumps.0.motor.overloadClass'])
      expect(paths).not.toContain(decided);
    expect(paths.some((p) => /curve\.\d/.test(p))).toBe(false);
    expect(new Set(paths).size).toBe(paths.length);
  });
  it.each(demoStations())(
    '$file: each has a name of its own and a group; a field in a table belongs to the table',
    ({ station }) => {
      const figures = surveyFigures(station);
      const names = figures.map(({ path }) => figureName(station, path));
      expect(names.filter((n) => n === '' || n.includes('undefined'))).toEqual([]);
      for (const { path } of figures) expect(figureOf(station, path)).toBe(path);
      expect(figureOf(station, 'pumps.0.curve.1.head')).toBe('pumps.0.curve');
      expect(figureOf(station, 'settings.gap')).toBeNull();
      expect(figureOf(station, 'identity.name')).toBeNull();
      expect(surveyCounts(station).reduce((sum, c) => sum + c.figures, 0)).toBe(figures.length);
    },
  );
  it.each(['empty', 'dose', 'fill', 'transfer', 'condensate'] as const)(
    'a new station (%s) is assumed throughout, and is a sound document',
    (duty) => {
      for (const profile of ['metric-230', 'us-120'] as const) {
        const s = exampleStation('a', 'b', profile, duty);
        expect(unconfirmed(s)).toEqual(surveyFigures(s));
        expect(checkStation(s).ok).toBe(true);
      }
    },
  );
});

describe('what an edit does to them', () => {
  it('a figure that is given another value was typed; its neighbours were not', () => {
    expect(confirmedBy(example, (s) => setAt(s, 'pumps.0.intake', 0.06))).toEqual(['pumps.0.intake']);
    expect(confirmedBy(example, (s) => setAt(s, 'pumps.0.curve.1.head', 7.5))).toEqual(['pumps.0.curve']);
    expect(confirmedBy(example, (s) => setAt(s, 'pumps.0.bell', 0.06))).toEqual(['pumps.0.bell']);
    expect(confirmedBy(example, (s) => setAt(s, 'identity.name', 'Other'))).toEqual([]);
  });
  it('a float that is set to another height was not measured', () => {
    const then = after(example, (s) => setAt(s, 'sensors.0.clip' as 'cordRun', 0.5));
    expect(then.surveyed).toBe(example.surveyed);
  });
  it('a group is confirmed as it stands, and the others stay', () => {
    const s = withConfirmed(example, (_, group) => group === 'vessel');
    expect(surveyCounts(s).map((c) => [c.group, c.assumed === 0])).toEqual(
      SURVEY_GROUPS.map((g) => [g, g === 'vessel']),
    );
  });
  const measured = withConfirmed(example, () => true);
  it('what comes with a part, another shape, another pump or profile is assumed; what was there stays', () => {
    expect(unconfirmed(measured)).toEqual([]);
    const came = (change: (s: Station) => Station) => unconfirmed(after(measured, change)).map((f) => f.path);
    expect(came((s) => withShape(s, 'box'))).toEqual(['vessel.shape.length', 'vessel.shape.width']);
    expect(came((s) => withShape(s, 'lying'))).toEqual(['vessel.shape.diameter', 'vessel.shape.length']);
    const second = came((s) => withPumpCount(s, 2));
    expect(second.length).toBeGreaterThan(10);
    expect(second.every((p) => p.startsWith('pumps.1.'))).toBe(true);
    expect(came((s) => withProfile(s, 'us-120'))).toEqual(['supply.voltage']);
    expect(came((s) => withRole(s, 'low', true, 'metric')).every((p) => p.startsWith('sensors.2.'))).toBe(true);
    expect(came((s) => withKind(s, 'alarm', 'side', 'metric'))).toEqual(['sensors.1.differential']);
    expect(came((s) => setAt(s, 'discharge.highPoint', { height: 3, along: 4, vented: false }))).toEqual([
      'discharge.highPoint.height',
      'discharge.highPoint.along',
    ]);
  });
  it('a part taken out of a list takes its own with it, and the others keep theirs', () => {
    const [first] = example.discharge.segments;
    const two = after(measured, (s) =>
      setAt(s, 'discharge.segments', [...s.discharge.segments, { ...first!, name: 'new length' }]),
    );
    expect(new Set(unconfirmed(two).map((f) => f.path.split('.').slice(0, 3).join('.')))).toEqual(
      new Set(['discharge.segments.1']),
    );
    const turned = after(two, (s) => setAt(s, 'discharge.segments', [...s.discharge.segments].reverse()));
    expect(standingOf(turned, 'discharge.segments.0.bore')).toBe('assumed');
    expect(standingOf(turned, 'discharge.segments.1.bore')).toBe('confirmed');
    const one = after(two, (s) => setAt(s, 'discharge.segments', s.discharge.segments.slice(1)));
    expect(standingOf(one, 'discharge.segments.0.bore')).toBe('assumed');
    expect(Object.keys(one.surveyed.figures).some((p) => p.includes('segments.1'))).toBe(false);
  });
  it('a pump of the library was read off a plate once; where it stands was not', () => {
    const { curve, intake } = example.pumps[0]!;
    const then = after(example, (s) => withPumpModel(s, 0, { name: 'kept', curve, intake }));
    expect(standingOf(then, 'pumps.0.curve')).toBe('confirmed');
    expect(standingOf(then, 'pumps.0.intake')).toBe('confirmed');
    expect(standingOf(then, 'pumps.0.offset')).toBe('assumed');
  });
  it('pumps made like one stand on what that one stands on', () => {
    const two = after(example, (s) => withPumpCount(setAt(s, 'pumps.0.intake', 0.06), 2));
    const typed = after(two, (s) => setAt(s, 'pumps.1.volute', 0.2));
    const like = after(typed, (s) => withPumpsLike(s, 1));
    expect(like.pumps[0]!.volute).toBe(0.2);
    expect(standingOf(like, 'pumps.0.volute')).toBe('confirmed');
    expect(standingOf(like, 'pumps.0.intake')).toBe('assumed');
  });
  it('of a document older than the question nothing is known until it is confirmed', () => {
    const old: Station = { ...example, surveyed: { rest: 'unknown', figures: {} } };
    expect(surveyCounts(old)[0]).toMatchObject({ assumed: 0, unknown: surveyCounts(old)[0]!.figures });
    const some = after(
      withConfirmed(old, (_, g) => g === 'vessel'),
      (s) => withPumpCount(s, 2),
    );
    expect(standingOf(some, 'vessel.overflow')).toBe('confirmed');
    expect(standingOf(some, 'pumps.0.intake')).toBe('unknown');
    expect(standingOf(some, 'pumps.1.intake')).toBe('assumed');
    expect(checkStation(some).ok).toBe(true);
  });
  it.each([
    ['a word that is none', { rest: 'confirmed', figures: { 'vessel.overflow': 'guessed' } }, /assumed or confirmed/],
    ['a path that is none', { rest: 'confirmed', figures: { 'a b': 'assumed' } }, /names and numbers/],
    ['another rest', { rest: 'assumed', figures: {} }, /confirmed or unknown/],
  ])('refuses %s', (_, surveyed, message) => {
    const checked = checkStation({ ...example, surveyed });
    expect(!checked.ok && checked.problems.map((p) => p.message).join()).toMatch(message);
  });
});
