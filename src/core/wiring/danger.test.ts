import { describe, expect, it } from 'vitest';
import { conducts, EARTH, potential, read, rms, type Component, type States } from '../circuit';
import { demoStations } from '../demo';
import { panelOf, type Panel } from '../schemes';
import { newStation, type Station } from '../station';
import { inputsToTry } from './inputsToTry';
import { panelSolver, wire, type Wired } from '.';

/*
 * What is said of a voltage is held against a judgement of its own: a conductor is live in earnest where there is a way from a source to it
 * through what conducts, and a voltage to earth there that hurts a wet hand.
 */

const HURTS = 25;
/** What lets less through than this is no way from a source, Ω. */
const WAY = 30_000;

const built = (s: Station): Panel => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(s.identity.name);
  return made.panel;
};

const ohms = (part: Component): number =>
  part.kind === 'impedance'
    ? Math.hypot(part.r, 314 * (part.l ?? 0))
    : part.kind === 'capacitor'
      ? 1 / (314 * part.c)
      : 0;

/** Nodes to which there is a way from a source other than through the earth. */
function reached({ netlist }: Wired, states: States): Set<string> {
  const found = new Set(netlist.components.flatMap((p) => (p.kind === 'source' ? [p.a, p.b] : [])));
  found.delete(EARTH);
  for (let more = true; more;) {
    more = false;
    for (const p of netlist.components) {
      if (!conducts(p, states) || ohms(p) > WAY) continue;
      const ends = p.kind === 'transformer' ? [p.a, p.b, p.c, p.d] : [p.a, p.b];
      if (!ends.some((e) => found.has(e))) continue;
      for (const e of ends) if (e !== EARTH && !found.has(e)) [more] = [true, found.add(e)];
    }
  }
  return found;
}

const stations = [
  ...demoStations().map((d) => d.station),
  ...['cord', 'relay', 'contactor'].map((scheme): Station => {
    const s = newStation(scheme, 'yard', 'us-120');
    return { ...s, control: { ...s.control, scheme } };
  }),
].filter((s) => panelOf(s).ok);

describe('a conductor that is live in earnest is never called a ghost, open, or near zero', () => {
  it.each(stations.map((s) => [s.identity.name, s] as const))(
    '%s, every terminal with every input',
    { timeout: 60_000 },
    (_, station) => {
      const wired = wire(station, built(station));
      const solve = panelSolver(wired);
      const nodes = [...new Set(wired.points.values())].filter((n) => n !== EARTH);
      let asked = 0;
      for (const inputs of inputsToTry(wired.panel)) {
        const { states, solution } = solve(inputs);
        const ways = reached(wired, states);
        for (const node of nodes) {
          const [ac, dc] = [potential(solution, node, 'ac'), potential(solution, node, 'dc')];
          if (!ways.has(node) || rms(ac, dc) < HURTS) continue;
          asked++;
          for (const mode of ['ac-volts', 'low-z-volts'] as const) {
            const reading = read(wired.structure, states, node, EARTH, mode);
            if (!reading.ok || reading.unit !== 'V') throw new Error('volts are always read');
            expect([node, mode, reading.state]).toEqual([node, mode, 'steady']);
            expect(reading.value).toBeGreaterThan(0.9 * HURTS);
            expect(reading.toEarth[0]).toBeGreaterThan(HURTS);
          }
          // No resistance is read there, and a mode that is blind to it does not say that there is none.
          expect(read(wired.structure, states, node, EARTH, 'continuity')).toMatchObject({ ok: false, reason: 'live' });
          expect(read(wired.structure, states, node, EARTH, 'dc-volts')).toMatchObject({ ok: true });
          const direct = read(wired.structure, states, node, EARTH, 'dc-volts');
          expect(direct.ok && ['blind', 'steady'].includes(direct.state)).toBe(true);
        }
      }
      expect(asked).toBeGreaterThan(50);
    },
  );
});
