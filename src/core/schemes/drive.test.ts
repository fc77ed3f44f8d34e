import { describe, expect, it } from 'vitest';
import { clamp, read } from '../circuit';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { controlFigures, solveWith, wire } from '../wiring';
import { FLOAT, standing, station, table, up } from './truth.fixture';
import { panelOf, reasonsAgainst, schemeOf } from '.';

describe('input of a drive', () => {
  const with_ = (input: string, supply: string) =>
    station('drive', ['pump', 'low', 'alarm'], (s) => ({ control: { ...s.control, options: { input, supply } } }));
  it.each(['own', 'dc', 'ac'])(
    'run enable over a %s supply: runs while both floats let it, restarts by itself',
    (supply) => {
      table(with_('run-enable', supply), { 'S-pump': FLOAT, 'S-low': FLOAT, 'S-alarm': FLOAT }, (p) => ({
        M1: up(p, 'pump') && up(p, 'low'),
        horn: up(p, 'alarm'),
      }));
      const p = standing(with_('run-enable', supply));
      p.put({ 'S-pump': 'up', 'S-low': 'up' });
      expect(p.put({ 'S-low': 'down' }).M1).toBe(false);
      expect(p.put({ 'S-low': 'up' }).M1).toBe(true);
    },
  );
  it('a float supply of 40 VA gives 24 V without load, and a twentieth less at its full load', () => {
    const made = panelOf(with_('run-enable', 'ac'));
    const t = made.ok && made.panel.devices.find((d) => d.tag === 'T1')!;
    if (!t || !t.transformer || !t.gives) throw new Error('there is no transformer');
    expect(t.transformer.ratio).toBeCloseTo(24 / 230, 9);
    expect(t.gives.amps).toBeCloseTo(40 / 24, 9);
    expect(t.transformer.r * t.gives.amps).toBeCloseTo(24 / 20, 9);
  });
  it.each(['own', 'dc', 'ac'])('external fault over a %s supply: stays in fault until a person resets it', (supply) => {
    const p = standing(with_('external-fault', supply));
    p.put({ 'S-low': 'up' });
    p.put({ U1F: 'on' });
    expect(p.put({ 'S-pump': 'up' }).M1).toBe(true);
    expect(p.put({ 'S-low': 'down' }).M1).toBe(false);
    expect(p.put({ 'S-low': 'up' }).M1).toBe(false);
    expect(p.states().U1F).toBe('tripped');
    expect(p.put({ U1F: 'on' }).M1).toBe(true);
  });
  it('a drive without mains is not in fault', () => {
    const p = standing(with_('external-fault', 'own'));
    p.put({ 'S-low': 'up' });
    p.put({ U1F: 'on' });
    p.put({ Q0: 'off' });
    expect(p.put({ 'S-low': 'up' }).M1).toBe(false);
    expect(p.states().U1F).toBe('on');
  });
  const options = (s: Station, more: Record<string, string>): Station => ({
    ...s,
    control: { ...s.control, options: { ...s.control.options, ...more } },
  });
  it.each(['three', 'single'])('takes every conductor of the motor from the drive, on %s', (output) => {
    const s = options(with_('run-enable', 'own'), { output });
    const p = standing(s);
    p.put({ 'S-pump': 'up', 'S-low': 'up' });
    expect(p.states().M1).toBe('running');
    const made = panelOf(s);
    const panel = made.ok ? made.panel : null!;
    const of = (tag: string) =>
      panel.cores
        .filter((c) => c.pin.startsWith(`${tag}:`) && !c.pin.endsWith(':PE'))
        .map((c) => panel.terminals.find((t) => t.id === c.terminal)!.net);
    expect(of('M1')).toHaveLength(output === 'three' ? 3 : 2);
    const supplied = new Set([...of('W0'), 'L1', 'N']);
    expect(of('M1').filter((n) => supplied.has(n))).toEqual([]);
  });
  it('takes from the supply what the motor takes from it, and nothing when it stands', () => {
    const s = options(with_('run-enable', 'own'), { output: 'three' });
    const made = panelOf(s);
    const wired = wire(s, made.ok ? made.panel : null!);
    const line = wired.panel.cores.find((c) => c.pin === 'W0:L1')!.id;
    const amps = (inputs: Record<string, string>) => {
      const reading = clamp(solveWith(wired, inputs).solution, [line]);
      return reading.ok ? reading.value : NaN;
    };
    const [pump] = s.pumps;
    // √3 · 230 V · I · cos φ out of one phase of 230 V, at power factor 1.
    const takes = Math.sqrt(3) * pump!.ratedCurrent * pump!.motor.powerFactor;
    expect(amps({ 'S-pump': 'up', 'S-low': 'up' }) / takes).toBeCloseTo(1, 1);
    expect(amps({})).toBeLessThan(0.3);
  });
  it('isolated, its own 24 V is gone and a float can be measured; before, ohms are refused', () => {
    const s = with_('run-enable', 'own');
    const made = panelOf(s);
    const wired = wire(s, made.ok ? made.panel : null!);
    const [a, b] = wired.panel.cores.filter((c) => c.pin.startsWith('S-pump:')).map((c) => c.terminal!);
    const ohms = (inputs: Record<string, string>) =>
      read(wired.structure, solveWith(wired, inputs).states, wired.points.get(a!)!, wired.points.get(b!)!, 'ohms');
    expect(ohms({ 'S-low': 'up' })).toMatchObject({ ok: false, reason: 'live' });
    expect(ohms({ Q0: 'off', 'S-pump': 'up' })).toMatchObject({ ok: true, state: 'near-zero' });
    expect(ohms({ Q0: 'off' })).toMatchObject({ ok: true, value: expect.toSatisfy((v: number) => v > 1000) });
  });
  it.each([
    ['run-enable', 'own', 'on'],
    ['run-enable', 'dc', 'on'],
    ['external-fault', 'own', 'on'],
    ['external-fault', 'dc', 'tripped'],
    ['external-fault', 'ac', 'tripped'],
  ])('%s over a %s supply: a power cut leaves its fault logic %s', (input, supply, after) => {
    const p = standing(with_(input, supply));
    p.put({ 'S-low': 'up', 'S-pump': 'up' });
    p.put({ U1F: 'on' });
    p.put({ W0: 'cut' });
    expect(p.put({ W0: 'there' }).M1).toBe(after === 'on');
    expect(p.states().U1F).toBe(after);
  });
  it('tells with what open its floats can be measured: by its own supply the breaker is enough, by a separate one it is not', () => {
    const told = (supply: string) => {
      const s = with_('run-enable', supply);
      const made = panelOf(s);
      const checks = controlFigures(s, wire(s, made.ok ? made.panel : null!));
      return {
        floats: sayPhrase(checks.find((c) => c.id === 'drive-floats')!.why, 'metric'),
        earth: sayPhrase(checks.find((c) => c.id === 'earth-M1')!.why, 'metric'),
      };
    };
    expect(told('own').floats).toMatch(/^With Q0 or Q1 open/);
    expect(told('dc').floats).toMatch(/^With Q0 open.* Q1 alone leaves them live\./);
    // The drive's own protection is not in the model: nothing is said of what opens.
    expect(told('own').earth).toMatch(/^Not asked here/);
  });
  it('its own supply is refused when its budget does not reach', () => {
    const s = { ...with_('run-enable', 'own') };
    const poor = { ...s, wiring: { ...s.wiring, supplyBudget: 0.005 } };
    expect(
      reasonsAgainst(schemeOf('drive')!, poor)
        .map((r) => sayPhrase(r, 'metric'))
        .join(),
    ).toMatch(/use a separate supply/);
  });
});
