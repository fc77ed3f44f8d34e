import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { judge } from '../levels';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { askedOf } from '.';

const reservoir = demoStations().find((d) => d.file === 'cold-store-condensate.json')!.station;
const landed = (landings: Partial<Station['landings']>): Station => ({
  ...reservoir,
  landings: { cores: [], links: [], ...landings },
});
const rule = (s: Station) => judge(s, undefined, askedOf(s)).rules.find((r) => r.id === 'cut-off')!;

describe('what the level rules ask of the panel', () => {
  it('nothing, where it is landed as designed, and of no other duty', () => {
    expect(askedOf(reservoir)).toEqual({});
    const sump = demoStations().find((d) => d.file === 'battery-room-sump.json')!.station;
    expect(sump.landings.cores.length).toBeGreaterThan(0);
    expect(askedOf(sump)).toEqual({});
  });
  it('a link over the cut-off’s terminals: it stops nothing, and the rule is broken', () => {
    const bridged = landed({ links: [{ a: 'X6:1', b: 'X6:2', fitted: true }] });
    expect(askedOf(bridged)).toEqual({ cutOffStops: false });
    expect(rule(bridged)).toMatchObject({ state: 'broken' });
    expect(sayPhrase(rule(bridged).why, 'metric')).toMatch(/does not stop all that makes water/);
  });
  it('its float on the contact that closes as the water rises: the appliances run when they should stand', () => {
    const other = landed({
      cores: [
        { core: 'W-cutoff/white', to: 'X4:2' },
        { core: 'W-cutoff/red', to: null },
      ],
    });
    expect(askedOf(other)).toEqual({ cutOffStops: false });
    expect(rule(other).state).toBe('broken');
  });
  it('something else landed otherwise: it still stops them, and the rule says by what it was asked', () => {
    const s = landed({ cores: [{ core: 'W-pump1/white', to: 'X1:6' }] });
    expect(askedOf(s)).toEqual({ cutOffStops: true });
    expect(rule(s).state).toBe('holds');
    expect(sayPhrase(rule(s).why, 'metric')).toMatch(/by the panel solved as it is landed/);
  });
  it('the appliance’s own wires hang loose: nothing of it goes through the panel', () => {
    const s = landed({ cores: [{ core: 'W-cut-1/black', to: null }] });
    expect(rule(s)).toMatchObject({ state: 'broken' });
    expect(sayPhrase(rule(s).why, 'metric')).toMatch(/hang loose/);
  });
  it('without being asked the rule does not know', () => {
    const bridged = landed({ links: [{ a: 'X6:1', b: 'X6:2', fitted: true }] });
    expect(judge(bridged).rules.find((r) => r.id === 'cut-off')!.state).toBe('unknown');
  });
});
