import { phrase, quantity } from '../../units';
import { notAsked, type Condition, type Rule } from '../rule';
import { sayCover } from './submergence';

/** A pump that takes water which is wanted elsewhere stops before its intake draws air, and does not start again for a mouthful. */
export const dryRun: Rule<'dry-run'> = {
  id: 'dry-run',
  title: 'stops before it runs dry',
  severity: 'must',
  settings: ['submergence'],
  about: ['pump'],
  judge(context) {
    const { station, stop, lead, low, marks, drawdown } = context;
    const { duty, pumps } = station;
    const volute = Math.max(...pumps.map((p) => p.volute));
    const cover = sayCover(context);
    const by = (name: 'stop' | 'low') => `float:${marks.find((m) => m.name === name)!.sensor!}` as const;
    const transfer: Condition[] =
      duty.kind === 'transfer'
        ? [
            {
              sense: 'at-least',
              needs: quantity('height', cover.needs),
              has: quantity('height', stop),
              why: cover.why,
              about: ['level:stop', by('stop'), 'pump'],
            },
            {
              sense: 'at-least',
              needs: quantity('volume', duty.usefulRun),
              has: quantity('volume', drawdown),
              why: phrase`It may start again at ${quantity('height', lead)}, with ${quantity('volume', drawdown)} over the stop: one useful run is ${quantity('volume', duty.usefulRun)}. Less, and it starts and stops on every trickle.`,
              about: ['level:lead', 'level:stop'],
            },
          ]
        : [];
    const redundant: Condition[] = low
      ? [
          {
            sense: 'at-least',
            needs: quantity('height', volute),
            has: quantity('height', low.fall),
            why: phrase`Should the stop fail, the redundant off acts at ${quantity('height', low.fall)}; the volute, bare below ${quantity('height', volute)}, draws air.`,
            about: ['level:low', by('low'), 'pump'],
          },
        ]
      : [];
    const asked = [...transfer, ...redundant];
    return asked.length > 0
      ? asked
      : notAsked(phrase`No redundant off is fitted; the water over the pump at its stop is asked for above.`, ['pump']);
  },
};
