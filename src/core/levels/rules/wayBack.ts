import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { ordersOf } from '../cycle';
import { notAsked, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** What one pump brings does not come back through another that stands. */
export const wayBack: Rule<'way-back'> = {
  id: 'way-back',
  title: 'no way back through a pump that stands',
  severity: 'must',
  settings: ['standingLoss'],
  otherThanFloats: true,
  about: ['pump', 'pipe'],
  judge(context) {
    const { station, hydraulics, calls } = context;
    const about = ['pump', 'pipe'] as const;
    if (traitsOf(station).mover.kind === 'valve' || hydraulics.count < 2)
      return notAsked(phrase`No other pump stands beside the one that runs.`, about);
    if (station.discharge.checkValve !== null)
      return notAsked(
        phrase`Each pump has a check valve, as surveyed; whether it closes is for a test, and the what-if of Rehearse asks it stuck open.`,
        about,
      );
    const alone = ordersOf(context).map((order) => ({ pump: order[0]!, point: hydraulics.at(calls[0]!, [order[0]!]) }));
    const none = alone.find((a) => !a.point.ok);
    if (none && !none.point.ok && none.point.reason === 'run-out')
      return { state: 'unknown', why: sayNoDuty(none.point), about };
    const back = alone.map((a) => ({ ...a, share: a.point.ok ? a.point.shortCircuit / a.point.pumpFlow : 1 }));
    const worst = back.reduce((a, b) => (b.share > a.share ? b : a));
    return [
      {
        sense: 'at-most',
        needs: quantity('share', 0),
        has: quantity('share', worst.share),
        scale: 1,
        why: worst.point.ok
          ? phrase`No check valves are fitted: of ${quantity('flow', worst.point.pumpFlow)} that pump ${String(worst.pump + 1)} pumps by itself, ${quantity('flow', worst.point.shortCircuit)} come back through what stands and turn it backwards; ${quantity('flow', worst.point.flow)} are delivered. A motor that is started while it turns backwards can be wrecked. Fit a check valve at each pump.`
          : phrase`No check valves are fitted: all that pump ${String(worst.pump + 1)} pumps by itself comes back through what stands and turns it backwards; nothing is delivered. Fit a check valve at each pump.`,
        about,
      },
    ];
  },
};
