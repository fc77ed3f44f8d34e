import { describe, expect, it } from 'vitest';
import { withDuty, withDutyChoice, withPumpCount, withRole } from '../../editing';
import { newStation, type Station } from '../../station';
import { compileScenario } from '../compile';
import { plain } from '../ready';
import type { Scenario } from '../scenario';
import { prepare } from '../faultedModel';
import { advance, beginning, type Passed } from './index';

const RUN_ON = 6;

/** A tank that two pumps fill, each with its selector, and whose water runs on for a while. */
const tank: Station = (() => {
  const s = withDutyChoice(
    withDuty(withPumpCount(newStation('Tank', 'Yard', 'metric-230'), 2), 'fill'),
    'from',
    'pump',
  );
  const lagged = withRole(s, 'lag', true, 'metric');
  if (lagged.duty.kind !== 'fill') throw new Error('not filled');
  return {
    ...lagged,
    duty: { ...lagged.duty, runOn: RUN_ON },
    control: { ...lagged.control, scheme: 'duplex', floats: 'four' },
  };
})();

/** What passed at each moment, s: pumps that move water and how fast the tank fills, m³/s. */
function passed(operations: Scenario['operations'], length: number) {
  const prepared = prepare(tank);
  if (!prepared.ok) throw new Error(JSON.stringify(prepared.reasons));
  const scenario = plain(
    'run-on',
    tank,
    length,
    { kind: 'level', which: 'low', scale: 0 },
    { startLevel: 0.3, operations },
  );
  const compiled = compileScenario(prepared.prepared, scenario);
  if (!compiled.ok) throw new Error(compiled.problems.join());
  const list: Pick<Passed, 'from' | 'to' | 'v0' | 'v1'>[] = [];
  advance(compiled.compiled, beginning(compiled.compiled), length, {
    passed: ({ from, to, v0, v1 }) => list.push({ from, to, v0, v1 }),
  });
  const both = prepared.prepared.withFaults([]).delivery(0b11);
  return {
    /** Mean rate between two times, from stretches that end there. */
    rate(from: number, to: number): number {
      const within = list.filter((p) => p.from >= from - 1e-9 && p.to <= to + 1e-9);
      const water = within.reduce((sum, p) => sum + p.v1 - p.v0, 0);
      return water / (to - from);
    },
    both: both.flows[0]!,
    one: prepared.prepared.withFaults([]).delivery(0b01).flows[0]!,
  };
}

describe('the water that runs on when a filling pump stops', () => {
  const [first, second] = [100, 103];
  const run = passed(
    [
      { at: 0, device: 'S11', position: 'hand' },
      { at: 0, device: 'S12', position: 'hand' },
      { at: first, device: 'S11', position: 'off' },
      { at: second, device: 'S12', position: 'off' },
    ],
    130,
  );
  it('is that of both while both are held to their own time', () => {
    expect(run.rate(first, second)).toBeCloseTo(run.both, 6);
    expect(run.rate(second, first + RUN_ON)).toBeCloseTo(run.both, 6);
  });
  it('ends for each after its own stop: a second pump that stops does not prolong the first', () => {
    expect(run.rate(first + RUN_ON, second + RUN_ON)).toBeCloseTo(run.one, 6);
    expect(run.one).toBeLessThan(run.both * 0.9);
    expect(run.rate(second + RUN_ON, 130)).toBe(0);
  });
  it('begins anew where a pump starts within it and stops again', () => {
    const again = passed(
      [
        { at: 0, device: 'S11', position: 'hand' },
        { at: 0, device: 'S12', position: 'off' },
        { at: 100, device: 'S11', position: 'off' },
        { at: 102, device: 'S11', position: 'hand' },
        { at: 104, device: 'S11', position: 'off' },
      ],
      130,
    );
    expect(again.rate(104, 104 + RUN_ON)).toBeCloseTo(again.one, 6);
    expect(again.rate(104 + RUN_ON, 130)).toBe(0);
  });
});
