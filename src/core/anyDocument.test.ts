import { describe, expect, it } from 'vitest';
import { anyDocument, wrong } from './anyDocument.fixture';
import { demoStations } from './demo';
import { setAt } from './editing';
import { checkStation, type DocumentPath, type Station } from './station';

/** How many documents each question is asked of here; `npm run torment -- documents 10000` asks more. */
const ASKED: Readonly<Record<string, number>> = {
  judge: 300,
  plan: 300,
  gauge: 100,
  card: 100,
  drawing: 150,
  panel: 120,
  day: 100,
  dependence: 30,
  proposals: 4,
};

describe('any document that the check lets pass', () => {
  it.each(Object.entries(ASKED))('is answered: %s, %i of them', (question, many) => {
    const said = Array.from({ length: many }, (_, i) => i + 1).flatMap((seed) => {
      const says = wrong(anyDocument(seed), question);
      return says === null ? [] : [`${seed}: ${says}`];
    });
    expect(said).toEqual([]);
  });
  it('is one: the check takes what was made, and most of it is no demo station any more', () => {
    const plain = new Set(demoStations().map((d) => JSON.stringify(d.station)));
    const made = Array.from({ length: 60 }, (_, i) => anyDocument(i + 1));
    for (const s of made) expect(checkStation(s).ok).toBe(true);
    expect(made.filter((s) => !plain.has(JSON.stringify(s))).length).toBeGreaterThan(50);
  });

  const underpass = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;
  const but = (path: string, value: unknown, of: Station = underpass) => setAt(of, path as DocumentPath, value);
  it.each([
    ['an outlet so low that one pump runs out where the next is called', but('discharge.outlet', 2.8)],
    ['a pump that runs out with the water at the alarm', anyDocument(345)],
    ['a pump that runs out there, in another unit', anyDocument(1896)],
  ])('%s: everything is answered', (_, station) => {
    expect(checkStation(station).ok).toBe(true);
    for (const question of ['judge', 'plan', 'gauge', 'card', 'drawing', 'day'])
      expect(wrong(station, question)).toBeNull();
  });
});
