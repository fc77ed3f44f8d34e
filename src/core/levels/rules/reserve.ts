import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { storedInPipe } from '../../vessel';
import { reserveOf } from '../reserve';
import { notAsked, type Rule } from '../rule';

/** From the alarm to the overflow, with the pump dead or its power lost, there is the response time that was promised. */
export const reserve: Rule<'reserve'> = {
  id: 'reserve',
  title: 'time from alarm to overflow',
  severity: 'should',
  settings: ['reserveTime', 'reserveInflow'],
  about: ['level:overflow'],
  judge(context) {
    const { station, alarm, overflow, marks, inflow, atStop } = context;
    const { settings } = station;
    if (!alarm)
      return notAsked(phrase`No alarm float is fitted: nobody is told before the overflow.`, ['level:overflow']);
    const reserve = reserveOf(context);
    const about = ['level:alarm', 'level:overflow', `float:${marks.find((m) => m.name === 'alarm')!.sensor!}`] as const;
    if (traitsOf(station).direction === 'fill') {
      if (!reserve || !atStop.ok) return notAsked(phrase`Nothing is known of what fills it.`, about);
      return [
        {
          sense: 'at-least',
          needs: quantity('duration', settings.reserveTime),
          has: quantity('duration', reserve.design),
          why: phrase`${quantity('volume', reserve.volume)} between the alarm and the overflow, with the filling stuck open at ${quantity('flow', atStop.flow)} and nothing drawn.`,
          about,
        },
      ];
    }
    const at = inflow[settings.reserveInflow];
    // The school that lets the alarm act over the inlet uses its pipe as storage too.
    const pipe = settings.inlet === 'storage' ? station.inflow.inletPipe : null;
    const { inletInvert } = station.vessel;
    const inPipe = pipe ? storedInPipe(pipe, inletInvert, overflow) - storedInPipe(pipe, inletInvert, alarm.rise) : 0;
    const stored = reserve!.volume + inPipe;
    return [
      {
        sense: 'at-least',
        needs: quantity('duration', settings.reserveTime),
        has: quantity('duration', stored / at),
        why: phrase`${quantity('volume', stored)} between the alarm and the overflow${pipe ? phrase`, ${quantity('volume', inPipe)} of it in the inlet pipe` : phrase``}, with the pump dead or its power lost, at the ${settings.reserveInflow} inflow of ${quantity('flow', at)}. At the peak it is ${quantity('duration', stored / inflow.peak)}.`,
        about,
      },
    ];
  },
};
