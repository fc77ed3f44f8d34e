import { phrase, quantity } from '../../units';
import type { LevelContext } from '../context';
import { notAsked, type Condition, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** What the appliances still shed after the cut-off has stopped them, m³. */
const shedAfter = ({ station: { inflow } }: LevelContext): number =>
  inflow.source.kind === 'appliances' ? inflow.source.list.reduce((sum, a) => sum + a.after, 0) : 0;

/** The cut-off stops the appliances while what they still shed has room. Their sum is keep-up's to ask; the pump's limit of lift is asked here. */
export const condensate: Rule<'condensate'> = {
  id: 'condensate',
  title: 'cut-off before the spill, lift within limit',
  severity: 'must',
  about: ['pump'],
  judge(context) {
    const { station, vessel, cutoff, overflow, atStop, hydraulics, marks } = context;
    const pump = station.pumps[0]!;
    if (station.duty.kind !== 'condensate') return notAsked(phrase`No condensate is pumped here.`, ['pump']);
    if (!atStop.ok) return { state: 'unknown', why: sayNoDuty(atStop), about: ['pump'] };
    const shutOff = hydraulics.curves[0]!.at(0);
    const share = atStop.staticHead / shutOff;
    const conditions: Condition[] = [
      {
        sense: 'at-most',
        needs: quantity('share', pump.headShare),
        has: quantity('share', share),
        why: phrase`It lifts ${quantity('head', atStop.staticHead)}, ${quantity('share', share)} of its shut-off head of ${quantity('head', shutOff)}; its maker allows ${quantity('share', pump.headShare)}.`,
        about: ['pump', 'pipe'],
      },
    ];
    if (cutoff) {
      const after = shedAfter(context);
      const room = vessel.volume(overflow) - vessel.volume(cutoff.rise);
      conditions.push({
        sense: 'at-least',
        needs: quantity('volume', after),
        has: quantity('volume', room),
        scale: Math.max(after, 1e-6),
        why: phrase`The cut-off stops the appliances at ${quantity('height', cutoff.rise)}; they shed ${quantity('volume', after)} more, and to the overflow there is room for ${quantity('volume', room)}.`,
        about: ['level:cutoff', 'level:overflow', `float:${marks.find((m) => m.name === 'cutoff')!.sensor!}`],
      });
    }
    return conditions;
  },
};

/** Small lines clog: slime and scale leave less of a thin bore. */
export const tubeBore: Rule<'tube-bore'> = {
  id: 'tube-bore',
  title: 'bore of the condensate line',
  severity: 'should',
  settings: ['tubeBore'],
  about: ['pipe'],
  judge({ station: { duty, discharge, settings } }) {
    if (duty.kind !== 'condensate') return notAsked(phrase`No condensate is pumped here.`, ['pipe']);
    const has = quantity('bore', Math.min(...discharge.segments.map((s) => s.bore)));
    return [
      {
        sense: 'at-least',
        needs: quantity('bore', settings.tubeBore),
        has,
        why: phrase`The thinnest part of the line is ${has}; slime closes lines under ${quantity('bore', settings.tubeBore)}.`,
        about: ['pipe'],
      },
    ];
  },
};
