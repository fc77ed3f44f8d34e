import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { panelOf } from '../schemes';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { controlFigures, outcomesOf, solveWith, wire } from '.';

const tank = demoStations().find((d) => d.file === 'workshop-header-tank.json')!.station;

const wired = (s: Station) => {
  const made = panelOf(s);
  if (!made.ok) throw new Error(s.identity.name);
  return wire(s, made.panel);
};

describe('a relay of which no contact is used', () => {
  it('tells a relay that comes in and works nothing: the low float of a tank that is to ring by none', () => {
    const idle = (low: boolean) => {
      const s: Station = { ...tank, alarm: { ...tank.alarm, low } };
      return controlFigures(s, wired(s)).filter((c) => c.id.startsWith('idle-'));
    };
    expect(idle(true)).toEqual([]);
    expect(idle(false).map((c) => [c.id, c.state])).toEqual([['idle-K3', 'note']]);
    expect(sayPhrase(idle(false)[0]!.why, 'metric')).toContain('low level alarms too');
    // It is so: whether that float lifts or hangs changes nothing that the panel does.
    const s: Station = { ...tank, alarm: { ...tank.alarm, low: false } };
    const does = (at: string) => outcomesOf(wired(s), solveWith(wired(s), { 'S-low': at }));
    expect(does('up')).toEqual(does('down'));
  });
});
