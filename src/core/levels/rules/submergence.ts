import { phrase, quantity, type Phrase } from '../../units';
import { bellOf, coverOf, type Cover } from '../cover';
import type { LevelContext } from '../context';
import type { Rule } from '../rule';

/** What each school says of the water over a pump at its stop, the others beside it. */
export function sayCover({ stop, station, hydraulics }: LevelContext): {
  readonly needs: number;
  readonly why: Phrase;
} {
  const cover = coverOf(station, hydraulics, stop);
  const { submergence } = station.settings;
  const others = othersThan(submergence, cover);
  const at = quantity('height', stop);
  if (submergence === 'motor')
    return {
      needs: cover.motor,
      why: phrase`The pump stops with the water at ${at}; its motor reaches up to ${quantity('height', cover.motor)} and is cooled by the water around it. (${others})`,
    };
  if (submergence === 'volute')
    return {
      needs: cover.volute,
      why: phrase`The pump stops with the water at ${at}; its volute reaches up to ${quantity('height', cover.volute)} and draws air when it is bare. (${others})`,
    };
  const { height, flow, pump } = cover.vortex;
  const assumed = pump.bell === null ? ' (assumed: half the pump’s width)' : '';
  return {
    needs: height,
    why: phrase`The pump stops with the water at ${at}. Into an opening of ${quantity('bore', bellOf(pump))}${assumed} flow ${quantity('flow', flow)}: below ${quantity('height', height)} a vortex draws air, by S = D·(1 + 2.3·Fr). (${others})`,
  };
}

function othersThan(school: 'motor' | 'volute' | 'vortex', { motor, volute, vortex }: Cover): Phrase {
  const [m, v, x] = [
    phrase`the motor, to cool it: ${quantity('height', motor)}`,
    phrase`the volute: ${quantity('height', volute)}`,
    phrase`no vortex: ${quantity('height', vortex.height)}`,
  ];
  if (school === 'motor') return phrase`Other schools: ${v}; ${x}.`;
  return school === 'volute' ? phrase`Other schools: ${m}; ${x}.` : phrase`Other schools: ${m}; ${v}.`;
}

/** The stop keeps enough water over the pump: over its motor, its volute, or so much that no vortex forms. */
export const submergence: Rule<'submergence'> = {
  id: 'submergence',
  title: 'water over the pump at stop',
  severity: 'must',
  settings: ['submergence'],
  about: ['pump'],
  judge(context) {
    const { stop, marks } = context;
    const { needs, why } = sayCover(context);
    const by = marks.find((m) => m.name === 'stop')!.sensor!;
    return [
      {
        sense: 'at-least',
        needs: quantity('height', needs),
        has: quantity('height', stop),
        why,
        about: ['level:stop', `float:${by}`, 'pump'],
      },
    ];
  },
};
