import { phrase, quantity } from '../../units';
import { notAsked, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** At the inflow that makes it start most often, each pump stays within its starts limit. */
export const starts: Rule = {
  id: 'starts',
  title: 'starts per hour at worst inflow',
  severity: 'must',
  judge({ station, worst, hydraulics }) {
    const about = ['level:lead', 'level:stop', 'pump'] as const;
    const { duty, control } = station;
    if (duty.kind === 'fill' && duty.from.kind === 'valve')
      return notAsked(phrase`It is filled through a valve: no motor starts.`, about);
    const needs = quantity('rate', Math.min(...station.pumps.map((p) => p.startsPerHour)));
    if (duty.kind === 'dose' && duty.mode === 'timed') {
      const pause = station.sensors.some((s) => s.role === 'peak') ? Math.min(duty.off, duty.peakOff) : duty.off;
      const has = quantity('rate', 3600 / (duty.on + pause));
      return [
        {
          sense: 'at-most',
          needs,
          has,
          why: phrase`The timer runs it ${quantity('time', duty.on)} and rests it ${quantity('time', pause)} at the shortest: no inflow starts it more often.`,
          about,
        },
      ];
    }
    if (!worst.ok) return { state: 'unknown', why: sayNoDuty(worst), about: ['pump'] };
    const shared =
      control.alternates && hydraulics.count > 1
        ? phrase` ${String(hydraulics.count)} pumps take turns, so each starts in ${String(worst.pumps)} of ${String(hydraulics.count)} cycles.`
        : phrase``;
    const called = worst.pumps > 1 ? phrase` (${String(worst.pumps)} pumps at once)` : phrase``;
    return [
      {
        sense: 'at-most',
        needs,
        has: quantity('rate', worst.startsPerHour),
        why: phrase`Worst at an inflow of ${quantity('flow', worst.inflow)}: rests ${quantity('time', worst.fill)}, runs ${quantity('time', worst.run)}${called}.${shared} Each start heats the motor; more water between start and stop means fewer starts.`,
        about,
      },
    ];
  },
};
