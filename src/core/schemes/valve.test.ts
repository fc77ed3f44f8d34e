import { describe, expect, it } from 'vitest';
import { clamp } from '../circuit';
import { demoStations } from '../demo';
import { USUAL_VALVE, type Valve } from '../duties';
import { applyFaults, faultsOf } from '../faults';
import { readyScenarios, rehearse } from '../rehearsal';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { asLanded, cautions, controlFigures, happens, partsList, solveWith, wire, wireList } from '../wiring';
import { FLOAT, standing, table, up } from './truth.fixture';
import { panelOf } from '.';

/*
 * A tank that is filled through a valve: written down from what such valves do.
 */

const header = demoStations().find((d) => d.file === 'workshop-header-tank.json')!.station;

function filled(scheme: string, valve: Partial<Valve> = {}, options: Record<string, string> = {}): Station {
  if (header.duty.kind !== 'fill') throw new Error('the header tank is not filled');
  return {
    ...header,
    duty: { ...header.duty, from: { ...USUAL_VALVE, flow: 5e-4, ...valve } },
    sensors: header.sensors.map((s) => (scheme === 'cord' && s.role === 'pump' ? { ...s, contactRating: 8 } : s)),
    control: { ...header.control, scheme, options },
    interlocks: [],
  };
}
const panel = (s: Station) => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(made.reasons.map((r) => sayPhrase(r, 'metric')).join('; '));
  return made.panel;
};
const faulted = (s: Station, id: string) =>
  applyFaults(s, panel(s), wire(s, panel(s)), [faultsOf(s, panel(s)).find((f) => f.id === id)!]);

describe.each([
  ['cord', { join: 'box' }],
  ['relay', { switch: 'relay' }],
  ['relay', { switch: 'ssr' }],
  ['contactor', {}],
] as const)('a valve by %s %j', (scheme, options) => {
  it.each(['solenoid', 'motorised'] as const)('%s, closing without power: open while the tank calls', (drive) => {
    table(filled(scheme, { drive }, options), { 'S-pump': FLOAT, 'S-alarm': FLOAT, 'S-low': FLOAT }, (p) => ({
      Y1: !up(p, 'pump'),
      // A plain cord has no relay for its low float.
      horn: up(p, 'alarm') || (scheme !== 'cord' && !up(p, 'low')),
    }));
    const p = standing(filled(scheme, { drive }, options));
    expect([p.put({}).Y1, p.put({ W0: 'cut' }).Y1]).toEqual([true, false]);
  });
  it('has no motor in it: not drawn, not listed, no capacitor to beware of; its own wires are', () => {
    const s = filled(scheme, {}, options);
    const wired = wire(s, panel(s));
    expect(wired.panel.devices.filter((d) => d.function === 'motor' || d.function === 'overload')).toEqual([]);
    expect(partsList(s, wired).map((l) => l.description)).toContain('solenoid valve, 12 W, closes without power');
    expect(wireList(s, wired).filter((w) => w.to.startsWith('Y1:'))).toHaveLength(3);
    expect(
      cautions(s, wired.panel)
        .map((c) => c.sentence)
        .join(),
    ).not.toMatch(/capacitor/);
  });
});

describe('a valve that opens without power', () => {
  it('is held shut by a contact that opens on the call; a power cut opens it, and that is told', () => {
    const s = filled('contactor', { rests: 'open' });
    table(s, { 'S-pump': FLOAT }, (p) => ({ Y1: !up(p, 'pump') }));
    const p = standing(s);
    expect(p.put({ 'S-pump': 'up' }).Y1).toBe(false);
    expect(p.put({ W0: 'cut' }).Y1).toBe(true);
    const told = (x: Station) => controlFigures(x, wire(x, panel(x))).find((c) => c.id === 'valve-cut')!;
    expect(told(s)).toMatchObject({ state: 'broken', title: 'a power cut opens the valve: the tank runs over' });
    expect(told(filled('contactor'))).toMatchObject({ state: 'note', title: 'a power cut shuts the valve' });
  });
  it('cannot be worked where only a contact closes on the call', () => {
    for (const [scheme, options] of [
      ['cord', {}],
      ['relay', { switch: 'ssr' }],
    ] as const)
      expect(panelOf(filled(scheme, { rests: 'open' }, options)).ok).toBe(false);
  });
  it('is no motor: drive, duplex and bells say so', () => {
    const made = panelOf(filled('drive'));
    expect(made.ok ? '' : made.reasons.map((r) => sayPhrase(r, 'metric')).join()).toMatch(/filled through a valve/);
  });
});

describe('a second float that stops the filling', () => {
  const second = (scheme: string, contact: 'opens-on-rise' | 'closes-on-rise'): Station => {
    const s = filled(scheme);
    const alarm = s.sensors.find((x) => x.role === 'alarm')!;
    return { ...s, sensors: [...s.sensors, { ...alarm, id: 'second', role: 'cutoff', contact, changeover: false }] };
  };
  it.each([
    ['relay', 'opens-on-rise'],
    ['contactor', 'opens-on-rise'],
    ['contactor', 'closes-on-rise'],
  ] as const)('in series by %s, with a contact that %s', (scheme, contact) => {
    const s = second(scheme, contact);
    table(s, { 'S-pump': FLOAT, 'S-second': FLOAT }, (p) => ({ Y1: !up(p, 'pump') && !up(p, 'second') }));
    const wired = faulted(s, 'pump-stuck-down');
    const open = wired.panel.outcomes.find((o) => o.id === 'Y1')!;
    expect(happens(solveWith(wired, { 'S-second': 'up' }), open)).toBe(false);
  });
  it('has no place in a cord', () => expect(panelOf(second('cord', 'opens-on-rise')).ok).toBe(false));
});

describe('what becomes of it', () => {
  const s = filled('contactor');
  const amps = (wired: ReturnType<typeof wire>, inputs = {}) => {
    const reading = clamp(solveWith(wired, inputs).solution, [wired.panel.cores.find((c) => c.pin === 'Y1:1')!.id]);
    return reading.ok ? reading.value : NaN;
  };
  it('12 W at a power factor of 0.4 are 0.13 A held, and three times that while its core is away', () => {
    expect(amps(wire(s, panel(s)))).toBeCloseTo(12 / 0.4 / 230, 2);
    expect(amps(faulted(s, 'Y1-shut')) / amps(wire(s, panel(s)))).toBeCloseTo(3, 1);
    expect(amps(faulted(s, 'Y1-coil'))).toBeLessThan(0.001);
  });
  it.each([
    ['Y1-coil', {}, false],
    ['Y1-shut', {}, false],
    ['Y1-open', { 'S-pump': 'up' }, true],
  ] as const)('%s in %j', (id, inputs, open) => {
    const wired = faulted(s, id);
    const held = { ...inputs };
    expect(
      happens(
        solveWith(wired, held),
        wired.panel.outcomes.find((o) => o.id === 'Y1')!,
      ),
    ).toBe(open);
  });
  it('is rehearsed: it fills while it is open, stuck open the tank runs over, without pressure nothing comes', () => {
    const day = readyScenarios(s).find((x) => x.name === 'a week at design inflow')!;
    const run = (id?: string) => {
      const made = rehearse(s, { ...day, duration: 86400, faults: id ? [{ from: 0, to: null, id }] : [] });
      if (!made.ok) throw new Error('it cannot be rehearsed');
      return made.run;
    };
    expect(run().balance.pumped).toBeGreaterThan(0);
    expect(run().balance.overflow).toBe(0);
    expect(run('Y1-open').balance.overflow).toBeGreaterThan(0);
    expect(run('Y1-pressure').balance.pumped).toBe(0);
  });
  it('needs its pressure, told as a figure', () => {
    const low = filled('contactor', { needs: 50e3, has: 20e3 });
    expect(controlFigures(low, wire(low, panel(low))).find((c) => c.id === 'valve-pressure')!.state).toBe('broken');
  });
  it('landed wrong: line and neutral of its cable changed does nothing, its line loose never opens it', () => {
    const core = (pin: string) => panel(s).cores.find((c) => c.pin === pin)!;
    const told = (cores: Station['landings']['cores']) =>
      asLanded({ ...s, landings: { cores, links: [] } }, panel(s)).effects.map((e) => e.sentence);
    expect(told([{ core: core('Y1:1').id, to: null }])).toContain('the valve never opens: the tank is not filled');
    expect(
      told([
        { core: core('Y1:1').id, to: core('Y1:2').terminal },
        { core: core('Y1:2').id, to: core('Y1:1').terminal },
      ]),
    ).toEqual([]);
  });
});
