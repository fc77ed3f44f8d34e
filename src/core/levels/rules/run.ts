import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { cycleOf } from '../cycle';
import { notAsked, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** At design inflow each run lasts long enough for the motor to shed the heat of its start. */
export const run: Rule<'run'> = {
  id: 'run',
  title: 'run time at design inflow',
  severity: 'should',
  about: ['level:lead', 'level:stop', 'pump'],
  judge(context) {
    const { station, inflow } = context;
    const { timer } = traitsOf(station);
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
    const cycle = cycleOf(context, inflow.design);
    if (!cycle.ok) return { state: 'unknown', why: sayNoDuty(cycle), about: ['pump'] };
    const why = cycle.keepsUp
      ? phrase`From start to stop in ${quantity('time', cycle.run)} against ${quantity('flow', cycle.inflow)}. A run under ${needs} leaves the heat of the start in the winding.`
      : phrase`The design inflow holds the pump running without a stop, so no run is too short; see whether it keeps up.`;
    return [{ sense: 'at-least', needs, has: quantity('time', cycle.run), why, about }];
  },
};
