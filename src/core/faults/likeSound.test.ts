import { describe, expect, it } from 'vitest';
import { settle, structureOf, waitingOf, type Settled, type States } from '../circuit';
import { demoStations } from '../demo';
import { randomFrom } from '../numeric';
import { panelOf, type Panel } from '../schemes';
import { wire } from '../wiring';
import { applyFaults, faultsOf } from '.';

/** Every hand and float in some position, drawn at random. */
function someHow({ devices }: Panel, rest: States, random: ReturnType<typeof randomFrom>): States {
  const states: Record<string, string> = { ...rest };
  for (const { tag, positions } of devices)
    if (positions.length > 0 && random.even() < 0.3)
      states[tag] = positions[Math.floor(random.even() * positions.length)]!.state;
  return states;
}

/** The largest difference of two solutions at any node, V, beside the largest voltage of them. */
function apart(one: Settled, other: Settled): number {
  let [most, off] = [1, 0];
  for (const of of ['ac', 'dc'] as const) {
    const [p, q] = [one.solution[of], other.solution[of]];
    if (!p || !q) continue;
    for (const [name, i] of one.solution.structure.nodes) {
      const j = other.solution.structure.nodes.get(name)!;
      most = Math.max(most, Math.abs(p.re[i]!));
      off = Math.max(off, Math.hypot(p.re[i]! - q.re[j]!, p.im[i]! - q.im[j]!));
    }
  }
  return off / most;
}

/*
 * A circuit with a fault in it is laid out as the sound one, and what that one comes to serves where both must come to the same. The same
 * circuit laid out by itself, that knows of no other, is the judge.
 */
describe('a faulted circuit beside the sound one', () => {
  const files = ['underpass-storm-sump.json', 'workshop-header-tank.json', 'rain-cistern.json', 'wash-down-basin.json'];
  it.each(files)('comes to the same as when it stands alone: %s', (file) => {
    const { station } = demoStations().find((d) => d.file === file)!;
    const made = panelOf(station);
    if (!made.ok) throw new Error(file);
    const { panel } = made;
    const sound = wire(station, panel);
    const random = randomFrom(7);
    let like = 0;
    for (const fault of faultsOf(station, panel)) {
      const { netlist, structure, states } = applyFaults(station, panel, sound, [fault]);
      const alone = structureOf(netlist);
      expect(new Set(structure.nodes.keys())).toEqual(new Set(alone.nodes.keys()));
      if (structure.like) like++;
      for (let n = 0; n < 5; n++) {
        const from = n === 0 ? states : someHow(panel, states, random);
        const [one, other] = [settle(structure, from), settle(alone, from)];
        const what = `${fault.id} ${n}`;
        expect(one.states, what).toEqual(other.states);
        expect(one.moves, what).toEqual(other.moves);
        expect(one.chatter, what).toEqual(other.chatter);
        expect(apart(one, other), what).toBeLessThan(1e-7);
        const [due, ought] = [waitingOf(one), waitingOf(other)];
        expect(
          due.map(({ device, to }) => `${device} ${to}`),
          what,
        ).toEqual(ought.map(({ device, to }) => `${device} ${to}`));
      }
    }
    // Held floats, welded contacts and leaks are the sound circuit with other figures.
    expect(like).toBeGreaterThan(5);
  });
});
