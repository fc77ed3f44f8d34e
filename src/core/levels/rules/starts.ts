import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import type { Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** At the inflow that makes it start most often, each pump stays within its starts limit. */
export const starts: Rule<'starts'> = {
  id: 'starts',
  title: (station) => `starts per hour at worst ${traitsOf(station).words.inflow}`,
  severity: 'must',
  about: ['level:lead', 'level:stop', 'pump'],
  judge({ station, worst, hydraulics }) {
    const about = ['level:lead', 'level:stop', 'pump'] as const;
    const { control } = station;
    const { timer, words } = traitsOf(station);
    const needs = quantity('rate', Math.min(...station.pumps.map((p) => p.startsPerHour)));
    if (timer) {
      const pause = station.sensors.some((s) => s.role === 'peak') ? Math.min(timer.off, timer.peakOff) : timer.off;
      const has = quantity('rate', 3600 / (timer.on + pause));
      return [
        {
          sense: 'at-most',
          needs,
          has,
          why: phrase`The timer runs it ${quantity('time', timer.on)} and rests it ${quantity('time', pause)} at the shortest: no ${words.inflow} starts it more often.`,
          about,
        },
      ];
    }
    if (!worst.ok) return { state: 'unknown', why: sayNoDuty(worst), about: ['pump'] };
    const shared =
      control.alternates && hydraulics.count > 1
        ? phrase` ${String(hydraulics.count)} pumps take turns, so each starts in ${String(worst.pumps)} of ${String(hydraulics.count)} cycles${hydraulics.likeness.some((l) => l !== 0) ? `; the shortest of them is the one that pump ${worst.lead + 1} leads` : ''}.`
        : phrase``;
    const called = worst.pumps > 1 ? phrase` (${String(worst.pumps)} pumps at once)` : phrase``;
    return [
      {
        sense: 'at-most',
        needs,
        has: quantity('rate', worst.startsPerHour),
        why: phrase`Worst where the ${words.inflow} is ${quantity('flow', worst.inflow)}: rests ${quantity('time', worst.fill)}, runs ${quantity('time', worst.run)}${called}.${shared} Each start heats the motor; more water between start and stop means fewer starts.`,
        about,
      },
    ];
  },
};
