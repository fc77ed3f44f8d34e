import { phrase, quantity } from '../../units';
import { notAsked, type Rule } from '../rule';

/** The stop keeps enough water over the pump. School A covers the volute; school B covers the motor, which the water cools. */
export const submergence: Rule = {
  id: 'submergence',
  title: 'water over the pump at stop',
  severity: 'must',
  judge({ station, stop, marks }) {
    const { kind } = station.duty;
    if (kind === 'fill') return notAsked(phrase`The pump does not stand in the tank that it fills.`, ['pump']);
    if (kind === 'transfer')
      return notAsked(phrase`A transfer pump is asked for its intake cover by the rule against running dry.`, ['pump']);
    const motor = station.settings.submergence === 'motor';
    const most = (of: 'motorTop' | 'volute') => Math.max(...station.pumps.map((p) => p[of]));
    const needs = quantity('height', most(motor ? 'motorTop' : 'volute'));
    const why = motor
      ? phrase`The pump stops with the water at ${quantity('height', stop)}; its motor reaches up to ${needs} and is cooled by the water around it. (The other school covers only the volute, at ${quantity('height', most('volute'))}.)`
      : phrase`The pump stops with the water at ${quantity('height', stop)}; its volute reaches up to ${needs} and draws air when it is bare. (The other school covers the motor too, up to ${quantity('height', most('motorTop'))}, to cool it.)`;
    const by = marks.find((m) => m.name === 'stop')!.sensor!;
    return [
      { sense: 'at-least', needs, has: quantity('height', stop), why, about: ['level:stop', `float:${by}`, 'pump'] },
    ];
  },
};
