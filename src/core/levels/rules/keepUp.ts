import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import type { OperatingPoint } from '../../hydraulics';
import { firstOf, ordersOf } from '../cycle';
import type { Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** Running at the level that calls the last of them, the pumps take the peak inflow with something to spare; what fills a tank, the peak draw. */
export const keepUp: Rule<'keep-up'> = {
  id: 'keep-up',
  title: (station) => {
    const { mover, words } = traitsOf(station);
    return `${mover.kind} against peak ${words.inflow}`;
  },
  severity: 'must',
  settings: ['keepUpFactor'],
  about: ['pump', 'pipe', 'level:lead'],
  judge(context) {
    const { station, calls, hydraulics, inflow } = context;
    const { peak } = inflow;
    const about = ['pump', 'pipe', 'level:lead'] as const;
    const { settings } = station;
    const { mover, words } = traitsOf(station);
    const running = calls.length;
    const level = calls[running - 1]!;
    // Where unlike pumps take turns and not all are called, those that give least are asked.
    const points = ordersOf(context).map((order) => hydraulics.at(level, firstOf(order, running)));
    const flow = (p: OperatingPoint) => (p.ok ? p.flow : p.reason === 'run-out' ? p.atLeast : 0);
    const point = points.reduce((a, b) => (flow(b) < flow(a) ? b : a));
    if (!point.ok && point.reason === 'below-static-head') return { state: 'unknown', why: sayNoDuty(point), about };
    const delivered = point.ok ? point.flow : point.atLeast;
    const known = point.ok ? '' : ' or more (past the end of its curve)';
    const who =
      mover.kind === 'valve'
        ? 'the valve delivers'
        : running === 1
          ? 'the pump delivers'
          : `${running} pumps together deliver`;
    // Only a pump that stands in the water has a weep hole into it.
    const weep = mover.kind === 'pump' && mover.stands === 'in-vessel' ? ', net of the weep hole' : '';
    const few =
      running < hydraulics.count
        ? ` Of ${hydraulics.count} pumps no more than ${running === 1 ? 'one is' : `${running} are`} called at once: there is no float for more.`
        : '';
    return [
      {
        sense: 'at-least',
        needs: quantity('flow', peak * settings.keepUpFactor),
        has: quantity('flow', delivered),
        why: phrase`With the water at ${quantity('height', level)}, where the last of them is called, ${who} ${quantity('flow', delivered)}${known}${weep}; the peak ${words.inflow} is ${quantity('flow', peak)}, times ${quantity('factor', settings.keepUpFactor)}.${few}`,
        about: ['pump', 'pipe', running === 1 ? 'level:lead' : running === 2 ? 'level:lag' : 'level:lag2'],
      },
    ];
  },
};
