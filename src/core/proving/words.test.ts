import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { controlFigures, wire } from '../wiring';
import { panelOf } from '../schemes';
import { testPlan } from '.';

/* What is said to a person at the work fits the station that the person stands at. */

const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
const sump = newStation('Sump', 'Yard', 'metric-230');
const all = (s: Station): string =>
  testPlan(s)
    .flatMap((step) => [step.title, ...step.actions.map((a) => sayPhrase(a, 'metric')), ...step.cautions])
    .join('\n');

describe('words of the work', () => {
  it('unplugs only what hangs on a plug', () => {
    expect(all(sump)).toMatch(/Unplug the pump/);
    const box: Station = { ...sump, control: { ...sump.control, options: { join: 'box' } } };
    expect(all(box)).not.toMatch(/[Uu]nplug|blades of its plug/);
    expect(all(box)).toMatch(/Switch the pump circuit off at its breaker/);
    const contactor: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
    expect(all(contactor)).not.toMatch(/[Uu]nplug|blades of its plug/);
    expect(all(contactor)).toMatch(/Hold every pump at Off/);
  });
  it('tests a pit for gas, and not a condensate reservoir', () => {
    expect(all(sump)).toMatch(/Test the pit for gas/);
    expect(all(demo('cold-store-condensate.json'))).not.toMatch(/\bgas\b|Sewage/);
    expect(all(demo('workshop-header-tank.json'))).toMatch(/confined space/);
  });
  it('says of a float’s contact what it carries: the motor only where the motor is in its rung', () => {
    for (const { station } of demoStations()) {
      const made = panelOf(station);
      if (!made.ok) throw new Error(station.identity.name);
      const figures = controlFigures(station, wire(station, made.panel));
      for (const s of station.sensors.filter((x) => x.role === 'alarm' || x.role === 'cutoff')) {
        const figure = figures.find((c) => c.id === `contact-${s.id}`);
        if (figure) expect(sayPhrase(figure.why, 'metric')).not.toMatch(/carries the motor/);
      }
    }
    const made = panelOf(sump);
    if (!made.ok) throw new Error('sump');
    const pump = controlFigures(sump, wire(sump, made.panel)).find((c) => c.id === 'contact-pump')!;
    expect(sayPhrase(pump.why, 'metric')).toMatch(/carries the motor/);
  });
});
