import { traitsOf } from '../../duties';
import { noneOf } from '../../inflow';
import { phrase, quantity } from '../../units';
import { cycleOf } from '../cycle';
import { notAsked, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** At every inflow that was surveyed each run lasts long enough for the motor to shed the heat of its start. */
export const run: Rule<'run'> = {
  id: 'run',
  title: (station) => `shortest run at the ${traitsOf(station).words.inflow}s surveyed`,
  severity: 'should',
  about: ['level:lead', 'level:stop', 'pump'],
  judge(context) {
    const { station, inflow } = context;
    const { timer, words } = traitsOf(station);
    const about = ['level:lead', 'level:stop', 'pump'] as const;
    const needs = quantity('time', Math.max(...station.pumps.map((p) => p.minimumRun)));
    if (needs.value === 0) return notAsked(phrase`No minimum run is set for this pump.`, about);
    if (timer) {
      return [
        {
          sense: 'at-least',
          needs,
          has: quantity('time', timer.on),
          why: phrase`The timer runs the pump ${quantity('time', timer.on)} each dose. A run under ${needs} leaves the heat of the start in the winding.`,
          about,
        },
      ];
    }
    const cycles = (['low', 'design', 'peak'] as const).map((name) => ({
      name,
      cycle: cycleOf(context, inflow[name]),
    }));
    const asked = cycles.flatMap(({ name, cycle }) => (cycle.ok ? [{ name, ...cycle }] : []));
    const none = cycles.find(({ cycle }) => !cycle.ok)?.cycle;
    if (none && !none.ok) return { state: 'unknown', why: sayNoDuty(none), about: ['pump'] };
    const shortest = asked.reduce((a, b) => (b.run < a.run ? b : a));
    const at = noneOf(shortest.inflow)
      ? phrase`With no ${words.inflow} at all`
      : phrase`At the ${shortest.name} ${words.inflow}, ${quantity('flow', shortest.inflow)}`;
    const why =
      shortest.run < Infinity
        ? phrase`${at}, it goes from start to stop in ${quantity('time', shortest.run)}: the shortest of the three. A run under ${needs} leaves the heat of the start in the winding.`
        : phrase`At each ${words.inflow} it runs without a stop, so no run is too short; see whether it keeps up.`;
    return [{ sense: 'at-least', needs, has: quantity('time', shortest.run), why, about }];
  },
};
