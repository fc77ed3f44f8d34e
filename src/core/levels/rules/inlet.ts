import { phrase, quantity } from '../../units';
import { notAsked, type Rule } from '../rule';

/** School A: the alarm acts while the inlet is still free. School B: the inlet pipe is storage, up to a set surcharge. */
export const inlet: Rule<'inlet'> = {
  id: 'inlet',
  title: 'alarm against the inlet',
  severity: 'should',
  settings: ['inlet', 'surcharge'],
  about: ['level:inlet'],
  judge({ station, alarm, marks }) {
    if (!alarm) return notAsked(phrase`No alarm float is fitted.`, ['level:inlet']);
    const { inletInvert } = station.vessel;
    const free = station.settings.inlet === 'free';
    const needs = quantity('height', free ? inletInvert : inletInvert + station.settings.surcharge);
    return [
      {
        sense: 'at-most',
        needs,
        has: quantity('height', alarm.rise),
        scale: station.settings.minimumGap * 2,
        why: free
          ? phrase`The alarm acts at ${quantity('height', alarm.rise)}, the inlet invert is at ${needs}: someone hears it before water stands in the inlet pipe. (The other school uses that pipe as storage.)`
          : phrase`The alarm acts at ${quantity('height', alarm.rise)}; the inlet pipe is used as storage up to ${needs}. (The other school keeps the inlet free, below ${quantity('height', inletInvert)}.)`,
        about: ['level:alarm', 'level:inlet', `float:${marks.find((m) => m.name === 'alarm')!.sensor!}`],
      },
    ];
  },
};
