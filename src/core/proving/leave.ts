import type { LevelContext } from '../levels';
import { phrase, quantity } from '../units';
import { atMost, seen } from './expect';
import { holdOf } from './holdOff';
import type { Step } from './step';

export function stray({ station }: LevelContext): Step {
  return {
    id: 'stray',
    phase: 'leave',
    title: 'Stray voltage',
    actions: [
      phrase`Everything on and the pump running: AC volts between the water and earth.`,
      ...(station.supply.residualCurrent
        ? [phrase`Press the test button of the residual-current (ground-fault) device, then reset it.`]
        : []),
    ],
    cautions: ['More than a few volts in the water can hold a person. Isolate at once and find the leak.'],
    expects: [
      atMost('volts', 'water to earth', quantity('voltage', 2)),
      ...(station.supply.residualCurrent ? [seen('trip', 'its test button', phrase`trips at once, and resets`)] : []),
    ],
    about: ['pump'],
  };
}

export function closeUp(_: LevelContext): Step {
  return {
    id: 'close',
    phase: 'leave',
    title: 'Lid, gasket, cords, vent',
    actions: [
      phrase`Cords led out without a bend in the floats' way, tied with a drip loop; grommets tight; gasket clean; vent open; lid bolted.`,
    ],
    cautions: ['A lid left off drowns children and animals.'],
    expects: [
      seen('lid', 'lid and gasket', phrase`on, tight, no gap`),
      seen('cords', 'cords and grommets', phrase`sealed; plugs above flood level and dry`),
      seen('vent', 'vent', phrase`open`),
    ],
    about: [],
  };
}

export function handOver({ station }: LevelContext): Step {
  const { by } = holdOf(station);
  return {
    id: 'hand-over',
    phase: 'leave',
    title: 'Leave it working',
    actions: [
      {
        plug: phrase`The pump plugs into the float's plug, not straight into the outlet. Breakers on, locks off, tools counted.`,
        selector: phrase`Every selector to automatic. Breakers on, locks off, tools counted.`,
        breaker: phrase`Breakers on, locks off, tools counted.`,
      }[by],
      phrase`Show the owner the alarm, the silence button and the number on the door card.`,
    ],
    cautions: [
      {
        plug: 'A pump plugged straight into the outlet runs until it burns.',
        selector: 'A selector left in Hand runs the pump until it burns; left at Off it floods.',
        breaker: 'A breaker that is left off leaves the station to its alarm.',
      }[by],
    ],
    expects: [
      {
        plug: seen('automatic', 'pump plug', phrase`in the back of the float's plug: nothing left in Hand`),
        selector: seen('automatic', 'selectors', phrase`at automatic: nothing left in Hand`),
        breaker: seen('automatic', 'pump circuit', phrase`its breaker on, no lock left`),
      }[by],
      seen(
        'owner',
        'owner',
        phrase`knows what the alarm means and whom to call${station.identity.contact ? `: ${station.identity.contact}` : ''}`,
      ),
      seen('card', 'door card', phrase`on the lid or panel, of this revision`),
    ],
    about: [],
  };
}
