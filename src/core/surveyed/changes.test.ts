import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { setAt } from '../editing';
import { newStation, type DocumentPath, type Station } from '../station';
import { sayPhrase } from '../units';
import { changesBetween } from './changes';
import { withConfirmed } from './standing';

const sump = newStation('Sump', 'Yard', 'metric-230');
const said = (before: Station, after: Station) =>
  changesBetween(before, after).map((c) => [c.path, sayPhrase(c.sentence, 'metric')]);
const put = (path: string, value: unknown) => setAt(sump, path as DocumentPath, value);

describe('what changed between two documents', () => {
  it('is nothing between equal ones, nor by a figure that was confirmed as it stood', () => {
    for (const { station } of demoStations()) expect(changesBetween(station, structuredClone(station))).toEqual([]);
    expect(
      changesBetween(
        sump,
        withConfirmed(sump, () => true),
      ),
    ).toEqual([]);
  });
  it('is said in the words of the trade: heights, choices, settings, lists, sensors by their id', () => {
    expect(said(sump, put('vessel.overflow', 1.1))).toEqual([['vessel.overflow', 'overflow: 1150 mm → 1100 mm']]);
    expect(said(sump, put('sensors.0.clip', 0.52))).toEqual([
      ['sensors.0.clip', expect.stringMatching(/^pump float: .* → 520 mm$/)],
    ]);
    expect(said(sump, put('settings.submergence', 'volute'))).toEqual([
      ['settings.submergence', 'submergence at the stop: the motor → the volute'],
    ]);
    expect(said(sump, put('pumps.0.curve', sump.pumps[0]!.curve.slice(1)))).toEqual([
      ['pumps.0.curve', expect.stringMatching(/changed$/)],
    ]);
    expect(said(sump, put('landings', { cores: [{ core: 'x', to: null }], links: [] }))).toEqual([
      ['landings', 'how cores and links are landed: changed'],
    ]);
    // The list turned round is the same sensors; one taken out is one change.
    expect(changesBetween(sump, { ...sump, sensors: sump.sensors.toReversed() })).toEqual([]);
    expect(said(sump, { ...sump, sensors: sump.sensors.slice(0, 1) })).toEqual([
      ['sensors.1', 'alarm float: taken out'],
    ]);
  });
  it('finds every change of a figure anywhere in every demo station, and only that', () => {
    let asked = 0;
    for (const { station } of demoStations()) {
      const walk = (node: unknown, path: string): void => {
        if (typeof node === 'number' && !/^(version|surveyed)/.test(path)) {
          const after = setAt(station, path as DocumentPath, node + 1);
          const changes = changesBetween(station, after);
          asked++;
          expect([path, changes.length]).toEqual([path, 1]);
          expect(path.startsWith(changes[0]!.path)).toBe(true);
        } else if (typeof node === 'object' && node !== null)
          for (const [k, v] of Object.entries(node)) walk(v, path ? `${path}.${k}` : k);
      };
      walk(station, '');
    }
    expect(asked).toBeGreaterThan(1000);
  });
});
