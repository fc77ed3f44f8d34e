import { phrase, quantity } from '../../units';
import { notAsked, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** Running at the level that calls the last of them, the pumps take the peak inflow with something to spare; what fills a tank, the peak draw. */
export const keepUp: Rule = {
  id: 'keep-up',
  title: 'pump against peak inflow',
  severity: 'must',
  judge({ station, calls, hydraulics, inflow: { peak } }) {
    const about = ['pump', 'pipe', 'level:lead'] as const;
    const { duty, settings } = station;
    if (duty.kind === 'transfer')
      return notAsked(phrase`The water is wanted here; the pump need not take all of it.`, about);
    if (duty.kind === 'dose' && duty.mode === 'timed')
      return notAsked(phrase`The timer decides how much is dosed; the dose rule asks whether the days fit.`, about);
    const running = calls.length;
    const level = calls[running - 1]!;
    const point = hydraulics.at(level, running);
    if (!point.ok && point.reason === 'below-static-head') return { state: 'unknown', why: sayNoDuty(point), about };
    const delivered = point.ok ? point.flow : point.atLeast;
    const known = point.ok ? '' : ' or more (past the end of its curve)';
    const filling = duty.kind === 'fill';
    const who =
      filling && duty.from.kind === 'valve'
        ? 'the valve delivers'
        : running === 1
          ? 'the pump delivers'
          : `${running} pumps together deliver`;
    return [
      {
        sense: 'at-least',
        needs: quantity('flow', peak * settings.keepUpFactor),
        has: quantity('flow', delivered),
        why: phrase`With the water at ${quantity('height', level)}, where the last of them is called, ${who} ${quantity('flow', delivered)}${known}${filling ? '' : ', net of the weep hole'}; the peak ${filling ? 'draw' : 'inflow'} is ${quantity('flow', peak)}, times ${quantity('factor', settings.keepUpFactor)}.`,
        about: ['pump', 'pipe', running === 1 ? 'level:lead' : running === 2 ? 'level:lag' : 'level:lag2'],
      },
    ];
  },
};
