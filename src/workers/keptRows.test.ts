import 'fake-indexeddb/auto';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { demoStations } from '@/core/demo';
import type { Station } from '@/core/station';
import { askingOf, nothingTold, rowsOf, think, tracingOf, type Rows, type Told } from '@/core/trace';
import { forgetRows, keepRows, keptRows } from './keptRows';

const { station } = demoStations().find((d) => d.file === 'cold-store-condensate.json')!;
const named = (n: number): Station => ({ ...station, identity: { ...station.identity, name: `Pit ${n}` } });

let rows: Rows = [];
beforeAll(() => {
  const made = askingOf(station);
  if (!made.ok) throw new Error('not asked');
  rows = rowsOf(made.asking, 0, 1);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe('what suspects would show, kept on a device', () => {
  it('is there again, and Trace thinks the same by it as when it asks', async () => {
    await keepRows(station, rows, 'one');
    const kept = (await keptRows(station, 'one'))!;
    expect(kept).toEqual(rows);
    const told: Told = {
      ...nothingTold({ name: station.identity.name, site: station.identity.site, revision: 1 }),
      setting: 'called',
      evidence: [{ kind: 'symptom', symptom: 'never-starts', shown: true }],
    };
    const [asked, by] = [tracingOf(station), tracingOf(station, undefined, undefined, kept)];
    if (!asked.ok || !by.ok) throw new Error('not traced');
    const [first, second] = [think(asked.tracing, told), think(by.tracing, told)];
    expect(second.bars).toEqual(first.bars);
    expect(second.bars.length).toBeGreaterThan(3);
  });

  it('is not taken for another document, nor for another program; landings are suspects themselves', async () => {
    await keepRows(station, rows, 'one');
    expect(await keptRows({ ...station, settings: { ...station.settings, hoseFlow: 1e-3 } }, 'one')).toBeNull();
    expect(await keptRows(station, 'two')).toBeNull();
    const core = { core: 'any', to: null };
    expect(await keptRows({ ...station, landings: { cores: [core], links: [] } }, 'one')).toEqual(rows);
  });

  it('is what was made last of a station; a program that is being developed keeps nothing', async () => {
    await keepRows(named(1), rows, 'one');
    await keepRows(named(1), rows.slice(1), 'two');
    expect([await keptRows(named(1), 'one'), await keptRows(named(1), 'two')]).toEqual([null, rows.slice(1)]);
    await keepRows(named(2), rows, '');
    expect([await keptRows(named(2), ''), await keptRows(named(2), 'one')]).toEqual([null, null]);
  });

  it('drops the stations that were asked longest ago', async () => {
    vi.spyOn(Date, 'now').mockImplementation(() => ++now);
    let now = 1e15;
    for (let n = 0; n < 41; n++) await keepRows(named(n), [], 'one');
    const there = await Promise.all([0, 1, 40].map((n) => keptRows(named(n), 'one')));
    expect(there).toEqual([null, [], []]);
  });

  it('is off the device when whoever worked there signs out', async () => {
    await keepRows(station, rows, 'one');
    await forgetRows();
    expect(await keptRows(station, 'one')).toBeNull();
  });

  it('is asked anew where the browser keeps nothing', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('forbidden', 'SecurityError');
      },
    });
    await keepRows(station, rows, 'one');
    expect(await keptRows(station, 'one')).toBeNull();
    await forgetRows();
  });
});
