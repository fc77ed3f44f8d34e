import { expect, describe, it, vi } from 'vitest';
import { withPumpCount } from '../editing';
import { faultsOf } from '../faults';
import { sheetsOf, ladderScene } from '../papers';
import { readyScenarios, rehearse, type Scenario } from '../rehearsal';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import {
  asLanded,
  cableList,
  cautions,
  controlFigures,
  expectedReadings,
  partsList,
  solveWith,
  supplyFigures,
  wire,
  wireList,
} from '../wiring';
import { leaves, panelOf } from './index';
import type { Scheme } from './scheme';

vi.mock('./table', async (original) => {
  const [{ SCHEMES }, { twins }] = [
    (await original()) as { SCHEMES: readonly Scheme[] },
    await import('./twins.fixture'),
  ];
  return { SCHEMES: [...SCHEMES, twins] };
});

const station: Station = (() => {
  const s = withPumpCount(newStation('Twin pit', 'Yard', 'metric-230'), 2);
  return { ...s, control: { ...s.control, scheme: 'twins' }, alarm: { ...s.alarm, horn: true, remoteContact: true } };
})();
const made = panelOf(station);
if (!made.ok) throw new Error(made.reasons.map((r) => sayPhrase(r, 'metric')).join('; '));
const { panel } = made;
const wired = wire(station, panel);
const sentences = (scenario: Scenario): string[] => {
  const r = rehearse(station, scenario);
  if (!r.ok) throw new Error(JSON.stringify(r.problems));
  return r.run.events.map((e) => sayPhrase(e.sentence, 'metric'));
};

describe('a scheme that nobody knows', () => {
  it('can fail in every part that it has', () => {
    const label = faultsOf(station, panel).map((f) => f.label);
    expect(label).toEqual(
      expect.arrayContaining([
        'B10 welded (runs pump 1)',
        'B20 welded (runs pump 2)',
        'coil of Q77 open (both are called)',
        'H1 left in Hand',
        'H2 left in Off',
        'pump 1: overload tripped',
        'pump 2: seized',
        'pump float: stuck up',
        'F1 fuse blown (guards the control circuit)',
        'horn dead',
        'dialler: its loop is broken',
        'polarity reversed: line and neutral of the feeder changed',
      ]),
    );
    const silent = panel.devices.filter((d) => !['bar', 'button', 'reset', 'meter'].includes(d.function));
    const failing = new Set(faultsOf(station, panel).map((f) => f.part));
    expect(silent.filter((d) => !failing.has(d.tag) && d.function !== 'overload').map((d) => d.tag)).toEqual([]);
    expect(new Set(faultsOf(station, panel).map((f) => f.id)).size).toBe(label.length);
  });

  it('has its cautions: two supplies, a loop of others, and what each part keeps', () => {
    const label = cautions(station, panel).map((c) => c.sentence);
    expect(label.filter((s) => s.includes('keeps a charge'))).toEqual([
      expect.stringContaining('capacitor'),
      'Z1 keeps a charge: wait five minutes.',
    ]);
    expect(label).toContainEqual(
      expect.stringMatching(/^More than one supply in one box: .* the alarm’s supply, dry contact for dialler live/),
    );
  });

  it('is checked: both pumps on the feeder, each contact and supply', () => {
    const amps = station.pumps.reduce((sum, p) => sum + p.ratedCurrent, 0);
    expect(supplyFigures(station).find((c) => c.id === 'feeder-carries')!.needs!.value).toBeCloseTo(amps, 9);
    expect(controlFigures(station, wired).map((c) => c.id)).toEqual(
      expect.arrayContaining(['contact-pump', 'contact-alarm', 'budget-G2']),
    );
  });

  it('stands with both pumps by its float, and label what a loose core does', () => {
    const on = (tag: string) => solveWith(wired, { 'S-pump': 'up' }).states[tag];
    expect([on('B10'), on('B20')]).toEqual(['on', 'on']);
    const core = panel.cores.find((c) => c.pin === 'S-pump:NO')!;
    const { effects } = asLanded({ ...station, landings: { cores: [{ core: core.id, to: null }], links: [] } }, panel);
    expect(effects.map((e) => e.sentence)).toEqual(['pump 1 never runs', 'pump 2 never runs']);
  });

  it('is listed and drawn to the last part', () => {
    const wires = wireList(station, wired);
    const ends = new Set(wires.flatMap((w) => [w.from, w.to]));
    expect(Object.keys(panel.pinNets).filter((pin) => !ends.has(pin))).toEqual([]);
    expect(wires.filter((w) => w.number === 'L1' && w.where === 'panel').map((w) => w.colour)).toContain('brown');
    expect(cableList(station, wired).map((c) => c.to)).toEqual(
      expect.arrayContaining(['W0', 'M1', 'M2', 'S-pump', 'S-alarm', 'P9']),
    );
    expect(partsList(station, wired).find((p) => p.description.startsWith('contactor'))).toMatchObject({
      quantity: 2,
      tags: ['B10', 'B20'],
    });
    const sheets = sheetsOf(panel).filter((s) => s.id !== 'all');
    expect(sheets.flatMap((s) => s.rungs)).toHaveLength(panel.rungs.length);
    const drawn = sheets.flatMap((s) => ladderScene(panel, s.rungs, 900).leaves.map((l) => l.id));
    expect(new Set(drawn)).toEqual(new Set(panel.rungs.flatMap((r) => leaves(r.tree))));
  });

  it('tells what a meter reads at its inputs', () => {
    const float = expectedReadings(wired).find((r) => r.device === 'S-pump')!;
    expect(float.rest).toMatchObject({ ok: true });
    expect(float.rest.ok && float.rest.value).toBeCloseTo(230, -1);
    expect(float.worked.ok && float.worked.value).toBeLessThan(1);
  });

  it('is rehearsed: both start with the float; a welded contactor runs one of them dry', () => {
    const ready = readyScenarios(station);
    expect(ready.map((s) => s.name)).toContain('the first pump is seized at peak');
    const day = ready.find((s) => s.name === 'an ordinary day')!;
    expect(sentences(day).filter((s) => /^pump [12] starts: pump float lifted/.test(s)).length).toBeGreaterThan(1);
    const welded = sentences({ ...day, faults: [{ from: 3600, to: null, id: 'B20-stuck' }] });
    expect(welded).toContainEqual(expect.stringMatching(/^pump 2 draws air/));
    expect(welded.some((s) => s.startsWith('pump 1 draws air'))).toBe(false);
    const seized = sentences({ ...day, faults: [{ from: 0, to: null, id: 'M2-seized' }] });
    expect(seized).toContainEqual(
      expect.stringMatching(/^(F12|Q2) \(guards pump 2\) opens: pump 2 stood under voltage$/),
    );
    const cut = sentences({ ...day, powerCuts: [{ from: 3600, to: 7200 }] });
    expect(cut).toEqual(expect.arrayContaining(['power fails', 'power is back']));
  });
});
