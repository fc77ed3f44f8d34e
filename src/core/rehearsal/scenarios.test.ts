import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { run, says, scenario, sump } from './rehearsal.fixture';
import { eventRows, readScenario, readyScenarios, rehearse, scenarioJsonSchema, traceRows } from '.';

describe('the published schema of scenarios', () => {
  const published = JSON.parse(
    readFileSync(new URL('../../../docs/scenario.schema.json', import.meta.url), 'utf8'),
  ) as object;
  it('is the one the program uses (run “npm run schema” after a change), and takes every ready scenario', () => {
    expect(published).toEqual(JSON.parse(JSON.stringify(scenarioJsonSchema())));
    const validate = new Ajv2020({ strict: false }).compile(published);
    for (const { station } of demoStations())
      for (const s of readyScenarios(station)) expect([s.name, validate(s)]).toEqual([s.name, true]);
    expect(validate({ ...readyScenarios(sump)[0], length: -1 })).toBe(false);
  });
  it('what a scenario leaves unsaid is as usual: nobody comes, protectors as they are made', () => {
    const { answers: _a, protector: _p, ...older } = readyScenarios(sump)[0]!;
    const read = readScenario(older, sump);
    expect(read.ok && [read.scenario.answers, read.scenario.protector]).toEqual([
      null,
      { stalled: 10, dry: 600, cools: 900 },
    ]);
  });
});

describe('scenarios', () => {
  const good = scenario(sump);
  it('those that are ready can be read, for every duty', () => {
    for (const { station } of demoStations())
      for (const s of readyScenarios(station))
        expect(readScenario(JSON.parse(JSON.stringify(s)), station)).toEqual({ ok: true, scenario: s });
  });
  it.each([
    [{ duty: 'fill' }, /duty: the scenario is for another duty/],
    [
      {
        powerCuts: [
          { from: 10, to: 100 },
          { from: 50, to: 200 },
        ],
      },
      /the cut at 50 s begins while the one at 10 s lasts/,
    ],
    [{ powerCuts: [{ from: 10, to: 10 }] }, /ends before it begins/],
    [
      { inflow: { kind: 'steps', rows: [{ time: 0, flow: -1 }], every: null } },
      /inflow.rows.0.flow: an inflow cannot be negative/,
    ],
    [
      {
        inflow: {
          kind: 'steps',
          rows: [
            { time: 5, flow: 1 },
            { time: 5, flow: 1 },
          ],
          every: null,
        },
      },
      /times must rise/,
    ],
    [{ length: 100 * 365 * 86400 }, /ten at most/],
    [{ length: 0 }, /more than zero/],
    [{ version: 2 }, /version: this version/],
    [{ colour: 1 }, /scenario: /],
  ])('%j is refused by path', (change, message) => {
    const read = readScenario({ ...good, ...change }, sump);
    expect(read.ok ? '' : read.problems.join('; ')).toMatch(message);
  });
  it('faults and hands on parts that the station lacks are refused by path', () => {
    const answer = rehearse(sump, {
      ...good,
      faults: [{ from: 0, to: null, id: 'lag-stuck-up' }],
      hands: [
        { at: 0, device: 'S1', state: 'off' },
        { at: 0, device: 'Q1', state: 'sideways' },
      ],
    });
    expect(answer).toEqual({
      ok: false,
      problems: [
        expect.stringMatching(/faults\.0: .*lag-stuck-up/),
        expect.stringMatching(/hands\.0: this panel has no S1/),
        expect.stringMatching(/hands\.1: Q1 has no position/),
      ],
    });
  });
  it('a scheme that does not fit is told', () => {
    expect(rehearse({ ...sump, control: { ...sump.control, scheme: 'duplex' } }, good).ok).toBe(false);
  });
  it('hands work selectors: in Hand it runs dry, and back in Auto it rests', () => {
    const station: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
    const r = run(station, {
      length: 7200,
      hands: [
        { at: 100, device: 'S1', state: 'hand' },
        { at: 3000, device: 'S1', state: 'auto' },
      ],
    });
    expect(r.dry).toBeGreaterThan(1000);
    expect(says(r)).toEqual(
      expect.arrayContaining(['S1 to Hand', 'S1 to Auto', 'pump 1 draws air at 50 mm: it runs dry']),
    );
  });
  it('a button that springs back is held for a second: silence stays while the bell is called', () => {
    const r = run(sump, {
      length: 12 * 3600,
      faults: [{ from: 0, to: null, id: 'Q1-off' }],
      hands: [{ at: 7200, device: 'S2', state: 'pressed' }],
    });
    expect(says(r)).toEqual(
      expect.arrayContaining(['S2 to pressed', 'S2 to let go', 'the horn is quiet: S2 to pressed']),
    );
    const lamp = r.events.filter((e) => e.kind === 'lamp');
    expect(lamp).toHaveLength(1);
  });
  it('what is mended in a power cut stays without power until it is back', () => {
    const r = run(sump, {
      length: 12 * 3600,
      powerCuts: [{ from: 3600, to: 20000 }],
      faults: [{ from: 1800, to: 7200, id: 'W0-cut' }],
    });
    const starts = r.events.filter((e) => /^pump 1 starts/.test(sayPhrase(e.sentence, 'metric'))).map((e) => e.at);
    expect(starts.some((t) => t > 1800 && t < 20000)).toBe(false);
    expect(starts.some((t) => t >= 20000)).toBe(true);
  });
  it('an inflow that no pump can follow for a year ends in good time, and tells what was worst', () => {
    const r = run(sump, { length: 365 * 86400, inflow: { kind: 'level', which: 'peak', scale: 20 } });
    expect(r.lasted).toBe(365 * 86400);
    expect(r.events.length).toBeLessThan(9000);
    expect(Math.abs(r.balance.residue)).toBeLessThan(1e-9 * r.balance.inflow);
  });
  it('an inflow that no pump can follow: it rings, spills and goes on', () => {
    const r = run(sump, { length: 86400, inflow: { kind: 'level', which: 'peak', scale: 20 } });
    expect(r.lasted).toBe(86400);
    expect(r.overflowing).toBeGreaterThan(80000);
  });
  it('steps come again and again, and are met at their times', () => {
    const r = run(sump, {
      length: 7200,
      inflow: {
        kind: 'steps',
        rows: [
          { time: 0, flow: 0.0002 },
          { time: 600, flow: 0 },
        ],
        every: 1200,
      },
    });
    expect(r.balance.inflow).toBeCloseTo(0.0002 * 3600, 12);
  });
  it('goes out as rows', () => {
    const r = run(sump);
    expect(eventRows(r, 'metric')[0]).toEqual(['time (s)', 'level (m)', 'kind', 'what']);
    const rows = traceRows(sump, r);
    expect(new Set(rows.map((x) => x.length))).toEqual(new Set([7]));
    expect(rows.length).toBe(1441);
  });
});
