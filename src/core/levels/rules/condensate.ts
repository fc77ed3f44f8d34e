import { phrase, quantity } from '../../units';
import type { LevelContext } from '../context';
import { notAsked, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** What the appliances still shed after the cut-off has stopped them, m³. */
const shedAfter = ({ station: { inflow } }: LevelContext): number =>
  inflow.source.kind === 'appliances' ? inflow.source.list.reduce((sum, a) => sum + a.after, 0) : 0;

const NO_CONDENSATE = phrase`No condensate is pumped here.`;

/** The pump lifts within its maker's limit. Whether it takes the sum of the appliances is keep-up's to ask. */
export const lift: Rule<'lift'> = {
  id: 'lift',
  title: 'lift within the maker’s limit',
  severity: 'must',
  otherThanFloats: true,
  about: ['pump', 'pipe'],
  judge({ station, atStop, hydraulics }) {
    const about = ['pump', 'pipe'] as const;
    if (station.duty.kind !== 'condensate') return notAsked(NO_CONDENSATE, about);
    if (!atStop.ok) return { state: 'unknown', why: sayNoDuty(atStop), about: ['pump'] };
    const pump = station.pumps[0]!;
    const shutOff = hydraulics.curves[0]!.at(0);
    const share = atStop.staticHead / shutOff;
    return [
      {
        sense: 'at-most',
        needs: quantity('share', pump.headShare),
        has: quantity('share', share),
        why: phrase`It lifts ${quantity('head', atStop.staticHead)}, ${quantity('share', share)} of its shut-off head of ${quantity('head', shutOff)}; its maker allows ${quantity('share', pump.headShare)}.`,
        about,
      },
    ];
  },
};

/** Whether what is landed otherwise may touch the cut-off: any link, any core on another terminal, and a core of its own that hangs loose. */
const touchesCutOff = ({ landings, sensors }: LevelContext['station']): boolean => {
  const own = ['W-cut-', ...sensors.filter((s) => s.role === 'cutoff').map((s) => `W-${s.id}/`)];
  return (
    landings.links.length > 0 ||
    landings.cores.some(({ core, to }) => to !== null || own.some((cable) => core.startsWith(cable)))
  );
};

/** A cut-off is there, it stops what makes the water, and what is still shed after it has room. */
export const cutOff: Rule<'cut-off'> = {
  id: 'cut-off',
  title: 'cut-off before the spill',
  severity: 'must',
  about: ['level:overflow'],
  judge(context) {
    const { station, vessel, cutoff, overflow, marks, asked } = context;
    if (station.duty.kind !== 'condensate') return notAsked(NO_CONDENSATE, ['level:overflow']);
    const after = shedAfter(context);
    const absent = (sentence: ReturnType<typeof phrase>) => [
      {
        sense: 'at-least' as const,
        needs: quantity('count', 1),
        has: quantity('count', 0),
        why: sentence,
        about: ['level:overflow'] as const,
      },
    ];
    if (!cutoff)
      return absent(
        phrase`No cut-off float is fitted: when the pump fails the appliances go on, and the reservoir spills. Fit one, and break their call or their feed by it.`,
      );
    if (!station.interlocks.some((lock) => lock.kind === 'cutoff'))
      return absent(
        phrase`A cut-off float hangs there, and nothing is named that it stops: it breaks no appliance’s call or feed. Name what makes the water among the interlocks of the panel.`,
      );
    if (station.landings.cores.some(({ core, to }) => to === null && core.startsWith('W-cut-')))
      return absent(
        phrase`The wires of what the cut-off should stop hang loose: nothing of it goes through the panel, and how it is joined outside is not known. Land them on their terminals.`,
      );
    const touched = touchesCutOff(station);
    if (touched && asked.cutOffStops === false)
      return absent(
        phrase`As the panel is landed the cut-off does not stop all that makes water: with the water at the cut-off or at the overflow something of it may run. What is not as designed is told in Panel; until it is put right the reservoir spills when the pump fails.`,
      );
    if (touched && asked.cutOffStops !== true)
      return {
        state: 'unknown',
        why: phrase`Not all of the panel is landed as designed. Whether the cut-off still stops the appliances is told in Panel, under what is not as designed: until that is put right nobody should count on it.`,
        about: ['level:cutoff'],
      };
    const room = vessel.volume(overflow) - vessel.volume(cutoff.rise);
    return [
      {
        sense: 'at-least',
        needs: quantity('volume', after),
        has: quantity('volume', room),
        scale: Math.max(after, 1e-6),
        why: phrase`The cut-off ${touched ? 'stops the appliances, by the panel solved as it is landed, its power on and the circuit of the pump lost (the alarm’s own supply lost is told among the checks of Panel),' : 'is designed to stop the appliances'} at ${quantity('height', cutoff.rise)}; they shed ${quantity('volume', after)} more, and to the overflow there is room for ${quantity('volume', room)}. That it really stops them is for a test.`,
        about: ['level:cutoff', 'level:overflow', `float:${marks.find((m) => m.name === 'cutoff')!.sensor!}`],
      },
    ];
  },
};

/** Small lines clog: slime and scale leave less of a thin bore. */
export const tubeBore: Rule<'tube-bore'> = {
  id: 'tube-bore',
  title: 'bore of the condensate line',
  severity: 'should',
  settings: ['tubeBore'],
  otherThanFloats: true,
  about: ['pipe'],
  judge({ station: { duty, discharge, settings } }) {
    if (duty.kind !== 'condensate') return notAsked(NO_CONDENSATE, ['pipe']);
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
