import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { brokenRules, levelContext, surroundingsOf } from '../levels';
import { randomFrom } from '../numeric';
import { newStation, type Station } from '../station';
import { screenFor } from './screen';
import { bandsOf } from './bands';
import { fieldOf } from './search';

/** The field of a station, with every stop and start that the tape can make. */
function allOf(station: Station, around = surroundingsOf(station)) {
  const field = fieldOf(station, around, station.sensors);
  return { ...field, bands: bandsOf(station, field.candidates) };
}

const RULES = ['submergence', 'dry-run', 'starts', 'run', 'drainback', 'fill'] as const;

/** A station with the stop and start of one band of its field. */
function withBand(station: Station, field: ReturnType<typeof allOf>, index: number): Station {
  const by = field.bands.by(index);
  return { ...station, sensors: station.sensors.map((s) => by.find((c) => c.sensor.id === s.id)?.sensor ?? s) };
}

/** The band of an index as the screen is asked of it. */
function bandAt(field: ReturnType<typeof allOf>, index: number) {
  const { vessel } = field.surroundings;
  const [stop, lead] = [field.bands.stop[index]!, field.bands.lead[index]!];
  return { stop, lead, drawdown: Math.abs(vessel.volume(lead) - vessel.volume(stop)) };
}

const asked = new Map<string, number>();

describe('a screen refuses only what the rule of its name refuses', () => {
  const stations = [...demoStations().map((d) => d.station), newStation('a', 'b', 'us-120')];
  it.each(stations.map((s) => [s.identity.name, s] as const))('%s', (_, station) => {
    const around = surroundingsOf(station);
    const field = allOf(station, around);
    const screens = new Map(RULES.map((id) => [id, screenFor(station, around, new Set([id]))]));
    const { even } = randomFrom(11);
    const index = () => Math.floor(even() * field.bands.count);
    const refused = Array.from({ length: 240 }, index).flatMap((i) =>
      RULES.filter((id) => !screens.get(id)!.band(bandAt(field, i))).map((id) => ({ i, id })),
    );
    for (const { i, id } of refused.slice(0, 60))
      expect(brokenRules(withBand(station, field, i), new Set([id]), around)).toBe(id);
    asked.set(station.identity.name, refused.length);
  });
  it('and there was enough to refuse', () => {
    expect([...asked.values()].filter((n) => n > 0).length).toBeGreaterThan(stations.length / 2);
  });
  it.each(stations.map((s) => [s.identity.name, s] as const))(
    '%s: what a band says of itself is what the levels then are',
    (_, station) => {
      const around = surroundingsOf(station);
      const field = allOf(station, around);
      fc.assert(
        fc.property(fc.integer({ min: 0, max: field.bands.count - 1 }), (index) => {
          const c = levelContext(withBand(station, field, index), around);
          expect(c.stop).toBeCloseTo(field.bands.stop[index]!, 6);
          expect(c.lead).toBeCloseTo(field.bands.lead[index]!, 6);
          expect(c.drawdown).toBeCloseTo(bandAt(field, index).drawdown, 4);
        }),
        { numRuns: 25 },
      );
    },
  );
  it('refuses enough to be worth its while: most of what breaks a rule', () => {
    const station = newStation('a', 'b', 'metric-230');
    const around = surroundingsOf(station);
    const field = allOf(station, around);
    const screen = screenFor(station, around, new Set(RULES));
    let [refused, broken] = [0, 0];
    for (let i = 0; i < field.bands.count; i += 97) {
      const breaks = brokenRules(withBand(station, field, i), new Set(RULES), around) !== null;
      const passes = screen.band(bandAt(field, i));
      if (breaks) broken++;
      if (!passes) refused++;
    }
    expect(broken).toBeGreaterThan(20);
    expect(refused / broken).toBeGreaterThan(0.8);
    expect(refused).toBeLessThanOrEqual(broken);
  });
});
