import { phrase, quantity } from '../../units';
import type { Rule } from '../rule';

/** The stop keeps enough water over the pump. School A covers the volute; school B covers the motor, which the water cools. */
export const submergence: Rule<'submergence'> = {
  id: 'submergence',
  title: 'water over the pump at stop',
  severity: 'must',
  settings: ['submergence'],
  about: ['pump'],
  judge({ station, stop, marks }) {
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
