import { phrase, quantity } from '../../units';
import type { Rule } from '../rule';

/** From the bell to the overflow, with the pump dead or its power lost, there is the response time that was promised. */
export const reserve: Rule = {
  id: 'reserve',
  title: 'time from bell to overflow',
  severity: 'should',
  judge({ station, vessel, alarm, overflow }) {
    if (!alarm) return { state: 'not-applicable', why: phrase`No alarm float is fitted: nobody is told before the overflow.`, about: ['level:overflow'] };
    const { reserveInflow, reserveTime } = station.settings;
    const volume = Math.max(vessel.volume(overflow) - vessel.volume(alarm.rise), 0);
    const time = volume / station.inflow[reserveInflow];
    return [
      {
        sense: 'at-least',
        needs: quantity('duration', reserveTime),
        has: quantity('duration', time),
        why: phrase`${quantity('volume', volume)} between the bell and the overflow, with the pump dead or its power lost, at the ${reserveInflow} inflow of ${quantity('flow', station.inflow[reserveInflow])}. At the peak it is ${quantity('duration', volume / station.inflow.peak)}.`,
        about: ['level:alarm', 'level:overflow', 'float:alarm'],
      },
    ];
  },
};
