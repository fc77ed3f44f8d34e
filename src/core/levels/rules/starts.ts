import { phrase, quantity } from '../../units';
import type { Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** At the inflow that makes it start most often, the pump stays within its starts limit. */
export const starts: Rule = {
  id: 'starts',
  title: 'starts per hour at worst inflow',
  severity: 'must',
  judge({ station, worst }) {
    const about = ['float:pump', 'level:lead', 'level:stop'] as const;
    if (!worst.ok) return { state: 'unknown', why: sayNoDuty(worst), about: ['pump'] };
    const { startsPerHour: limit } = station.pumps[0]!;
    return [
      {
        sense: 'at-most',
        needs: quantity('rate', limit),
        has: quantity('rate', worst.startsPerHour),
        why: phrase`Worst at an inflow of ${quantity('flow', worst.inflow)}: fills in ${quantity('time', worst.fill)}, runs ${quantity('time', worst.run)}. Each start heats the motor; more water between lead and stop means fewer starts.`,
        about,
      },
    ];
  },
};
