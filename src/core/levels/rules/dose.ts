import { phrase, quantity } from '../../units';
import { doseFigures } from '../dose';
import { notAsked, type Condition, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** The day's water leaves in doses: the design day and the peak day fit, the tank holds the peak between, the bed rests, and each dose is more than the pipe it must fill. */
export const dose: Rule<'dose'> = {
  id: 'dose',
  title: 'doses fit the day',
  severity: 'must',
  settings: ['doseMultiple'],
  about: ['level:lead', 'pump', 'pipe'],
  judge(context) {
    const { station, lead, peak: peakTrips, alarm, marks } = context;
    const { duty, settings } = station;
    const about = ['level:lead', 'pump', 'pipe'] as const;
    if (duty.kind !== 'dose') return notAsked(phrase`Nothing is dosed here.`, about);
    const dosed = doseFigures(context);
    if (!dosed.ok) return { state: 'unknown', why: sayNoDuty(dosed), about: ['pump'] };
    const volume = quantity('volume', dosed.volume);
    const day = quantity('volume', dosed.perDay);
    const conditions: Condition[] = [];
    const pipe = dosed.fills;
    if (pipe > 0) {
      conditions.push({
        sense: 'at-least',
        needs: quantity('volume', pipe * settings.doseMultiple),
        has: volume,
        why: phrase`One dose is ${volume}; the laterals it must fill hold ${quantity('volume', pipe)}. Under ${quantity('factor', settings.doseMultiple)} times that, the near orifices get the most of it.`,
        about,
      });
    }
    if (duty.mode === 'demand') {
      conditions.push({
        sense: 'at-most',
        needs: quantity('volume', dosed.perDay / duty.dosesPerDay),
        has: volume,
        why: phrase`The bed wants ${quantity('count', duty.dosesPerDay)} doses a day or more of the day's ${day}; one dose is ${volume}, which makes ${quantity('factor', dosed.perDay / dosed.volume)} a day.`,
        about: ['level:lead', 'level:stop'],
      });
      return conditions;
    }
    const timed = (pause: number) => (86400 / (duty.on + pause)) * dosed.volume;
    const shortest = peakTrips ? duty.peakOff : duty.off;
    conditions.push({
      sense: 'at-least',
      needs: day,
      has: quantity('volume', timed(duty.off)),
      why: phrase`${quantity('time', duty.on)} on and ${quantity('time', duty.off)} off make ${quantity('factor', 86400 / (duty.on + duty.off))} doses a day of ${volume}; the design day brings ${day}.`,
      about,
    });
    conditions.push({
      sense: 'at-least',
      needs: quantity('volume', dosed.perDay * duty.peakDay),
      has: quantity('volume', timed(shortest)),
      why: phrase`On a peak day of ${quantity('factor', duty.peakDay)} design days the ${peakTrips ? 'peak float shortens the rest' : 'timer keeps its rest'}: ${quantity('time', duty.on)} on and ${quantity('time', shortest)} off take ${quantity('volume', timed(shortest))}.`,
      about: [...about, ...(peakTrips ? (['level:peak'] as const) : [])],
    });
    conditions.push({
      sense: 'at-least',
      needs: quantity('time', duty.minimumRest),
      has: quantity('time', shortest),
      scale: Math.max(duty.minimumRest, 60),
      why: phrase`Between doses the bed rests ${quantity('time', shortest)} at the shortest; it needs ${quantity('time', duty.minimumRest)}.`,
      about,
    });
    if (alarm) {
      const room = context.vessel.volume(alarm.rise) - context.vessel.volume(lead);
      conditions.push({
        sense: 'at-least',
        needs: quantity('volume', dosed.surge),
        has: quantity('volume', room),
        scale: Math.max(dosed.surge, 1e-3),
        why: phrase`While a design day comes faster than the timer takes it, ${quantity('volume', dosed.surge)} gathers; between the timer's float and the alarm there is room for ${quantity('volume', room)}.`,
        about: ['level:lead', 'level:alarm', `float:${marks.find((m) => m.name === 'alarm')!.sensor!}`],
      });
    }
    return conditions;
  },
};

/** The last orifice still throws its jet, and the first does not take much more than its share. */
export const squirt: Rule<'squirt'> = {
  id: 'squirt',
  title: 'jets of the laterals',
  severity: 'should',
  settings: ['lateralSpread'],
  about: ['pipe'],
  judge(context) {
    const { station, atLead, hydraulics } = context;
    const { laterals } = station.discharge;
    if (!laterals || !hydraulics.laterals) return notAsked(phrase`No laterals are fitted.`, ['pipe']);
    if (!atLead.ok) return { state: 'unknown', why: sayNoDuty(atLead), about: ['pump'] };
    const height = hydraulics.laterals.squirtAt(atLead.flow);
    const { spread, flow } = hydraulics.laterals.at(height);
    const wanted = hydraulics.laterals.at(laterals.squirt);
    return [
      {
        sense: 'at-least',
        needs: quantity('height', laterals.squirt),
        has: quantity('height', height),
        why: phrase`At ${quantity('flow', flow)} the last orifice throws its jet ${quantity('height', height)} high; ${quantity('height', laterals.squirt)} is wanted, which takes ${quantity('flow', wanted.flow)}.`,
        about: ['pipe', 'pump'],
      },
      {
        sense: 'at-most',
        needs: quantity('share', station.settings.lateralSpread),
        has: quantity('share', spread),
        why: phrase`The first orifice of a lateral gives ${quantity('share', spread)} more than the last; ${quantity('share', station.settings.lateralSpread)} is let pass. A wider pipe or smaller orifices even it out.`,
        about: ['pipe'],
      },
    ];
  },
};
