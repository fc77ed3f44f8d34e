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

describe('a float that no circuit of the panel uses', () => {
  it('is told: the redundant off of a pump on its cord stops nothing, and one in a panel with a place for it does', () => {
    const told = (file: string, role: 'low' | 'cutoff') => {
      const s = demoStations().find((d) => d.file === file)!.station;
      const like = s.sensors.find((x) => x.role === 'alarm')!;
      const with_ = { ...s, sensors: [...s.sensors, { ...like, id: role, role }] };
      return controlFigures(with_, wired(with_)).filter((c) => c.id.startsWith('unwired-'));
    };
    const [check, ...more] = told('workshop-sump.json', 'low');
    expect([check!.state, check!.title, more.length]).toEqual(['broken', 'the low float is in no circuit', 0]);
    expect(told('workshop-sump.json', 'cutoff')).toEqual([]);
    expect(told('underpass-storm-sump.json', 'low')).toEqual([]);
  });
  it.each(demoStations())('$file has none', ({ station }) => {
    expect(controlFigures(station, wired(station)).filter((c) => c.id.startsWith('unwired-'))).toEqual([]);
  });
});
