import { phrase, quantity } from '../../units';
import { cycleOf } from '../cycle';
import type { Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** At design inflow each run lasts long enough for the motor to shed the heat of its start. */
export const run: Rule = {
  id: 'run',
  title: 'run time at design inflow',
  severity: 'should',
  judge(context) {
    const cycle = cycleOf(context, context.station.inflow.design);
    if (!cycle.ok) return { state: 'unknown', why: sayNoDuty(cycle), about: ['pump'] };
    const needs = quantity('time', context.station.pumps[0]!.minimumRun);
    const about = ['float:pump', 'level:lead', 'level:stop'] as const;
    if (needs.value === 0) return { state: 'not-applicable', why: phrase`No minimum run is set for this pump.`, about };
    const why = cycle.keepsUp
      ? phrase`From lead to stop in ${quantity('time', cycle.run)} against ${quantity('flow', cycle.inflow)}. A run under ${needs} leaves the heat of the start in the winding.`
      : phrase`The design inflow holds the pump running without a stop, so no run is too short; see whether it keeps up.`;
    return [{ sense: 'at-least', needs, has: quantity('time', cycle.run), why, about }];
  },
};
