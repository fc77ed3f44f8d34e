import { traitsOf } from '../../duties';
import type { Running } from '../../hydraulics';
import { phrase, quantity } from '../../units';
import type { LevelContext } from '../context';
import { notAsked, type Condition, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** What is delivered with the pump that gives most out of service: the others, called where so many are called, m³/s. */
export function firmCapacity({ hydraulics, calls }: LevelContext) {
  const alone = (i: number): number => {
    const point = hydraulics.at(calls[0]!, i === 0 ? 1 : [i]);
    return point.ok ? point.flow : point.reason === 'run-out' ? point.atLeast : 0;
  };
  const all = Array.from({ length: hydraulics.count }, (_, i) => i);
  const largest = all.reduce((a, b) => (alone(b) > alone(a) ? b : a));
  const rest: Running = all.filter((i) => i !== largest).slice(0, Math.max(calls.length - 1, 1));
  const level = calls[Math.min(rest.length, calls.length) - 1]!;
  return { largest, rest, level, point: hydraulics.at(level, rest) };
}

/** With its largest pump out of service a station of several still does its work: a school for the peak, a school for the design inflow. */
export const firm: Rule<'firm'> = {
  id: 'firm',
  title: 'with the largest pump out of service',
  severity: 'must',
  settings: ['firm', 'keepUpFactor', 'reserveTime'],
  otherThanFloats: true,
  about: ['pump', 'pipe'],
  judge(context) {
    const { station, hydraulics, inflow, vessel, alarm, overflow } = context;
    const about = ['pump', 'pipe'] as const;
    if (hydraulics.count < 2)
      return notAsked(
        phrase`There is one pump: with it out of service nothing stands in, and the reserve above the alarm is all there is.`,
        about,
      );
    const { settings } = station;
    const { words, direction } = traitsOf(station);
    const { largest, point } = firmCapacity(context);
    if (!point.ok && point.reason === 'below-static-head') return { state: 'unknown', why: sayNoDuty(point), about };
    const flow = point.ok ? point.flow : point.atLeast;
    const peakSchool = settings.firm === 'peak';
    const wanted = peakSchool ? inflow.peak : inflow.design;
    const named = peakSchool ? 'peak' : 'design';
    const other = peakSchool
      ? phrase`the other school asks it for the design ${words.inflow} of ${quantity('flow', inflow.design)}, and the reserve above the alarm for the rest`
      : phrase`the other school asks it for the peak ${words.inflow} of ${quantity('flow', inflow.peak)}`;
    const conditions: Condition[] = [
      {
        sense: 'at-least',
        needs: quantity('flow', wanted * settings.keepUpFactor),
        has: quantity('flow', flow),
        why: phrase`Without pump ${String(largest + 1)} the others deliver ${quantity('flow', flow)}${point.ok ? '' : ' or more (past the end of a curve)'}; the ${named} ${words.inflow} is ${quantity('flow', wanted)}, times ${quantity('factor', settings.keepUpFactor)} (${other}). That the panel calls them then is not asked here: Rehearse asks it.`,
        about,
      },
    ];
    const short = inflow.peak - flow;
    if (!peakSchool && short > 0) {
      const low = direction === 'fill';
      const room = alarm && !low ? Math.max(vessel.volume(overflow) - vessel.volume(alarm.rise), 0) : 0;
      conditions.push({
        sense: 'at-least',
        needs: quantity('duration', settings.reserveTime),
        has: quantity('duration', room / short),
        why: phrase`Without pump ${String(largest + 1)} the peak ${words.inflow} is ${quantity('flow', short)} more than the others deliver: ${quantity('volume', room)} between the alarm and the overflow hold that for ${quantity('duration', room / short)}.`,
        about: ['level:alarm', 'level:overflow'],
      });
    }
    return conditions;
  },
};
