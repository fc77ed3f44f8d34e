import { phrase, quantity } from '../../units';
import type { Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** Running at the lead level, the pump takes the peak inflow with something to spare. */
export const keepUp: Rule = {
  id: 'keep-up',
  title: 'pump against peak inflow',
  severity: 'must',
  judge({ station, atLead }) {
    if (!atLead.ok && atLead.reason === 'below-static-head') {
      return { state: 'unknown', why: sayNoDuty(atLead), about: ['pump', 'pipe'] };
    }
    const { peak } = station.inflow;
    const delivered = atLead.ok ? atLead.flow : atLead.atLeast;
    const known = atLead.ok ? '' : ' or more (past the end of its curve)';
    return [
      {
        sense: 'at-least',
        needs: quantity('flow', peak * station.settings.keepUpFactor),
        has: quantity('flow', delivered),
        why: phrase`With the water at the lead level the pump delivers ${quantity('flow', delivered)}${known}, net of the weep hole; the peak inflow is ${quantity('flow', peak)}, times ${quantity('factor', station.settings.keepUpFactor)}.`,
        about: ['pump', 'pipe', 'level:lead'],
      },
    ];
  },
};
