import { wayOf } from '../duties';
import type { Listener } from './engine';
import type { Lane, Prepared } from './faultedModel';

export interface PumpRecord {
  readonly starts: number;
  /** s */
  readonly runTime: number;
  readonly longestRun: number;
  readonly longestRest: number;
  /** Most starts in any one hour. */
  readonly mostStartsInAnHour: number;
  /** J, by what its motor takes at its flow. */
  readonly energy: number;
}

/** A stretch of time, s. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Water of the whole rehearsal, m³; the residue is what the separate sums do not agree by. */
export interface Balance {
  readonly inflow: number;
  readonly pumped: number;
  /** What left through the line with no pump running; below zero: what came back out of the tank that is filled. */
  readonly still: number;
  readonly drainback: number;
  readonly overflow: number;
  readonly change: number;
  readonly residue: number;
}

/** What a rehearsal comes to. Times s, volumes m³, levels m. */
export interface Account {
  readonly pumps: readonly PumpRecord[];
  readonly balance: Balance;
  /** Time in which a pump runTime, one or more. */
  readonly pumpingTime: number;
  /** Time in alarm, of overflow, of a pump that ran in air. */
  readonly alarmTime: number;
  readonly alarms: number;
  readonly overflowTime: number;
  readonly dryRunTime: number;
  /** From the alarm to the overflow that follows while it rings: the shortest there was; null where none did. */
  readonly warningTime: number | null;
  /** Mean time that water stays; null where none leaves. */
  readonly residenceTime: number | null;
  readonly highestLevel: number;
  readonly lowestLevel: number;
  /** Greatest inflow there was, m³/s. */
  readonly greatestInflow: number;
  /** The first alarms and overflows, so many as are kept. */
  readonly alarmSpans: readonly Span[];
  readonly overflowSpans: readonly Span[];
  readonly firstDryRunAt: number | null;
  /** How long each lane of the trace was on. */
  readonly lanes: readonly (Lane & { readonly time: number })[];
}

const KEPT = 500;

/** What is counted of a pump. */
const tally = () => ({
  starts: 0,
  runTime: 0,
  longestRun: 0,
  longestRest: 0,
  mostStartsInAnHour: 0,
  since: 0,
  on: false,
  recent: [] as number[],
  energy: 0,
  ran(time: number, watts: number) {
    this.runTime += time;
    this.energy += time * watts;
  },
});

/** Keeps the account of a rehearsal that it listens to. */
export function ledger(
  { station, vessel, lanes }: Prepared,
  v0: number,
): { listener: Listener; close(t: number, v: number): Account } {
  const { sense } = wayOf(station);
  const pumps = station.pumps.map(tally);
  const sums = {
    inflow: 0,
    pumped: 0,
    still: 0,
    returned: 0,
    overflow: 0,
    alarm: 0,
    alarms: 0,
    overflowing: 0,
    dry: 0,
    stored: 0,
    any: 0,
  };
  const times = lanes.map(() => 0);
  const rang: { from: number; to: number }[] = [];
  const spilt: { from: number; to: number }[] = [];
  let [highest, lowest, most] = [v0, v0, 0];
  let [ringing, bellAt, spillAt] = [false, 0, -1];
  let warning: number | null = null;
  let firstDry: number | null = null;

  const listener: Listener = {
    passed(p) {
      const time = p.to - p.from;
      const { running, alarm } = p.panel;
      sums.inflow += p.came;
      sums.pumped += p.pumped;
      sums.still += p.still;
      sums.overflow += p.overflow;
      sums.stored += ((p.v0 + p.v1) / 2) * time;
      if (p.inflow > most) most = p.inflow;
      if (p.v0 > highest) highest = p.v0;
      if (p.v1 > highest) highest = p.v1;
      if (p.v0 < lowest) lowest = p.v0;
      if (p.v1 < lowest) lowest = p.v1;
      if (alarm !== ringing) {
        ringing = alarm;
        if (alarm) {
          bellAt = p.from;
          sums.alarms++;
          if (rang.length < KEPT) rang.push({ from: p.from, to: p.to });
        }
      }
      if (alarm) {
        sums.alarm += time;
        if (sums.alarms === rang.length) rang[rang.length - 1]!.to = p.to;
      }
      if (p.over) {
        sums.overflowing += time;
        if (spillAt !== p.from) {
          if (alarm) warning = Math.min(warning ?? Infinity, p.from - bellAt);
          if (spilt.length < KEPT) spilt.push({ from: p.from, to: p.to });
        } else if (spilt.length < KEPT) spilt[spilt.length - 1]!.to = p.to;
        spillAt = p.to;
      }
      if (p.dry) {
        sums.dry += time;
        firstDry ??= p.from;
      }
      if (running) sums.any += time;
      pumps.forEach((pump, i) => {
        if (running & (1 << i)) pump.ran(time, p.watts(i));
      });
      for (let n = 0, bits = p.on; bits > 0; n++, bits >>= 1) if (bits & 1) times[n]! += time;
    },
    turned(t, _before, after) {
      for (let i = 0; i < pumps.length; i++) {
        const p = pumps[i]!;
        const is = (after.running & (1 << i)) !== 0;
        if (is === p.on) continue;
        p.on = is;
        if (is) {
          p.starts++;
          p.longestRest = Math.max(p.longestRest, t - p.since);
          p.recent.push(t);
          while (t - p.recent[0]! >= 3600) p.recent.shift();
          p.mostStartsInAnHour = Math.max(p.mostStartsInAnHour, p.recent.length);
        } else p.longestRun = Math.max(p.longestRun, t - p.since);
        p.since = t;
      }
    },
    ranBack(volume) {
      sums.returned += volume;
    },
  };

  return {
    listener,
    close(t, v) {
      const change = v - v0;
      // What leaves: of a vessel that pumps fill, what is drawn.
      const left = sense < 0 ? sums.inflow : sums.pumped + sums.still - sums.returned;
      return {
        pumps: pumps.map((p) => ({
          starts: p.starts,
          runTime: p.runTime,
          longestRun: Math.max(p.longestRun, p.on ? t - p.since : 0),
          longestRest: Math.max(p.longestRest, p.on ? 0 : t - p.since),
          mostStartsInAnHour: p.mostStartsInAnHour,
          energy: p.energy,
        })),
        balance: {
          inflow: sums.inflow,
          pumped: sums.pumped,
          still: sums.still,
          drainback: sums.returned,
          overflow: sums.overflow,
          change,
          residue: sense * (sums.inflow - sums.pumped - sums.still) + sums.returned - sums.overflow - change,
        },
        pumpingTime: sums.any,
        alarmTime: sums.alarm,
        alarms: sums.alarms,
        overflowTime: sums.overflowing,
        dryRunTime: sums.dry,
        warningTime: warning,
        residenceTime: left > 0 ? sums.stored / left : null,
        highestLevel: vessel.height(highest),
        lowestLevel: vessel.height(lowest),
        greatestInflow: most,
        alarmSpans: rang,
        overflowSpans: spilt,
        firstDryRunAt: firstDry,
        lanes: lanes.map((lane, i) => ({ ...lane, time: times[i]! })),
      };
    },
  };
}
