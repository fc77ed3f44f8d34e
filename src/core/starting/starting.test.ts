import { describe, expect, it } from 'vitest';
import { DUTIES, type DutyName } from '../duties';
import { judge } from '../levels';
import { rehearse, readyScenarios } from '../rehearsal';
import { panelOf } from '../schemes';
import { checkStation, namedFields, type Station } from '../station';
import { fieldText, INCH, sayPhrase, systemOf, type Profile } from '../units';
import { controlFigures, supplyFigures, wire } from '../wiring';
import { exampleStation, isUntouched, untouchedWithDuty } from '.';

const all = (Object.keys(DUTIES) as DutyName[]).flatMap((duty) =>
  (['metric-230', 'us-120'] as Profile[]).map((profile) => [duty, profile] as const),
);

/** Every number of a document that a field shows, with its path. */
function figures(value: unknown, path: readonly string[] = []): [path: string, value: number][] {
  if (typeof value === 'number') return [[path.join('.'), value]];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([k, v]) => figures(v, [...path, k]));
}

const PATTERNS = namedFields().map(([path, field]) => ({
  pattern: new RegExp(`^${path.replaceAll('.', '\\.').replaceAll('*', '\\d+')}$`),
  field,
}));
const fieldOf = (path: string) => PATTERNS.find((p) => p.pattern.test(path))?.field;

describe('a station to begin from', () => {
  it.each(all)('%s, %s: is sound, its panel fits, and no rule is broken or unknown', (duty, profile) => {
    const s = exampleStation('Example', 'Yard', profile, duty);
    expect(checkStation(JSON.parse(JSON.stringify(s)))).toMatchObject({ ok: true });
    const { rules } = judge(s);
    expect(
      rules
        .filter((r) => r.state === 'broken' || r.state === 'unknown')
        .map((r) => `${r.id}: ${sayPhrase(r.why, 'metric')}`),
    ).toEqual([]);
    const made = panelOf(s);
    expect(made.ok ? [] : made.reasons.map((r) => sayPhrase(r, 'metric'))).toEqual([]);
    if (!made.ok) return;
    const checks = [...supplyFigures(s), ...controlFigures(s, wire(s, made.panel))];
    expect(checks.filter((c) => c.state === 'broken').map((c) => c.title)).toEqual([]);
    // Nothing in it comes in and works nothing.
    expect(checks.filter((c) => c.id.startsWith('idle-')).map((c) => c.title)).toEqual([]);
    const day = rehearse(s, readyScenarios(s)[0]!);
    expect(day.ok && [day.run.overflowTime, day.run.alarms, day.run.dryRunTime]).toEqual([0, 0, 0]);
  });
  it.each(all)('%s, %s: what silences is there where a horn is, and nowhere else', (duty, profile) => {
    const { horn, silence } = exampleStation('Example', 'Yard', profile, duty).alarm;
    expect(silence).toBe(horn);
  });
  it.each(all)('%s, %s: its figures are round where it is read', (duty, profile) => {
    const s = exampleStation('Example', 'Yard', profile, duty);
    const system = systemOf(profile);
    const odd = figures(s).flatMap(([path, value]) => {
      const field = fieldOf(path);
      if (field?.kind !== 'figure') return [];
      const text = fieldText({ format: field.format, value }, system);
      // A figure that somebody would write down has three places behind its point at the most.
      // Roughness is a figure of nature, and drills come in sixteenths of an inch.
      if (path.endsWith('roughness') || Math.abs((value / INCH) * 16 - Math.round((value / INCH) * 16)) < 1e-6)
        return [];
      return /\.\d{4,}/.test(text) ? [`${path} ${text}`] : [];
    });
    expect(odd).toEqual([]);
  });
  it('offers another duty’s example while nothing was touched, and not once it was', () => {
    const sump = exampleStation('Sump', 'Yard', 'metric-230', 'empty');
    expect(isUntouched({ ...sump, identity: { ...sump.identity, note: 'by the gate' } })).toBe(true);
    expect(untouchedWithDuty(sump, 'condensate')).toMatchObject({
      duty: { kind: 'condensate' },
      identity: sump.identity,
    });
    // As it comes back from where it is stored, its fields in another order.
    const stored = checkStation(JSON.parse(JSON.stringify(sump)));
    expect(stored.ok && isUntouched(stored.station)).toBe(true);
    const touched: Station = { ...sump, cordRun: 3 };
    expect([isUntouched(touched), untouchedWithDuty(touched, 'fill')]).toEqual([false, null]);
  });
});
