import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { faultsOf } from '../faults';
import { panelOf } from '../schemes';
import { formOf, type Station } from '../station';
import { sayPhrase } from '../units';
import { run, sentences, scenario, sump } from './rehearsal.fixture';
import { eventRows, readScenario, readyScenarios, rehearse, SCENARIO_VERSION, scenarioJsonSchema, traceRows } from '.';

describe('the published schema of scenarios', () => {
  const published = JSON.parse(
    readFileSync(new URL('../../../docs/scenario.schema.json', import.meta.url), 'utf8'),
  ) as object;
  it('is the one the program uses (run “npm run schema” after a change), and takes every ready scenario', () => {
    expect(published).toEqual(JSON.parse(JSON.stringify(scenarioJsonSchema())));
    const validate = new Ajv2020({ strict: false }).compile(published);
    for (const { station } of demoStations())
      for (const s of readyScenarios(station)) expect([s.name, validate(s)]).toEqual([s.name, true]);
    expect(validate({ ...readyScenarios(sump)[0], duration: -1 })).toBe(false);
  });
  it('has the form kept of this version: to change it, raise the version with a step that reads the old ones', () => {
    const kept: unknown = JSON.parse(
      readFileSync(`src/core/rehearsal/fixtures/scenario-${SCENARIO_VERSION}.form.json`, 'utf8'),
    );
    expect(formOf(JSON.parse(JSON.stringify(scenarioJsonSchema())))).toEqual(kept);
  });
  it('what a scenario leaves unsaid is as usual: nobody comes, protectors as they are made', () => {
    const { responseTime: _a, motorProtection: _p, ...older } = readyScenarios(sump)[0]!;
    const read = readScenario(older, sump);
    expect(read.ok && [read.scenario.responseTime, read.scenario.motorProtection]).toEqual([
      null,
      { lockedRotor: 10, dryRunning: 600, cooling: 900 },
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
  it('the ready ones are as long and as wet as their names say', () => {
    const storm = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;
    const { source } = storm.inflow;
    if (source.kind !== 'storm') throw new Error('not a storm');
    const [hour, day] = [3600, 86400];
    const lasts = source.rows.at(-1)!.time + 4 * hour;
    const said = readyScenarios(storm).map((s) => [s.name, s.duration, s.inflow, s.powerCuts]);
    const level = (which: string) => ({ kind: 'level', which, scale: 1 });
    for (const wanted of [
      ['the storm of the survey', lasts, { kind: 'survey', scale: 1 }, []],
      ['a storm half as big again', lasts, { kind: 'survey', scale: 1.5 }, []],
      ['a week at design inflow', 7 * day, level('design'), []],
      ['two hours at peak', 2 * hour, level('peak'), []],
      ['power cut of three hours', day, level('design'), [{ from: 2 * hour, to: 5 * hour }]],
      ['a dry month', 30 * day, level('low'), []],
      ['a year as it comes', 365 * day, { kind: 'survey', scale: 1 }, []],
    ])
      expect(said).toContainEqual(wanted);
  });
  it('a ready one breaks only what the station has: its line, the float that calls, the first of several pumps', () => {
    for (const { station } of demoStations())
      for (const { name, faults } of readyScenarios(station))
        for (const { id } of faults) {
          const made = panelOf(station);
          const known = made.ok ? faultsOf(station, made.panel).map((f) => f.id) : [];
          expect([name, known]).toEqual([name, expect.arrayContaining([id])]);
        }
    const broken = (file: string) =>
      readyScenarios(demoStations().find((d) => d.file === file)!.station).flatMap((s) => s.faults.map((f) => f.id));
    // Two pumps that a storm can call together: the first is seized; a single pump is not, it has no second to help it.
    expect(broken('underpass-storm-sump.json')).toEqual(['M1-seized', 'lead-stuck-down']);
    expect(broken('workshop-sump.json')).toEqual(['pump-stuck-down']);
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
          repeatEvery: null,
        },
      },
      /times must rise/,
    ],
    [{ duration: 100 * 365 * 86400 }, /ten at most/],
    [{ duration: 0 }, /more than zero/],
    [{ version: 3 }, /version: this version/],
    [{ colour: 1 }, /scenario: /],
  ])('%j is refused by path', (change, message) => {
    const read = readScenario({ ...good, ...change }, sump);
    expect(read.ok ? '' : read.problems.join('; ')).toMatch(message);
  });
  it('of version 1 are read: the names changed, nothing else', () => {
    const old = JSON.parse(readFileSync('src/core/rehearsal/fixtures/scenario-1.json', 'utf8'));
    const read = readScenario(old, sump);
    if (!read.ok) throw new Error(read.problems.join('; '));
    expect(read.scenario).toEqual({
      ...good,
      name: 'pump off by hand',
      duration: 7200,
      startLevel: 0.4,
      inflow: { kind: 'steps', rows: [{ time: 0, flow: 0.001 }], repeatEvery: 3600 },
      powerCuts: [{ from: 100, to: 200 }],
      operations: [{ at: 300, device: 'Q1', position: 'off' }],
      faults: [{ from: 0, to: null, id: 'alarm-stuck-down' }],
      responseTime: 3600,
      motorProtection: { lockedRotor: 12, dryRunning: 500, cooling: 800 },
    });
    // What is wrong in an old file is told by its new name.
    const wrong = readScenario({ ...old, hands: [{ at: -1, device: 'Q1', state: 'off' }] }, sump);
    expect(wrong.ok ? '' : wrong.problems.join()).toMatch(/operations\.0\.at: a time before the beginning/);
    expect(readScenario({ ...old, hands: 3, protector: null }, sump).ok).toBe(false);
  });
  it('faults and hands on parts that the station lacks are refused by path', () => {
    const answer = rehearse(sump, {
      ...good,
      faults: [{ from: 0, to: null, id: 'lag-stuck-up' }],
      operations: [
        { at: 0, device: 'S1', position: 'off' },
        { at: 0, device: 'Q1', position: 'sideways' },
      ],
    });
    expect(answer).toEqual({
      ok: false,
      problems: [
        expect.stringMatching(/faults\.0: .*lag-stuck-up/),
        expect.stringMatching(/operations\.0: this panel has no S1/),
        expect.stringMatching(/operations\.1: Q1 has no position/),
      ],
    });
  });
  it('a scheme that does not fit is told', () => {
    expect(rehearse({ ...sump, control: { ...sump.control, scheme: 'duplex' } }, good).ok).toBe(false);
  });
  it('hands work selectors: in Hand it runs dry, and back in Auto it rests', () => {
    const station: Station = { ...sump, control: { ...sump.control, scheme: 'contactor' } };
    const r = run(station, {
      duration: 7200,
      operations: [
        { at: 100, device: 'S1', position: 'hand' },
        { at: 3000, device: 'S1', position: 'auto' },
      ],
    });
    expect(r.dryRunTime).toBeGreaterThan(1000);
    expect(sentences(r)).toEqual(
      expect.arrayContaining(['S1 to Hand', 'S1 to Auto', 'pump 1 draws air at 50 mm: it runs dry']),
    );
  });
  it('a button that springs back is held for a second: silence stays while the alarm is called', () => {
    const r = run(sump, {
      duration: 12 * 3600,
      faults: [{ from: 0, to: null, id: 'Q1-off' }],
      operations: [{ at: 7200, device: 'S2', position: 'pressed' }],
    });
    expect(sentences(r)).toEqual(
      expect.arrayContaining(['S2 to pressed', 'S2 to let go', 'the horn is quiet: S2 to pressed']),
    );
    const lamp = r.events.filter((e) => e.kind === 'lamp');
    expect(lamp).toHaveLength(1);
  });
  it('what is mended in a power cut stays without power until it is back', () => {
    const r = run(sump, {
      duration: 12 * 3600,
      powerCuts: [{ from: 3600, to: 20000 }],
      faults: [{ from: 1800, to: 7200, id: 'W0-cut' }],
    });
    const starts = r.events.filter((e) => /^pump 1 starts/.test(sayPhrase(e.sentence, 'metric'))).map((e) => e.at);
    expect(starts.filter((t) => t > 1800 && t < 20000)).toEqual([]);
    expect(starts.find((t) => t >= 20000)).toBeCloseTo(20000, 0);
  });
  it('an inflow that no pump can follow for a year ends in good time, and tells what was worst', () => {
    const r = run(sump, { duration: 365 * 86400, inflow: { kind: 'level', which: 'peak', scale: 20 } });
    expect(r.duration).toBe(365 * 86400);
    expect(r.events.length).toBeLessThan(9000);
    expect(Math.abs(r.balance.residue)).toBeLessThan(1e-9 * r.balance.inflow);
  });
  it('an inflow that no pump can follow: it rings, spills and goes on', () => {
    const r = run(sump, { duration: 86400, inflow: { kind: 'level', which: 'peak', scale: 20 } });
    expect(r.duration).toBe(86400);
    expect(r.overflowTime).toBeGreaterThan(80000);
  });
  it('steps come again and again, and are met at their times', () => {
    const r = run(sump, {
      duration: 7200,
      inflow: {
        kind: 'steps',
        rows: [
          { time: 0, flow: 0.0002 },
          { time: 600, flow: 0 },
        ],
        repeatEvery: 1200,
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
