import { traitsOf } from '../duties';
import type { Fault } from '../faults';
import type { LevelGeometry } from '../levels';
import { account, plainScenario, type Account, type Listener, type Passed } from '../rehearsal';
import type { Panel } from '../schemes';

type PanelStands = Passed['panel'];

/** What a short rehearsal of a world shows to somebody who stands beside it. Times in s. */
export interface Life {
  readonly lasted: number;
  readonly account: Account;
  /** Each start: the pump from 0, the water, m³, and whether the alarm rang. */
  readonly starts: readonly { readonly pump: number; readonly volume: number; readonly alarm: boolean }[];
  /** Ended runs: how long. */
  readonly runs: readonly number[];
  /** Time in which each pump stood under voltage. */
  readonly hums: readonly number[];
  /** Time with two pumps or more running below the call of the second. */
  readonly together: number;
  /** Time in alarm with the water under where the alarm acts. */
  readonly falseAlarm: number;
  /** Time in which what makes water was stopped. */
  readonly stopped: number;
  /** Time with a pump running and the water at or past the stop. */
  readonly pastStop: number;
  /** Protection that opened by itself, and thermal protectors of pumps. */
  readonly tripped: ReadonlySet<string>;
  /** How the panel stands at its end; null where no time has passed. */
  readonly last: PanelStands | null;
}

const HOUR = 3600;
const DAY = 86400;
/** Starts and runs that are kept. */
const KEPT = 60;
/** Cycles that a short rehearsal has at least. */
const CYCLES = 6;
/** How far past a level is at it, as a share of its volume. */
const AT = 1.001;

/** How long it takes a station that stands still to run over or dry, and some cycles, s. */
function lasts({ station, vessel, stop, lead, overflow, inflow }: LevelGeometry, which: 'design' | 'peak'): number {
  const flow = inflow[which];
  if (!(flow > 0)) return DAY;
  const { direction, timer } = traitsOf(station);
  const still = direction === 'fill' ? vessel.volume(stop) : vessel.volume(overflow) - vessel.volume(stop);
  const cycle = Math.abs(vessel.volume(lead) - vessel.volume(stop));
  const least = Math.max((1.3 * still) / flow, (CYCLES * cycle) / flow, timer ? CYCLES * (timer.on + timer.off) : 0);
  return which === 'design' ? Math.min(Math.max(least, HOUR), 14 * DAY) : Math.min(Math.max(least, HOUR / 2), 3 * DAY);
}

/** Listens to a rehearsal for what a person would notice. */
function noticing({ station, vessel, stop, alarm, calls }: LevelGeometry, panel: Panel) {
  const fills = traitsOf(station).direction === 'fill';
  const low = vessel.volume(stop);
  const rings = alarm ? vessel.volume(alarm.fall) : null;
  const second = fills || calls[1] === undefined ? null : vessel.volume(calls[1]);
  const makers = panel.outcomes.filter((o) => o.makesWater).map((o) => o.id);
  const starts: { pump: number; volume: number; alarm: boolean }[] = [];
  const runs: number[] = [];
  const hums = station.pumps.map(() => 0);
  const sums = { together: 0, falseAlarm: 0, stopped: 0, pastStop: 0 };
  const tripped = new Set<string>();
  let last: PanelStands | null = null;
  let volume = 0;
  const hears: Listener = {
    passed({ from, to, v0, v1, panel: now }) {
      const time = to - from;
      const middle = (v0 + v1) / 2;
      [last, volume] = [now, v1];
      for (let i = 0; now.stalled >> i > 0; i++) if (now.stalled & (1 << i)) hums[i]! += time;
      if (second !== null && now.running & (now.running - 1) && middle < second) sums.together += time;
      if (rings !== null && now.alarm && (fills ? middle > rings * AT : middle * AT < rings)) sums.falseAlarm += time;
      if (now.running && (fills ? middle * AT > low : middle < low * AT)) sums.pastStop += time;
      if (makers.some((id) => !now.outcomes[id])) sums.stopped += time;
      for (const tag of now.tripped) tripped.add(tag);
    },
    turned(t, before, after, _why, since) {
      for (let i = 0; i < hums.length; i++) {
        const [was, is] = [before.running & (1 << i), after.running & (1 << i)];
        if (was === is) continue;
        if (is && starts.length < KEPT) starts.push({ pump: i, volume, alarm: before.alarm || after.alarm });
        if (!is && runs.length < KEPT) runs.push(t - since[i]!);
      }
    },
    told(_t, _v, kind) {
      if (kind === 'protection') tripped.add('thermal');
    },
  };
  return { hears, close: () => ({ starts, runs, hums, ...sums, tripped, last }) };
}

/**
 * A short rehearsal of a station with faults in it from its beginning, from an empty pit (a full tank) on, at an ordinary inflow or at the peak.
 * @returns null where it cannot be rehearsed
 */
export function lifeOf(
  levels: LevelGeometry,
  panel: Panel,
  faults: readonly Fault[],
  which: 'design' | 'peak',
): Life | null {
  const { station } = levels;
  const scenario = plainScenario(
    'a look at it',
    station,
    lasts(levels, which),
    { kind: 'level', which, scale: 1 },
    {
      faults: faults.map((f) => ({ from: 0, to: null, id: f.id })),
    },
  );
  const notices = noticing(levels, panel);
  const ran = account(station, scenario, { more: faults, hears: notices.hears });
  return ran.ok ? { lasted: scenario.duration, account: ran.account, ...notices.close() } : null;
}
