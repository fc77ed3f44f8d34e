import { traitsOf } from '../duties';
import type { Fault } from '../faults';
import { flowsOf } from '../inflow';
import type { LevelGeometry } from '../levels';
import { account, plainScenario, type Account, type Scenario } from '../rehearsal';
import type { Panel } from '../schemes';
import type { Left } from './hands';

/** Where the water is after some minutes of work, and what it did meanwhile. */
export interface WaterNow {
  /** m above the floor. */
  readonly level: number;
  /** m³ over the top since the learner came, and for how long, s. */
  readonly spilt: number;
  readonly spilling: number;
  /** Whether the alarm rings now, or ever did since. */
  readonly rings: boolean;
  readonly rang: boolean;
  /** Pumps that run now, from 1. */
  readonly running: readonly number[];
  /** Where it stood since, minute and m, for a line to be drawn of it. */
  readonly line: readonly (readonly [minute: number, level: number])[];
  /** What was to be seen and heard since, by its minute. */
  readonly heard: readonly { readonly at: number; readonly says: string }[];
}

/** Some minutes since the learner came; without end where it still is. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** What a learner did to a station while it lived on. */
export interface Lived {
  /** Everything was isolated. */
  readonly offs: readonly Span[];
  /** What hands left otherwise than it is made. */
  readonly hands: readonly (Span & { readonly left: Left })[];
  /** Water that was poured in, m³/s. */
  readonly poured: readonly (Span & { readonly flow: number })[];
}

/** Somebody is called so long after the water should have called the pump, s. */
const LATE = 600;

/** From the stop until somebody stands there, s. */
function arrives({ station, vessel, stop, lead, inflow }: LevelGeometry, which: 'design' | 'peak'): number {
  const flow = inflow[which];
  const filling = flow > 0 ? Math.abs(vessel.volume(lead) - vessel.volume(stop)) / flow : 0;
  const { timer } = traitsOf(station);
  return Math.min(filling, 86_400) + (timer ? timer.on + timer.off : 0) + LATE;
}

/** What a hand holds or has landed, as the rehearsal takes it: like a fault that is there as long. */
function held({ act }: Left, place: number): Fault {
  const effects: Fault['effects'] =
    act.kind === 'put'
      ? { holds: { [act.device]: act.to } }
      : act.kind === 'land'
        ? { landings: { cores: [...act.cores] } }
        : { landings: { links: [{ a: act.a, b: act.b, fitted: act.fitted }] } };
  return {
    // Faults are put in by the order of their names: what hands did last holds over what was hidden.
    id: `~hand-${String(place).padStart(3, '0')}`,
    group: 'control',
    part: 'hands',
    label: 'hands',
    ...{ cause: '', remedy: '', perYear: 0, buys: false, wears: false },
    effects,
  };
}

/** A selector or breaker is turned, and turned back; all else is held or landed as long. */
const isTurned = ({ devices }: Panel, { act }: Left): boolean =>
  act.kind === 'put' && devices.find((d) => d.tag === act.device)?.sensor === undefined;

/** What came in over time, with what was poured: rows of a flow each. */
function rows(base: number, poured: readonly Span[], flows: readonly number[]): { time: number; flow: number }[] {
  const edges = [...new Set([0, ...poured.flatMap((p) => [p.from, p.to])])].sort((a, b) => a - b);
  return edges.map((time) => ({
    time,
    flow: poured.reduce((sum, p, i) => (time >= p.from && time < p.to ? sum + flows[i]! : sum), base),
  }));
}

/** What a learner’s acts are to a rehearsal that lasts so long. @param at when a minute is, s */
function told(
  { station }: LevelGeometry,
  panel: Panel,
  which: 'design' | 'peak',
  { offs, hands, poured }: Lived,
  at: (minute: number) => number,
  lasts: number,
): { over: Partial<Scenario>; inflow: Scenario['inflow']; more: Fault[] } {
  const span = ({ from, to }: Span) => ({ from: at(from), to: Math.min(at(to), lasts) });
  const turned = hands.filter((h) => isTurned(panel, h.left));
  const kept = hands.filter((h) => !isTurned(panel, h.left));
  const more = kept.map((h, i) => held(h.left, i));
  const pours = poured.map(span);
  return {
    more,
    inflow:
      poured.length === 0
        ? { kind: 'level', which, scale: 1 }
        : {
            kind: 'steps',
            rows: rows(
              flowsOf(station.inflow)[which],
              pours,
              poured.map((p) => p.flow),
            ),
            repeatEvery: null,
          },
    over: {
      powerCuts: offs.filter((o) => o.to > o.from).map(span),
      operations: turned.flatMap(({ left: { act }, from, to }) => {
        if (act.kind !== 'put') return [];
        const { initial } = panel.devices.find((d) => d.tag === act.device)!;
        const back = Number.isFinite(to) ? [{ at: at(to), device: act.device, position: initial }] : [];
        return [{ at: at(from), device: act.device, position: act.to }, ...back];
      }),
      faults: kept.map((h, i) => ({ id: more[i]!.id, from: at(h.from), to: Number.isFinite(h.to) ? at(h.to) : null })),
    },
  };
}

/** Points that are kept of a line. */
const POINTS = 600;

/** A line with fewer points, its ends among them. */
function thinned(line: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const every = Math.ceil(line.length / POINTS);
  return line.filter((_, i) => i % every === 0 || i === line.length - 1);
}

/** How long an alarm rings until the owner calls, s. */
const OWNER_CALLS = 1200;

/** What can be seen and heard by somebody who stands there, told as it changes. */
function listening(panel: Panel, minute: (time: number) => number) {
  const heard: { at: number; says: string }[] = [];
  const pumps = panel.outcomes.flatMap(({ kind, pump }) => (kind === 'pump' && pump !== undefined ? [pump] : []));
  let before: { running: number; alarm: boolean; over: boolean } | null = null;
  let rung = 0;
  return {
    heard,
    pass(from: number, to: number, running: number, alarm: boolean, over: boolean) {
      const say = (says: string) => void heard.push({ at: minute(from), says });
      const runs = (mask: number, pump: number) => (mask & (1 << (pump - 1))) !== 0;
      if (before) {
        for (const p of pumps)
          if (runs(running, p) !== runs(before.running, p)) say(`pump ${p} ${runs(running, p) ? 'starts' : 'stops'}`);
        if (alarm !== before.alarm) say(alarm ? 'the alarm begins' : 'the alarm has ended');
        if (over && !before.over) say('water goes over the top');
      } else if (alarm) say('the alarm is on as you come');
      const rings = alarm ? rung + to - from : 0;
      if (rung < OWNER_CALLS && rings >= OWNER_CALLS)
        heard.push({
          at: minute(from + OWNER_CALLS - rung),
          says: 'the owner calls: the alarm has gone on for twenty minutes',
        });
      rung = rings;
      before = { running, alarm, over };
    },
  };
}

/**
 * The station lives on while one works at it: rehearsed with what is hidden in it, and with what the learner does to it.
 * @param minutes since the learner came
 * @param levels of the station as it should be
 * @returns null where it cannot be rehearsed
 */
export function waterAfter(
  levels: LevelGeometry,
  panel: Panel,
  faults: readonly Fault[],
  which: 'design' | 'peak',
  minutes: number,
  lived: Lived,
): WaterNow | null {
  const came = arrives(levels, which);
  const at = (minute: number) => came + 60 * minute;
  const lasts = at(minutes) + 1;
  const { over, inflow, more } = told(levels, panel, which, lived, at, lasts);
  const scenario = plainScenario('a drill', levels.station, lasts, inflow, {
    ...over,
    faults: [...faults.map((f) => ({ from: 0, to: null, id: f.id })), ...(over.faults ?? [])],
  });
  let level = levels.stop;
  let [rings, rang, running, spilt, spilling] = [false, false, 0, 0, 0];
  const line: [number, number][] = [];
  const minute = (time: number) => (time - came) / 60;
  const { heard, pass } = listening(panel, minute);
  const ran = account(levels.station, scenario, {
    more: [...faults, ...more],
    hears: {
      passed({ from, to, v0, v1, over, overflow, panel: now }) {
        level = levels.vessel.height(v1);
        [rings, running] = [now.alarm, now.running];
        if (to <= came) return;
        if (line.length === 0) {
          const share = to > from ? (came - from) / (to - from) : 1;
          line.push([0, levels.vessel.height(v0 + Math.max(share, 0) * (v1 - v0))]);
        }
        line.push([minute(to), level]);
        pass(Math.max(from, came), to, now.running, now.alarm, over);
        rang ||= now.alarm;
        // A stretch that began before anybody was there counts from then on.
        const share = to > from ? (to - Math.max(from, came)) / (to - from) : 0;
        if (over) spilling += share * (to - from);
        spilt += share * overflow;
      },
    },
  });
  if (!ran.ok) return null;
  return {
    ...{ level, spilt, spilling, rings, rang, heard },
    line: thinned(line),
    running: panel.outcomes.flatMap(({ kind, pump }) =>
      kind === 'pump' && pump !== undefined && running & (1 << (pump - 1)) ? [pump] : [],
    ),
  };
}

/** What would come of a day on which things stay as they were left, by the model: the station mended else, but for some faults. */
export function dayAfter(
  levels: LevelGeometry,
  panel: Panel,
  left: readonly Left[],
  off: boolean,
  faults: readonly Fault[],
): Account | null {
  const day = 86_400;
  const lived: Lived = {
    offs: off ? [{ from: 0, to: Infinity }] : [],
    hands: left.map((l) => ({ left: l, from: 0, to: Infinity })),
    poured: [],
  };
  const { over, inflow, more } = told(levels, panel, 'design', lived, (m) => 60 * m, day);
  const scenario = plainScenario('left so', levels.station, day, inflow, {
    ...over,
    faults: [...faults.map((f) => ({ from: 0, to: null, id: f.id })), ...(over.faults ?? [])],
  });
  const ran = account(levels.station, scenario, { more });
  return ran.ok ? ran.account : null;
}
