import { traitsOf } from '../../duties';
import { isPlugged } from '../../schemes';
import { kindOf } from '../../sensors';
import { phrase, quantity } from '../../units';
import { fieldInputs, usualInputs } from '../../wiring';
import type { Act } from '../act';
import type { Observation } from '../observation';
import { SPREAD } from '../spread';
import { putBack } from '../standing';
import { test, type Part, type Test } from '../test';
import { resetActs, resetWords } from '../resets';
import type { World } from '../world';
import { runsNoPump, workedByItself } from './byItself';
import { asIsolated } from './makeSafe';

/** What is deeper than this one leans into, m. */
const ARM = 0.5;
export const leansIn = ({ levels }: World): boolean => levels.vessel.depth > ARM;

/** The floats are where the tape list says. */
export function tapeCheck(world: World): Test {
  const { sensors } = world.levels;
  const observes = sensors.flatMap(({ sensor, order }) =>
    kindOf(sensor)
      .measures(sensor)
      .map((m): Observation => ({
        id: `${m.field}-${sensor.id}`,
        label: `${kindOf(sensor).noun} ${order}, ${m.label}${m.of === 'height' ? ', rim down' : ''}`,
        kind: 'tape',
        sensor: sensor.id,
        field: m.field,
        sets: {
          path: m.field,
          sensor: sensor.id,
          from: m.of === 'height' ? 'rim' : 'value',
        },
      })),
  );
  return test({
    id: 'tape',
    phase: 'dry',
    title: 'Measure the floats with the tape',
    actions: [
      phrase`From the rim down to each clip or stop, the tape plumb; tether from clip to the near end of the body.`,
      phrase`Swing each float by hand through its whole arc: it must touch nothing.`,
    ],
    cautions: [
      leansIn(world)
        ? 'Still isolated and locked. Lean in from a firm stand; do not climb in.'
        : 'Still isolated and locked.',
    ],
    needs: asIsolated(world),
    parts: [
      {
        acts: [],
        observes: [
          ...observes,
          {
            id: 'swing',
            label: 'swing of every float',
            kind: 'sense',
            good: phrase`free: no pump, pipe, wall or other float in the way`,
          },
        ],
      },
    ],
    minutes: 2 + 2 * sensors.length,
    risk: 'outside',
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  });
}

const AFTER_LIFT = 3;

/** Floats lifted from the bottom up with the power on, each response asked of the panel. */
export function dryLift(world: World): Test {
  const { station, panel, levels } = world;
  const { sensors } = levels;
  const tag = (id: string) => panel?.devices.find((d) => d.sensor === id)?.tag;
  const parts = sensors.flatMap(({ sensor, order }): Part[] => {
    const { noun } = kindOf(sensor);
    const device = tag(sensor.id);
    const put: Act[] = device === undefined ? [] : [{ kind: 'put', device, to: 'up' }];
    const back: Act[] = device === undefined ? [] : [{ kind: 'let go', device }];
    if (device === undefined && runsNoPump(world)) {
      const does = (id: string, how: string, to: 'up' | 'down') =>
        workedByItself(world, sensor, `${id}-${sensor.id}`, `${noun} ${order} ${how}: its pump`, to);
      return [
        { acts: [], observes: [does('lift', 'lifted', 'up')] },
        { acts: [], observes: [does('drop', 'let back', 'down')] },
      ];
    }
    return [
      { acts: put, observes: [{ id: `lift-${sensor.id}`, label: `${noun} ${order} lifted`, kind: 'reacts' }] },
      { acts: back, observes: [{ id: `drop-${sensor.id}`, label: `${noun} ${order} let back`, kind: 'reacts' }] },
      { acts: [...put, ...resetActs(world)], observes: [] },
    ];
  });
  return test({
    id: 'dry-lift',
    phase: 'dry',
    title: 'Lift the floats, lowest first',
    actions: [
      phrase`Everyone clear of the pit. ${isPlugged(station) ? 'Plug the pump back in' : 'Give the pumps back to automatic'}, restore every supply.`,
      phrase`With a dry rod lift each float in turn, lowest first, those below it still up, and let it back after ${quantity('time', AFTER_LIFT)}.`,
      ...sensors.flatMap(({ sensor }) =>
        !kindOf(sensor).hand.lifts
          ? [phrase`The ${sensor.role} ${kindOf(sensor).noun}: ${kindOf(sensor).hand.how}`]
          : [],
      ),
      ...resetWords(world),
    ],
    cautions: [
      'Live from here on. Lift with a dry, non-conducting rod, hands out of the pit.',
      `The pump runs dry: no longer than ${AFTER_LIFT} seconds. A pump that ran dry is hot.`,
    ],
    parts,
    restores: [...sensors].reverse().flatMap(({ sensor }): Act[] => {
      const device = tag(sensor.id);
      return device === undefined ? [] : [{ kind: 'let go', device }];
    }),
    minutes: 2 + 2 * sensors.length,
    risk: 'rod',
    about: sensors.map(({ sensor }) => `float:${sensor.id}` as const),
  });
}

/**
 * Which way each pump turns on three legs: volts and amps do not tell. Nothing on one phase; what a drive makes of one phase is told among
 * the checks of its panel.
 */
export function rotation(world: World): Test[] {
  const { supply, pumps } = world.station;
  if (supply.source !== 'three' || traitsOf(world.station).mover.kind === 'valve') return [];
  const devices = world.panel?.devices ?? [];
  const hands = devices.filter((d) => d.positions.some((p) => p.state === 'hand'));
  // Floats as well: a low one stops a pump in Hand too, and where there is no selector they start it.
  const floats = devices.filter((d) => d.sensor !== undefined);
  const calls = traitsOf(world.station).direction === 'fill' ? 'down' : 'up';
  const put = (to: (d: (typeof hands)[number]) => string): Act[] =>
    hands.map((d) => ({ kind: 'put', device: d.tag, to: to(d) }));
  const start: Act[] = [
    ...floats.map((d): Act => ({ kind: 'put', device: d.tag, to: calls })),
    ...resetActs(world),
    ...put(() => 'hand'),
  ];
  // Floats first: in Auto one that is still held would start a pump that hangs on its chain.
  const stop: Act[] = [...floats.map((d): Act => ({ kind: 'let go', device: d.tag })), ...put((d) => d.initial)];
  const held = floats.length > 0 ? [`the floats held ${calls}`] : [];
  const turned = hands.length > 0 ? ['its selector at Hand'] : [];
  const by = [...turned, ...held].map((how) => `, ${how}`).join('');
  const kicks = phrase`against the arrow on it, so that it turns with the arrow; of the two orders the one with more flow is right`;
  return [
    test({
      id: 'rotation',
      phase: 'dry',
      title: 'Which way it turns',
      actions: [
        phrase`Before it goes down, or hung free on its chain: a start of an instant${by}, and see which way it kicks. Already down: measure its drawdown in both orders of the phases.`,
        phrase`Wrong: isolate, lock, prove dead, and change any two of its three phases.`,
        ...resetWords(world),
        ...putBack(hands),
      ],
      cautions: [
        'It kicks hard: hang it free, stand clear, nothing loose round it. Never look into the intake of a pump that can start.',
        ...(hands.length > 0
          ? ['In Auto it can start by itself: nobody at it, and no float held, when the selectors go back.']
          : []),
      ],
      parts: [
        {
          acts: start,
          observes: pumps.map((_, i): Observation => {
            const said = { id: `turns-${i + 1}`, label: pumps.length > 1 ? `pump ${i + 1} kicks` : 'it kicks' };
            // A panel that runs no pump tells nothing of how it turns.
            return devices.some((d) => d.function === 'motor' && d.pump === i + 1)
              ? { ...said, kind: 'kicks', pump: i + 1 }
              : { ...said, kind: 'sense', good: kicks };
          }),
        },
      ],
      restores: stop,
      minutes: 5 * pumps.length,
      people: 2,
      risk: 'rod',
      about: ['pump'],
    }),
  ];
}

/**
 * Volts over each field input as it rests and as it is worked, asked of the panel. Nothing where no hand comes to a terminal: a float in the
 * cord of its pump.
 */
export function inputVolts(world: World): Test[] {
  if (!world.panel || isPlugged(world.station)) return [];
  const { panel } = world;
  const usual = usualInputs(world.station, world.wiring({ cores: [], links: [] }).wired);
  const readings = fieldInputs(panel).filter((r) =>
    panel.devices.some((d) => d.tag === r.device && d.sensor !== undefined),
  );
  if (readings.length === 0) return [];
  const rest = Object.entries(usual).map(([device, to]): Act => ({ kind: 'put', device, to }));
  const reset = resetActs(world);
  const band = { share: SPREAD.supply };
  return [
    test({
      id: 'input-volts',
      phase: 'dry',
      title: 'Volts over each input, at rest and worked',
      actions: [
        phrase`Probes over the two terminals of each input. Then lift that float with the rod and read again; let it back before the next.`,
        phrase`An open contact shows the volts of its circuit, a closed one nearly none.`,
        ...resetWords(world),
      ],
      cautions: [
        'Live: rated meter and leads, finger guards, one hand where you can. The pump may start at every lift: no longer than three seconds dry.',
      ],
      needs: [...rest, ...reset],
      parts: readings.flatMap(({ device, label, a, b, mode }): Part[] => {
        const isUp = usual[device] === 'up';
        const read = (id: string, how: string): Observation => ({
          id: `${id}-${device}`,
          label: `${label}, ${how}`,
          kind: 'volts',
          probes: { a, b, mode },
          band,
        });
        return [
          { acts: [], observes: [read('rest', isUp ? 'lifted by the water' : 'hanging')] },
          {
            acts: [{ kind: 'put', device, to: isUp ? 'down' : 'up' }],
            observes: [read('worked', isUp ? 'let down' : 'lifted')],
          },
          { acts: isUp ? [{ kind: 'put', device, to: 'up' }, ...reset] : [{ kind: 'let go', device }], observes: [] },
        ];
      }),
      restores: rest.map((a): Act => ({ kind: 'let go', device: (a as { device: string }).device })),
      minutes: 2 + readings.length,
      people: 2,
      risk: 'probes',
      about: readings.flatMap((r) => {
        const id = panel.devices.find((d) => d.tag === r.device)?.sensor;
        return id === undefined ? [] : [`float:${id}` as const];
      }),
    }),
  ];
}
