import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { jobCard, jobsFor } from '../jobs';
import { panelOf } from '../schemes';
import { asLeft } from './asLeft';
import type { Decided, ProofEntry } from './entry';
import { asksWiring, leftWires, leftWord, wireName, type LeftWire } from './leftWired';
import { testPlan } from './plan';

const station = demoStations().find((d) => d.file === 'workshop-sump.json')!.station;
const made = panelOf(station);
if (!made.ok) throw new Error('no panel');
const { panel } = made;
const plan = testPlan(station);
const core = panel.cores.find((c) => c.terminal !== null)!;
const other = panel.terminals.find((t) => t.id !== core.terminal)!.id;

const entry = (decided: Decided): ProofEntry => ({
  id: 1,
  stepId: plan.find(asksWiring)!.id,
  enteredAt: '2026-01-01T10:00:00Z',
  by: 'somebody',
  verdict: 'pass',
  found: {},
  decided,
  note: '',
});
const left = (...wires: LeftWire[]) => asLeft(station, plan, [entry(Object.fromEntries(wires.map(leftWord)))]);

describe('wires left otherwise than listed', () => {
  it('are asked once on every card that opens and closes the box', () => {
    let asked = 0;
    for (const { file, station: s } of demoStations().slice(0, 6))
      for (const job of jobsFor(s).filter((j) => j.against === null)) {
        const card = jobCard(s, job.id);
        const asks = card.ok ? card.card.steps.filter(asksWiring).length : 0;
        expect([file, job.id, asks < 2]).toEqual([file, job.id, true]);
        asked += asks;
      }
    expect(asked).toBeGreaterThan(20);
    expect(plan.filter(asksWiring)).toHaveLength(1);
  });
  it('are read back from the words that they are kept in', () => {
    const wires: LeftWire[] = [
      { kind: 'core', core: core.id, to: other },
      { kind: 'core', core: core.id, to: null },
      { kind: 'link', a: 'X1:1', b: 'X1:2', fitted: true },
      { kind: 'link', a: 'X1:1', b: 'X1:2', fitted: false },
    ];
    for (const w of wires) expect(leftWires(Object.fromEntries([leftWord(w)]))).toEqual([w]);
    expect(leftWires({ school: 'a', 'link X1:1': 'fitted' })).toEqual([]);
  });
  it('become landings of the station, said by colour and pin; put back as designed, nothing', () => {
    const moved = left({ kind: 'core', core: core.id, to: other });
    expect(moved.station.landings.cores).toEqual([{ core: core.id, to: other }]);
    expect(moved.wires).toEqual([`${core.colour} of ${core.pin} → ${other}`]);
    expect(left({ kind: 'core', core: core.id, to: null }).wires[0]).toMatch(/→ loose$/);
    const same = left({ kind: 'core', core: core.id, to: core.terminal });
    expect([same.wires, same.station.landings]).toEqual([[], station.landings]);
    const [a, b] = [panel.terminals[0]!.id, panel.terminals[2]!.id];
    expect(left({ kind: 'link', a, b, fitted: true }).station.landings.links).toEqual([{ a, b, fitted: true }]);
  });
  it('that this panel has not change nothing', () => {
    expect(wireName(panel, { kind: 'core', core: 'of another panel', to: other })).toBeNull();
    const stray = left({ kind: 'core', core: core.id, to: 'X9:99' }, { kind: 'core', core: 'none', to: null });
    expect([stray.wires, stray.station.landings]).toEqual([[], station.landings]);
  });
});
