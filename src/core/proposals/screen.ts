import { traitsOf } from '../duties';
import { coverNeeded, doseFigures, type Surroundings, type RuleId } from '../levels';
import { flowsOf } from '../inflow';
import type { Station } from '../station';
import { systemOf, tapeStep } from '../units';

/** A stop and a start that are tried together, and the water between. */
export interface Band {
  readonly stop: number;
  readonly lead: number;
  readonly drawdown: number;
}

/**
 * Quick bounds that a stop and a start must pass before the rules are asked. Each is only necessary: what fails it fails the rule of its name,
 * whatever else is set; what passes is judged by the rule itself. So they cost no answer, and save almost all of the time.
 */
export interface Screen {
  /** What can be told of a stop by its level alone. */
  stop(level: number): boolean;
  band(band: Band): boolean;
  /** The level that calls the last of `running` pumps. */
  lastCall(level: number, running: number): boolean;
  alarm(rise: number, band: Band): boolean;
  /** The highest level at which the alarm may ring, whatever the band, m. */
  readonly alarmMost: number;
  cutoff(rise: number): boolean;
  /** Least distance between two levels that act one after the other, m. */
  readonly gap: number;
  /** And under the overflow, which is no sensor: what a tape can tell apart. */
  readonly gapToOverflow: number;
}

/** Rounding never fails a bound. */
const EASE = 1 + 1e-9;

export function screenFor(
  station: Station,
  { vessel, hydraulics }: Surroundings,
  required: ReadonlySet<RuleId>,
): Screen {
  const { duty, settings, pumps, control } = station;
  const { mover, timer, direction, notAsked } = traitsOf(station);
  const asks = (id: RuleId) => required.has(id) && !(id in notAsked);
  const valve = mover.kind === 'valve';
  const timed = timer !== null;
  const filling = direction === 'fill';
  const step = tapeStep(systemOf(station.profile));
  const inflow = flowsOf(station.inflow);
  const back = (stop: number, running: number) => (filling ? 0 : hydraulics.drainback(running, stop).volume);
  const limit = Math.min(...pumps.map((p) => p.startsPerHour));
  const least = Math.max(...pumps.map((p) => p.minimumRun));
  const turn = control.alternates ? 1 / hydraulics.count : 1;
  const flow = (level: number) => hydraulics.flowAt(level, 1);
  const overflowVolume = vessel.volume(station.vessel.overflow);
  const inletMost =
    settings.inlet === 'free' ? station.vessel.inletInvert : station.vessel.inletInvert + settings.surcharge;

  const reserved =
    asks('reserve') && !filling
      ? vessel.height(overflowVolume - (settings.reserveTime * inflow[settings.reserveInflow]) / EASE)
      : Infinity;
  const alarmMost = Math.min(asks('inlet') ? inletMost : Infinity, reserved);

  const mustCover = (duty.kind === 'transfer' && asks('dry-run')) || asks('submergence');
  const covered = (stop: number) => !mustCover || stop * EASE >= coverNeeded(station, hydraulics, stop);
  const kept = ({ stop, lead, drawdown }: Band) => {
    if (duty.kind === 'transfer' && asks('dry-run') && drawdown * EASE < duty.usefulRun) return false;
    if (duty.kind !== 'fill' || !asks('fill')) return true;
    const into = flow(stop);
    return (
      lead * EASE >= duty.keep && (into === null || (overflowVolume - vessel.volume(stop)) * EASE >= into * duty.runOn)
    );
  };
  const drains = ({ stop, drawdown }: Band) =>
    !asks('drainback') || drawdown * EASE >= back(stop, hydraulics.count) * (1 + settings.drainbackMargin);
  // Between stop and start the flow lies between its ends; a constant flow q cycles in no less than (√(V−D) + √V)²/q.
  const paced = ({ stop, lead, drawdown }: Band) => {
    if (valve || timed || !(asks('starts') || asks('run'))) return true;
    const [a, b] = [flow(stop), flow(lead)];
    if (a === null || b === null) return !asks('starts');
    const slow = Math.min(a, b);
    const shortest = (Math.sqrt(Math.max(drawdown - back(stop, 1), 0)) + Math.sqrt(drawdown)) ** 2 / slow;
    if (asks('starts') && (3600 / shortest) * turn > limit * EASE) return false;
    if (!asks('run') || inflow.low >= slow) return true;
    return (drawdown / (slow - inflow.low)) * EASE >= least;
  };

  return {
    gap: asks('gap') ? settings.minimumGap : asks('order') ? step : -Infinity,
    gapToOverflow: asks('order') ? step : -Infinity,
    stop: covered,
    band: (b) => kept(b) && covered(b.stop) && drains(b) && paced(b),
    lastCall(level, running) {
      if (!asks('keep-up')) return true;
      const delivered = hydraulics.flowAt(level, running);
      // Where nothing is known of the flow the rule has to say why.
      return delivered === null || delivered * EASE >= inflow.peak * settings.keepUpFactor;
    },
    alarmMost,
    alarm: (rise, band) =>
      rise <= alarmMost + 1e-9 && (!timed || !asks('dose') || surgeFits(station, { vessel, hydraulics }, band, rise)),
    cutoff(rise) {
      const { source } = station.inflow;
      if (!asks('cut-off') || duty.kind !== 'condensate' || source.kind !== 'appliances') return true;
      return (overflowVolume - vessel.volume(rise)) * EASE >= source.list.reduce((sum, a) => sum + a.after, 0);
    },
  };
}

function surgeFits(
  station: Station,
  { vessel, hydraulics }: Surroundings,
  { stop, lead, drawdown }: Band,
  alarm: number,
): boolean {
  const dosed = doseFigures({ station, hydraulics, drawdown, stop, atLead: hydraulics.at(lead) });
  return !dosed.ok || (vessel.volume(alarm) - vessel.volume(lead)) * EASE >= dosed.surge;
}
