import { phrase, quantity } from '../../units';
import type { Act } from '../act';
import { holdOf } from '../hold';
import type { Observation } from '../observation';
import { test, type Test } from '../test';
import type { World } from '../world';
import { leansIn } from './dry';

/** Most between the water and earth with everything on, V. */
const STRAY = 2;

export function stray(world: World): Test {
  const { supply } = world.station;
  const calls = world.panel?.devices.filter((d) => d.sensor !== undefined).map((d) => d.tag) ?? [];
  return test({
    id: 'stray',
    phase: 'leave',
    title: 'Stray voltage',
    actions: [
      phrase`Everything on and the pump running: AC volts between the water and earth.`,
      ...(supply.residualCurrent
        ? [phrase`Press the test button of the residual-current (ground-fault) device, then reset it.`]
        : []),
    ],
    cautions: ['More than a few volts in the water can hold a person. Isolate at once and find the leak.'],
    needs: [{ kind: 'water', to: world.levels.lead + 1e-6 } satisfies Act].filter(() => calls.length > 0),
    parts: [
      {
        acts: [],
        observes: [
          {
            id: 'volts',
            label: 'water to earth',
            kind: 'figure',
            value: quantity('voltage', STRAY),
            band: { atMost: true },
          },
          ...(supply.residualCurrent
            ? [
                {
                  id: 'trip',
                  label: 'its test button',
                  kind: 'sense' as const,
                  good: phrase`trips at once, and resets`,
                },
              ]
            : []),
        ],
      },
    ],
    minutes: 4,
    risk: 'probes',
    about: ['pump'],
  });
}

export function closeUp(world: World): Test {
  const deep = leansIn(world);
  const sense = (id: string, label: string, good: string): Observation => ({
    id,
    label,
    kind: 'sense',
    good: phrase`${good}`,
  });
  return test({
    id: 'close',
    phase: 'leave',
    title: deep ? 'Lid, gasket, cords, vent' : 'Cover, cords, vent',
    actions: [
      deep
        ? phrase`Cords led out without a bend in the floats' way, tied with a drip loop; grommets tight; gasket clean; vent open; lid bolted.`
        : phrase`Cords led out without a bend in the floats' way, tied with a drip loop; unused inlets plugged; vent open; cover on.`,
    ],
    cautions: deep
      ? ['A lid left off drowns children and animals.']
      : ['Water and mains in one small case: cover on before power.'],
    parts: [
      {
        acts: [],
        observes: [
          sense('lid', deep ? 'lid and gasket' : 'cover', 'on, tight, no gap'),
          sense('cords', 'cords and grommets', 'sealed; plugs above flood level and dry'),
          sense('vent', 'vent', 'open'),
        ],
      },
    ],
    minutes: 5,
    risk: 'outside',
  });
}

export function handOver(world: World): Test {
  const { identity } = world.station;
  const { by } = holdOf(world);
  const last: Readonly<Record<typeof by, readonly [label: string, good: string, action: string, caution: string]>> = {
    plug: [
      'pump plug',
      'in the back of the float’s plug: nothing left in Hand',
      'The pump plugs into the float’s plug, not straight into the outlet. Breakers on, locks off, tools counted.',
      'A pump plugged straight into the outlet runs until it burns.',
    ],
    selector: [
      'selectors',
      'at automatic: nothing left in Hand',
      'Every selector to automatic. Breakers on, locks off, tools counted.',
      'A selector left in Hand runs the pump until it burns; left at Off it floods.',
    ],
    breaker: [
      'pump circuit',
      'its breaker on, no lock left',
      'Breakers on, locks off, tools counted.',
      'A breaker that is left off leaves the station to its alarm.',
    ],
  };
  const [label, good, action, caution] = last[by];
  return test({
    id: 'hand-over',
    phase: 'leave',
    title: 'Leave it working',
    actions: [phrase`${action}`, phrase`Show the owner the alarm, the silence button and the number on the door card.`],
    cautions: [caution],
    parts: [
      {
        acts: [],
        observes: [
          { id: 'automatic', label, kind: 'sense', good: phrase`${good}` },
          {
            id: 'owner',
            label: 'owner',
            kind: 'sense',
            good: phrase`knows what the alarm means and whom to call${identity.contact ? `: ${identity.contact}` : ''}`,
          },
          { id: 'card', label: 'door card', kind: 'sense', good: phrase`on the lid or panel, of this revision` },
        ],
      },
    ],
    minutes: 5,
    risk: 'look',
  });
}
