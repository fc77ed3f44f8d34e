import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { panelOf, SCHEMES } from '../schemes';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { testPlan } from '../proving';
import { holdOf } from './hold';
import { worldOf } from './world';

/* A card that expects that nothing comes, turns or is told of a sound station has brought the station into a state in which it cannot. */

const VAIN =
  /does not come on this way|does not turn|cannot be told|there is no point|a resistance reading is not valid/;

describe('a sound station', () => {
  it('answers every step of its plan, in every scheme that fits it and on every supply', () => {
    let plans = 0;
    for (const { file, station } of demoStations())
      for (const scheme of SCHEMES)
        for (const source of ['single', 'split', 'three'] as const) {
          const s: Station = {
            ...station,
            control: { ...station.control, scheme: scheme.id },
            supply: { ...station.supply, source },
          };
          if (!panelOf(s).ok) continue;
          plans++;
          for (const step of testPlan(s))
            for (const e of step.expects)
              expect([file, scheme.id, source, step.id, e.id, sayPhrase(e.sentence, 'metric')]).toEqual([
                file,
                scheme.id,
                source,
                step.id,
                e.id,
                expect.not.stringMatching(VAIN),
              ]);
        }
    expect(plans).toBeGreaterThan(60);
  });
  it('is held off by the least that does it: its own breakers leave the alarm its feed; a panel that runs no pump holds nothing', () => {
    const demo = (name: string) => demoStations().find((d) => d.file === `${name}.json`)!.station;
    const acts = (s: Station) =>
      holdOf(worldOf(s)).acts.map((a) => (a.kind === 'put' ? `${a.device} ${a.to}` : a.kind));
    expect(acts(demo('lodge-grinder-well'))).toEqual(['Q1 off']);
    expect(acts(demo('workshop-sump'))).toEqual(['land']);
    expect(acts(demo('underpass-storm-sump'))).toEqual(['S11 off', 'S12 off']);
    const cellar = demo('ticket-office-cellar');
    expect(acts({ ...cellar, control: { ...cellar.control, scheme: 'alarm-only' } })).toEqual([]);
  });
  it('whose alarm latches is told so: it stays as the water falls, and goes when its button is pressed', () => {
    const lodge = demoStations().find((d) => d.file === 'lodge-grinder-well.json')!.station;
    const recover = testPlan(lodge).find((s) => s.id === 'recover')!;
    const says = (id: string) => sayPhrase(recover.expects.find((e) => e.id === id)!.sentence, 'metric');
    expect(says('stays')).toMatch(/^nothing changes .*the horn sounds/);
    expect(says('clears')).toBe('the lamp is out, the horn is quiet, the dialler is not told');
    expect(recover.expects.find((e) => e.id === 'clears')!.label).toBe('when S4 is pressed');
  });
});
