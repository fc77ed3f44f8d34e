import { describe, expect, it } from 'vitest';
import { EARTH, potential, read, rms } from '../circuit';
import { demoStations } from '../demo';
import { panelOf, type Panel } from '../schemes';
import { newStation, type Station } from '../station';
import { inputsToTry } from './inputsToTry';
import { judgeOf, miswiringsOf, panelsToTry, reached, told } from './miswiring.fixture';
import { asLanded, panelSolver, wire } from '.';

/*
 * What is said of a voltage is held against a judgement of its own: a conductor is live in earnest where there is a way from a source to it
 * through what conducts, and a voltage to earth there that hurts a wet hand.
 */

const HURTS = 25;
const built = (s: Station): Panel => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(s.identity.name);
  return made.panel;
};

const stations = [
  ...demoStations().map((d) => d.station),
  ...['cord', 'relay', 'contactor'].map((scheme): Station => {
    const s = newStation(scheme, 'yard', 'us-120');
    return { ...s, control: { ...s.control, scheme } };
  }),
].filter((s) => panelOf(s).ok);

describe('a conductor that is live in earnest is never called a ghost, open, or near zero', () => {
  it.each(stations.map((s) => [s.identity.name, s] as const))('%s, every terminal with every input', (_, station) => {
    const wired = wire(station, built(station));
    const solve = panelSolver(wired);
    const nodes = [...new Set(wired.points.values())].filter((n) => n !== EARTH);
    let asked = 0;
    const stood = new Set<string>();
    for (const inputs of inputsToTry(wired.panel)) {
      const { states, solution } = solve(inputs);
      // Inputs that come to the same states read the same.
      if (stood.has(Object.values(states).join())) continue;
      stood.add(Object.values(states).join());
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
        const direct = read(wired.structure, states, node, EARTH, 'dc-volts');
        expect(direct.ok && ['blind', 'steady'].includes(direct.state)).toBe(true);
      }
    }
    expect(asked).toBeGreaterThan(50);
  });
});

describe('wrong landings are told as what they are', () => {
  it('a sample of all single and paired ones, on every demo station with every scheme: no danger goes untold', () => {
    const EVERY = 61;
    let n = 0;
    const [alike, unlike]: [string[], string[]] = [[], []];
    for (const { station, panel, name } of panelsToTry()) {
      const judge = judgeOf(station, panel);
      for (const { what, landings } of miswiringsOf(panel)) {
        if (n++ % EVERY !== 0) continue;
        const [is, says] = [judge(landings), told(station, panel, landings)];
        (is === says ? alike : unlike).push(`${name}: ${what}: is ${is}, told as ${says}`);
      }
    }
    expect(alike.length).toBeGreaterThan(150);
    expect(unlike.filter((w) => w.includes('is danger'))).toEqual([]);
    expect(alike.length / (alike.length + unlike.length)).toBeGreaterThanOrEqual(0.98);
  });
});

const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
const effects = (s: Station, cores: Station['landings']['cores'], links: Station['landings']['links'] = []) =>
  asLanded({ ...s, landings: { cores, links } }, built(s)).effects.map((e) => `${e.severity}: ${e.sentence}`);

describe('danger is told first, with what carries it', () => {
  const tank = demo('workshop-header-tank.json');
  const sump = demo('workshop-sump.json');
  const pump = (s: Station, pin: string) => built(s).cores.find((c) => c.pin === pin)!;
  it('mains on the extra-low-voltage control', () => {
    const at = built(tank).terminals.find((t) => t.id === 'X2:4')!;
    const [first] = effects(tank, [{ core: pump(tank, 'W0:L1').id, to: at.id }]);
    expect(first).toMatch(
      /^danger: (all that is earthed|mains on an extra-low-voltage circuit).*\d+ V to earth, by the .* core of the cable that .*L1, on X2:4$/,
    );
  });
  it('mains in the cord of a float that works at extra-low voltage, though no terminal of that circuit carries it', () => {
    const spare = built(tank).cores.find((c) => c.pin === 'S-pump:NO')!;
    expect(spare.terminal).toBeNull();
    expect(effects(tank, [{ core: spare.id, to: pump(tank, 'W0:L1').terminal }]).join('\n')).toMatch(
      /danger: mains in an extra-low-voltage cord \(cord of the pump float\): its .* core carries 2[23]\d V to earth/,
    );
  });
  it('line and earth changed at the pump: its frame, and the water, before that it does not run', () => {
    const [line, earth] = [pump(sump, 'M1:U'), pump(sump, 'M1:PE')];
    const told = effects(sump, [
      { core: line.id, to: earth.terminal },
      { core: earth.id, to: line.terminal },
    ]);
    expect(told[0]).toMatch(
      /^danger: the frame of pump 1, and the water that it stands in, is live: 2\d\d V to earth, by the green-yellow core to pump 1, PE, on /,
    );
    expect(told.findIndex((t) => t.startsWith('fault'))).toBeGreaterThan(0);
  });
  it('line joined to neutral ahead of all that could open: a short, in amperes', () => {
    const core = (pin: string) => pump(sump, pin).terminal!;
    const told = effects(sump, [], [{ a: core('W0:L1'), b: core('W0:N'), fitted: true }]);
    // 230 V over the loop of the supply and its feeder.
    expect(told.join('\n')).toMatch(
      /danger: a short circuit stands and nothing in this panel opens: \d{3} A from W0, by the link from /,
    );
  });
  it('a phase where the neutral belongs: what is made for 230 V gets 400 V', () => {
    const s = demo('underpass-storm-sump.json');
    const [neutral, phase] = [pump(s, 'W0:N'), pump(s, 'W0:L3')];
    const told = effects(s, [
      { core: neutral.id, to: phase.terminal },
      { core: phase.id, to: neutral.terminal },
    ]);
    expect(told.join('\n')).toMatch(/gets (39|40)\d V and is made for 23\d V: it burns, by the (grey|blue) core/);
  });
  it('phases changed: it turns backwards, which no voltage tells; a phase missing: it hums, and something opens', () => {
    const s = demo('underpass-storm-sump.json');
    const [u, v, w] = ['M1:U', 'M1:V', 'M1:W'].map((p) => pump(s, p));
    const changed = effects(s, [
      { core: u!.id, to: v!.terminal },
      { core: v!.id, to: u!.terminal },
    ]);
    expect(changed).toEqual([expect.stringMatching(/^fault: pump 1 turns backwards: two of its phases are changed/)]);
    const loose = effects(s, [{ core: w!.id, to: null }]);
    expect(loose.join('\n')).toMatch(/danger: pump 1 hums, does not begin to turn, and overheats/);
    expect(loose.join('\n')).toMatch(/F11 opens \(guards pump 1\): too much current flows/);
  });
  it('a neutral that is not brought back is live through what hangs on it, and is not called switched', () => {
    const told = effects(sump, [{ core: pump(sump, 'W9:N').id, to: null }]);
    expect(told[0]).toMatch(
      /^danger: the neutral at X3:2 is live: 23\d V to earth, through what hangs on it: its way back is not there/,
    );
    expect(told.join()).not.toMatch(/switch the neutral/);
  });
  it('what a timer starts is tried with its time run out', () => {
    const s = demo('sand-bed-dosing-tank.json');
    const { effects: told } = asLanded(
      { ...s, landings: { cores: [{ core: pump(s, 'M1:U').id, to: null }], links: [] } },
      built(s),
    );
    // By its floats alone the doser only rests at first: that it never runs shows when the rest is over.
    expect(told.map((e) => `${e.severity}: ${e.sentence}`)).toContain('fault: pump 1 never runs');
  });
  it('an external fault that opens is no overcurrent', () => {
    const s = demo('rain-cistern.json');
    const told = effects(s, [{ core: pump(s, 'S-low:C').id, to: null }]).join('\n');
    expect(told).not.toMatch(/too much current/);
  });
});
