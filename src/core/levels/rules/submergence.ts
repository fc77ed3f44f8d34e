import { phrase, quantity } from '../../units';
import type { Rule } from '../rule';

/** The stop keeps enough water over the pump. School A covers the volute; school B covers the motor, which the water cools. */
export const submergence: Rule = {
  id: 'submergence',
  title: 'water over the pump at stop',
  severity: 'must',
  judge({ station, stop }) {
    const pump = station.pumps[0]!;
    const motor = station.settings.submergence === 'motor';
    const needs = quantity('height', motor ? pump.motorTop : pump.volute);
    const why = motor
      ? phrase`The pump stops with the water at ${quantity('height', stop)}; its motor reaches up to ${needs} and is cooled by the water around it. (The other school covers only the volute, at ${quantity('height', pump.volute)}.)`
      : phrase`The pump stops with the water at ${quantity('height', stop)}; its volute reaches up to ${needs} and draws air when it is bare. (The other school covers the motor too, up to ${quantity('height', pump.motorTop)}, to cool it.)`;
    return [{ sense: 'at-least', needs, has: quantity('height', stop), why, about: ['level:stop', 'float:pump', 'pump'] }];
  },
};
