import { traitsOf } from '../duties';
import type { Fault } from '../faults';
import type { LevelGeometry } from '../levels';
import { account, plainScenario } from '../rehearsal';
import type { Panel } from '../schemes';

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
}

/** Minutes in which everything was isolated. */
export interface Off {
  readonly from: number;
  readonly to: number;
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

/**
 * The station lives on while one works at it: rehearsed with what is hidden in it, cut off while it is isolated.
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
  offs: readonly Off[],
): WaterNow | null {
  const came = arrives(levels, which);
  const at = (minute: number) => came + 60 * minute;
  const lasts = at(minutes) + 1;
  const scenario = plainScenario(
    'a drill',
    levels.station,
    lasts,
    { kind: 'level', which, scale: 1 },
    {
      faults: faults.map((f) => ({ from: 0, to: null, id: f.id })),
      powerCuts: offs.filter((o) => o.to > o.from).map((o) => ({ from: at(o.from), to: Math.min(at(o.to), lasts) })),
    },
  );
  let level = levels.stop;
  let [rings, rang, running, spilt, spilling] = [false, false, 0, 0, 0];
  const ran = account(levels.station, scenario, {
    more: faults,
    hears: {
      passed({ from, to, v1, over, overflow, panel: now }) {
        level = levels.vessel.height(v1);
        [rings, running] = [now.alarm, now.running];
        if (to <= came) return;
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
    level,
    spilt,
    spilling,
    rings,
    rang,
    running: panel.outcomes.flatMap(({ kind, pump }) =>
      kind === 'pump' && pump !== undefined && running & (1 << (pump - 1)) ? [pump] : [],
    ),
  };
}
