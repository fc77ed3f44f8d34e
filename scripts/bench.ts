/*
 * Medians as JSON: judging a station in Node, from nothing and as a float is moved, proposals per aim, a panel built, settled, metered and checked, starting the server, frames while a float of the
 * heaviest station is dragged, opening Levels in the production build until it answers,
 * and the JavaScript sent for each route. Needs the build and Chromium: “npm run demo” and “npm run check” make both.
 */
import { chromium, type Browser, type Page } from '@playwright/test';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { demoStations } from '@/core/demo';
import { moveFloat } from '@/core/editing';
import { judge, surroundingsAfter } from '@/core/levels';
import { load } from './torment/load';
import { panelOf } from '@/core/schemes';
import { asLanded, energised, inputsToTry, solveWith, panelSolver, wire, type Inputs } from '@/core/wiring';
import { read, settle, solve } from '@/core/circuit';
import { chance, readyScenarios, record, rehearse, usualChances, whatIf, type Scenario } from '@/core/rehearsal';
import { randomFrom } from '@/core/numeric';
import { hydraulicsOf } from '@/core/hydraulics';
import { cycleAt, levelContext, sensorTrips } from '@/core/levels';
import { vesselOf } from '@/core/vessel';
import { aimsFor, propose, type Aim } from '@/core/proposals';
import type { Station } from '@/core/station';
import { systemOf } from '@/core/units';
import config from '../playwright.config';
import { book } from './bench/book';
import { dragging } from './bench/dragging';
import { drill } from './bench/drill';
import { feeds } from './bench/feeds';
import { proving } from './bench/proving';
import { trace } from './bench/trace';

const PORT = 4398;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const ROUTES = {
  round: '/',
  survey: '/stations/1/survey',
  levels: '/stations/1/levels',
  panel: '/stations/5/panel',
  rehearse: '/stations/5/rehearse',
  prove: '/stations/1/prove',
  run: '/stations/1/prove/1',
  card: '/stations/1/card',
};

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
const round = (value: number, digits = 2) => Number(value.toFixed(digits));

/** Median time of one call, ms, over batches, after warming up. */
function timed(call: () => void): number {
  for (let i = 0; i < 50; i++) call();
  const times = Array.from({ length: 200 }, () => {
    const from = performance.now();
    call();
    return performance.now() - from;
  });
  return round(median(times), 3);
}

/** Re-judging as the screen does while a float is dragged: another setting each time, vessel and pumps as before. */
function rejudging(station: Station): number {
  let judged = judge(station);
  const id = station.sensors.find((s) => s.role === 'lead' || s.role === 'pump')!.id;
  let n = 0;
  return timed(() => {
    const moved = moveFloat(station, id, ((n++ % 17) - 8) * 0.005, systemOf(station.profile));
    judged = judge(moved, surroundingsAfter(moved, judged.context));
  });
}

/** Median of one proposal, ms, for each aim; the first, before anything is warm, apart. */
function proposing(station: Station): Record<string, number> {
  const once = (aim: Aim) => {
    const from = performance.now();
    propose(station, [aim]);
    return performance.now() - from;
  };
  const aims = aimsFor(station);
  return Object.fromEntries([
    ['cold', round(once(aims[0]!), 0)],
    ...aims.map((aim) => [aim, round(median(Array.from({ length: 7 }, () => once(aim))), 0)]),
  ]);
}

/** The duplex panel with bell and interlock: built from its station, settled from cold, answered from memory, checked as landed, metered; ms, and µs from memory. */
function panels() {
  const duplex = demoStations().find((d) => d.station.control.scheme === 'duplex')!.station;
  const station: Station = {
    ...duplex,
    interlocks: [{ kind: 'cutoff', name: 'ice machine', acts: 'low-voltage', volts: 24, amps: 0.5, warns: false }],
  };
  const build = () => {
    const made = panelOf(station);
    if (!made.ok) throw new Error('the duplex does not fit');
    return wire(station, made.panel);
  };
  const wired = build();
  const called: Inputs = { 'S-stop': 'up', 'S-lead': 'up', 'S-lag': 'up', 'S-alarm': 'up' };
  const remembered = panelSolver(wired);
  const settled = solveWith(wired, called);
  const many = 2000;
  return {
    nodes: wired.structure.names.length,
    parts: wired.netlist.components.length,
    buildMs: timed(build),
    oneSolveMs: timed(() => solve(wired.structure, settled.states)),
    coldRestMs: timed(() => settle(wired.structure, wired.states)),
    coldAllCalledMs: timed(() => solveWith(wired, called)),
    coldAllCalledMoves: settled.moves.length,
    coldWorstMs: Math.max(...inputsToTry(wired.panel).map((inputs) => timed(() => solveWith(wired, inputs)))),
    fromMemoryUs: round(
      (timed(() => {
        for (let i = 0; i < many; i++) remembered(called);
      }) *
        1000) /
        many,
      3,
    ),
    litMs: timed(() => energised(wired, settled)),
    meterMs: timed(() => read(wired.structure, settled.states, 'C', 'N', 'ac-volts')),
    asLandedMs: timed(() =>
      asLanded({ ...station, landings: { cores: [{ core: 'W-lag/black', to: 'X2:8' }], links: [] } }, wired.panel),
    ),
  };
}

const plainScenario = (
  station: Station,
  duration: number,
  rows: { time: number; flow: number }[],
  powerCuts: Scenario['powerCuts'] = [],
): Scenario => ({
  format: 'pit-bell/scenario',
  version: 2,
  name: 'bench',
  duty: station.duty.kind,
  duration,
  startLevel: null,
  inflow: { kind: 'steps', rows, repeatEvery: null },
  powerCuts,
  operations: [],
  faults: [],
  responseTime: null,
  motorProtection: { lockedRotor: 10, dryRunning: 600, cooling: 900 },
});

/** One rehearsal, and how long it took. */
function go(station: Station, scenario: Scenario) {
  const from = performance.now();
  const answer = rehearse(station, scenario);
  if (!answer.ok) throw new Error('refused');
  return { ms: performance.now() - from, run: answer.run };
}

/** A thousand cycles of a sump against a plain loop of one-second steps, each held against quadrature. */
function besideLoop() {
  // A thousand whole cycles of a sump at a steady inflow: how many starts and how much water is known by quadrature over the solved pipe.
  const sump = demoStations()[0]!.station;
  const flow = 0.0007;
  const context = levelContext(sump);
  const cycle = cycleAt(context, flow);
  if (!cycle.ok) throw new Error('no duty');
  const CYCLES = 1000;
  const lasts = context.drawdown / flow + cycle.run + (CYCLES - 1) * cycle.cycle;
  const known = { starts: CYCLES, pumped: CYCLES * (context.drawdown + flow * cycle.run) };
  const whole = plainScenario(sump, lasts + 1, [{ time: 0, flow }]);
  // Panel and pipe are solved once for a station, before anything is timed; so are the loop’s.
  go(sump, whole);
  const exact = Array.from({ length: 9 }, () => go(sump, whole));
  const vessel = vesselOf(sump.vessel);
  const { flowAt, drainback } = hydraulicsOf(sump);
  const { rise, fall } = sensorTrips(sump).find((x) => x.sensor.role === 'pump')!;
  flowAt(rise);
  const loop = () => {
    const began = performance.now();
    let [v, on, starts, pumped] = [vessel.volume(fall), false, 0, 0];
    for (let t = 0; t < lasts; t++) {
      const h = vessel.height(v);
      if (!on && h >= rise) [on, starts] = [true, starts + 1];
      else if (on && h <= fall) [on, v] = [false, v + drainback(1, fall).volume];
      const q = on ? flowAt(h)! : 0;
      pumped += q;
      v += flow - q;
    }
    return { ms: performance.now() - began, starts, pumped };
  };
  const loops = Array.from({ length: 9 }, loop);
  const [exactMs, loopMs] = [median(exact.map((e) => e.ms)), median(loops.map((l) => l.ms))];
  const { pumps, balance } = exact[0]!.run;
  const off = (of: { starts: number; pumped: number }) => ({
    starts: round(of.starts / known.starts - 1, 5),
    pumped: Number((of.pumped / known.pumped - 1).toExponential(1)),
  });
  return {
    thousandCyclesMs: round(exactMs, 1),
    oneSecondLoopMs: round(loopMs, 1),
    timesFaster: round(loopMs / exactMs, 1),
    exactOff: off({ starts: pumps[0]!.starts, pumped: balance.pumped }),
    loopOff: off(loops[0]!),
  };
}

/** A year of the duplex at ten-minute steps with power cuts; a thousand one-day storms; and what the screen asks of a run. */
function rehearsing() {
  const duplex = demoStations().find((d) => d.station.control.scheme === 'duplex')!.station;
  const { even: random } = randomFrom(7);
  const year = plainScenario(
    duplex,
    365 * 86400,
    Array.from({ length: 365 * 144 }, (_, i) => ({
      time: i * 600,
      flow: 0.0003 + (random() < 0.02 ? 0.008 * random() : 0.0004 * random()),
    })),
    Array.from({ length: 12 }, (_, i) => ({ from: (i * 30 + 10) * 86400, to: (i * 30 + 10) * 86400 + 5400 })),
  );
  const years = Array.from({ length: 5 }, () => go(duplex, year));
  const from = performance.now();
  for (let i = 0; i < 1000; i++) {
    const [peak, start] = [0.004 + 0.012 * random(), 3600 * 20 * random()];
    go(
      duplex,
      plainScenario(duplex, 86400, [
        { time: 0, flow: 0.0003 },
        ...Array.from({ length: 12 }, (_, k) => ({
          time: start + 1 + k * 600,
          flow: peak * Math.sin(((k + 0.5) * Math.PI) / 12),
        })),
        { time: start + 1 + 7200, flow: 0.0003 },
      ]),
    );
  }
  const storms = performance.now() - from;

  // What the screen asks of a rehearsal that has run: a window of an hour, a moment.
  const recorded = record(duplex, year);
  if (!recorded.ok) throw new Error('refused');
  let n = 0;
  const somewhere = () => ((n++ * 7919) % 8700) * 3600;
  const once = (task: () => void) => {
    const at = performance.now();
    task();
    return round(performance.now() - at, 0);
  };
  const [storm] = readyScenarios(duplex);
  return {
    windowOfYearMs: timed(() => {
      const from = somewhere();
      recorded.window(from, from + 3600);
    }),
    momentOfYearMs: timed(() => recorded.moment(somewhere())),
    whatIfDuplexMs: once(() => whatIf(duplex, storm!, 0)),
    hundredYearsOfChanceMs: once(() => chance(duplex, { ...usualChances, years: 100 })),
    yearMs: round(median(years.map((y) => y.ms)), 0),
    yearStarts: years[0]!.run.pumps.map((p) => p.starts),
    yearResidueM3: years[0]!.run.balance.residue,
    thousandStormsMs: round(storms, 0),
    ...besideLoop(),
  };
}

/** Time from a touch of the lead float in the duplex’s ladder to the frame that shows it, ms: median and longest. */
async function toggling() {
  const browser = await chromium.launch(config.use!.launchOptions);
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${ADDRESS}/stations/5/panel`);
  await page.waitForLoadState('networkidle');
  const times = await page.evaluate<number[]>(`(async () => {
    const float = document.querySelector('[aria-label^="S-lead.NO"]');
    const times = [];
    for (let i = 0; i < 40; i++) {
      await new Promise((done) => requestAnimationFrame(done));
      const from = performance.now();
      float.dispatchEvent(new MouseEvent('click', { bubbles: true }));
      await new Promise((done) => requestAnimationFrame(() => { const c = new MessageChannel(); c.port1.onmessage = done; c.port2.postMessage(0); }));
      times.push(performance.now() - from);
    }
    return times;
  })()`);
  await browser.close();
  return { medianMs: round(median(times), 1), longestMs: round(Math.max(...times.slice(2)), 1) };
}

const each = <T>(of: (station: Station) => T) =>
  Object.fromEntries(demoStations().map(({ file, station }) => [file.replace('.json', ''), of(station)]));

async function startServer(data: string): Promise<{ server: ChildProcess; ms: number }> {
  const from = performance.now();
  const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(PORT)], {
    env: { ...process.env, PITBELL_DATA: data },
    stdio: 'ignore',
  });
  // Broken off, the bench leaves no server behind.
  process.once('exit', () => server.kill());
  for (;;) {
    try {
      if ((await fetch(ADDRESS)).ok) return { server, ms: performance.now() - from };
    } catch {
      await new Promise((r) => setTimeout(r, 10));
    }
  }
}

const stopServer = (server: ChildProcess) =>
  new Promise<void>((resolve) => {
    server.once('exit', () => resolve());
    server.kill('SIGTERM');
  });

/** Opens a route with an empty cache; ms from navigation until the page answers, and kB of script as sent (compressed). */
async function open(browser: Browser, route: string): Promise<{ interactive: number; first: number; all: number }> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const scripts = new Map<string, { initial: boolean; bytes: number }>();
  session.on('Network.requestWillBeSent', (e) => {
    if (e.type === 'Script') scripts.set(e.requestId, { initial: e.initiator.type === 'parser', bytes: 0 });
  });
  session.on('Network.loadingFinished', (e) => {
    const script = scripts.get(e.requestId);
    if (script) script.bytes = e.encodedDataLength;
  });
  await page.goto(`${ADDRESS}${route}`);
  await page.waitForFunction(() => performance.getEntriesByName('pitbell-answers').length > 0);
  const interactive = await answersAfter(page);
  await page.waitForLoadState('networkidle');
  await page.context().close();
  const sum = (of: (s: { initial: boolean }) => boolean) =>
    [...scripts.values()].filter(of).reduce((total, s) => total + s.bytes, 0) / 1000;
  return { interactive, first: sum((s) => s.initial), all: sum(() => true) };
}

const answersAfter = (page: Page) => page.evaluate(() => performance.getEntriesByName('pitbell-answers')[0]!.startTime);

async function pages() {
  const browser = await chromium.launch(config.use!.launchOptions);
  const result: Record<string, unknown> = {};
  for (const [name, route] of Object.entries(ROUTES)) {
    const runs = [];
    for (let i = 0; i < 5; i++) runs.push(await open(browser, route));
    result[name] = {
      interactiveMs: round(median(runs.map((r) => r.interactive)), 0),
      firstLoadScriptKb: round(median(runs.map((r) => r.first)), 0),
      allScriptKb: round(median(runs.map((r) => r.all)), 0),
    };
  }
  await browser.close();
  return result;
}

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(1));
const data = mkdtempSync(path.join(tmpdir(), 'pitbell-bench-'));
spawnSync(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], { env: { ...process.env, PITBELL_DATA: data } });
const starts: number[] = [];
for (let i = 0; i < 3; i++) {
  const { server, ms } = await startServer(data);
  starts.push(ms);
  await stopServer(server);
}
const { server } = await startServer(data);
const answer = {
  machine: { node: process.version, cpus: (await import('node:os')).cpus().length },
  judgementMs: each((s) => timed(() => judge(s))),
  rejudgementMs: each(rejudging),
  proposalMs: each(proposing),
  panel: panels(),
  rehearsal: rehearsing(),
  toggling: await toggling(),
  proving: await proving(timed),
  trace: trace(timed),
  drill: drill(timed),
  book: book(timed),
  feeds: await feeds(),
  serverStartMs: round(median(starts), 0),
  dragging: await dragging(`${ADDRESS}/stations/5/levels`),
  underLoad: (await load.run(30, 1)).figures,
  pages: await pages(),
};
await stopServer(server);
rmSync(data, { recursive: true });
process.stdout.write(`${JSON.stringify(answer, null, 2)}\n`);
