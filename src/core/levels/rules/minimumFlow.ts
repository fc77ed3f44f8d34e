import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { firstOf, ordersOf } from '../cycle';
import { notAsked, type Condition, type Rule } from '../rule';

/** Share of the last flow of a curve that a pump is taken to need where its maker’s least flow is not known: assumed. */
const LEAST = 0.1;

/** However many run, each pump passes enough not to churn its own water hot: none is held shut by a stronger one. */
export const minimumFlow: Rule<'minimum-flow'> = {
  id: 'minimum-flow',
  title: 'least flow of each pump',
  severity: 'must',
  otherThanFloats: true,
  about: ['pump', 'pipe'],
  judge(context) {
    const { station, hydraulics, calls, stop } = context;
    const about = ['pump', 'pipe'] as const;
    if (traitsOf(station).mover.kind === 'valve')
      return notAsked(phrase`It is filled through a valve: no pump runs.`, about);
    const sets = ordersOf(context).flatMap((order) =>
      calls.map((_, i) => ({ set: order.slice(0, i + 1), running: firstOf(order, i + 1) })),
    );
    const conditions = sets.flatMap(({ set, running }): Condition[] => {
      const point = hydraulics.at(stop, running);
      if (!point.ok) return [];
      return point.pumps.map((p, k): Condition => {
        const pump = station.pumps[set[k]!]!;
        const least = pump.minimumFlow ?? LEAST * pump.curve.at(-1)!.flow;
        const said = pump.minimumFlow === null ? ' (assumed: a tenth of its last flow)' : '';
        const n = String(set[k]! + 1);
        const together =
          set.length > 1
            ? ` beside pump ${set
                .filter((i) => i !== set[k])
                .map((i) => i + 1)
                .join(' and ')}`
            : '';
        return {
          sense: 'at-least',
          needs: quantity('flow', least),
          has: quantity('flow', Math.max(p.pumpFlow, 0)),
          why:
            p.flow <= 0
              ? phrase`Pump ${n}${together} is held shut${p.flow < 0 ? ' and pushed back' : ''}: at the stop the others keep the line over its shut-off head. It runs against a closed valve and heats. It needs ${quantity('flow', least)}${said}: match the pumps, or never run them together.`
              : phrase`At the stop pump ${n}${together} passes ${quantity('flow', p.pumpFlow)}; below ${quantity('flow', least)}${said} it churns and heats its own water.`,
          about,
        };
      });
    });
    return conditions.length > 0
      ? conditions
      : notAsked(
          phrase`No operating point is known at the stop; see the pump against its ${traitsOf(station).words.inflow}.`,
          about,
        );
  },
};
