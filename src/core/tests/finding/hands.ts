import { kindOf } from '../../sensors';
import { phrase } from '../../units';
import { fieldInputs } from '../../wiring';
import type { Act } from '../act';
import { straightIn } from '../bypass';
import type { Observation } from '../observation';
import { test, type Test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';
import { levelOf, type Setting } from './setting';

const NOW: Observation = { id: 'now', label: 'what happens', kind: 'happens' };

const acted = (
  world: World,
  setting: Setting,
  made: Pick<Test, 'id' | 'title' | 'actions' | 'risk'> & {
    acts: readonly Act[];
    back: readonly Act[];
  } & Partial<Test>,
): FaultTest => {
  const { acts, back, ...rest } = made;
  return faultTest(
    world,
    setting,
    test({ phase: 'work', minutes: 2, ...rest, parts: [{ acts, observes: [NOW] }], restores: back }),
  );
};

/** Each float lifted alone with a dry rod, the water under all of them. */
const lifts = (world: World): FaultTest[] =>
  world.levels.sensors.flatMap(({ sensor }) => {
    const device = world.panel?.devices.find((d) => d.sensor === sensor.id)?.tag;
    if (device === undefined || kindOf(sensor).lead === 'tube') return [];
    const word = `${sensor.role} ${kindOf(sensor).noun}`;
    return [
      acted(world, 'resting', {
        id: `lift-${sensor.id}`,
        title: `Lift the ${word} alone`,
        actions: [phrase`With a dry, non-conducting rod lift the ${word}, hold it, note what happens, let it go.`],
        cautions: ['Live: dry rod, hands out of the water. A pump that starts runs dry: seconds only.'],
        acts: [{ kind: 'put', device, to: 'up' }],
        back: [{ kind: 'let go', device }],
        risk: 'rod',
        about: [`float:${sensor.id}`],
      }),
    ];
  });

/** Each selector turned to Hand, where there is one. */
const inHand = (world: World): FaultTest[] =>
  (world.panel?.devices ?? []).flatMap((d) =>
    d.positions.some((p) => p.state === 'hand')
      ? [
          acted(world, 'called', {
            id: `hand-${d.tag}`,
            title: `${d.tag} to Hand`,
            actions: [phrase`${d.tag} to Hand for seconds, note what happens, then back.`],
            cautions: ['In Hand nothing stops the pump: stay at it, and put it back before anything else.'],
            acts: [{ kind: 'put', device: d.tag, to: 'hand' }],
            back: [{ kind: 'put', device: d.tag, to: d.initial }],
            risk: 'rod',
            about: ['pump'],
          }),
        ]
      : [],
  );

/** The pump plugged past its float, where it is plugged. */
function bypass(world: World): FaultTest[] {
  const plug = straightIn(world.panel);
  if (!plug) return [];
  return [
    acted(world, 'called', {
      id: 'bypass',
      title: 'Pump straight into the outlet',
      actions: [
        phrase`Take the pump’s plug out of the float’s plug and put it straight into the outlet, for seconds; then back.`,
      ],
      cautions: [
        'Seconds only: with the float bypassed nothing stops the pump. Stay at it, and put it back before anything else.',
      ],
      acts: plug.acts,
      back: plug.back,
      risk: 'bridged',
      about: ['pump'],
    }),
  ];
}

/** The pair of each float bridged at its terminals, the float hanging. */
const bridges = (world: World): FaultTest[] =>
  (world.panel ? fieldInputs(world.panel) : []).flatMap(({ device, label, a, b }) => {
    const d = world.panel!.devices.find((x) => x.tag === device)!;
    if (!d.cable || d.sensor === undefined) return [];
    return [
      acted(world, 'resting', {
        id: `bridge-${device}`,
        title: `Bridge ${a} and ${b}: ${label}`,
        actions: [
          phrase`At the box, bridge ${a} and ${b} with an insulated jumper, for seconds; note what happens; take it out.`,
        ],
        cautions: [
          'The pair is live with its own voltage: insulated jumper, one hand. What is bridged protects nobody.',
        ],
        acts: [{ kind: 'bridge', a, b, fitted: true }],
        back: [{ kind: 'bridge', a, b, fitted: false }],
        risk: 'bridged',
      }),
    ];
  });

/** Each push button, with everything called that can be. */
const buttons = (world: World): FaultTest[] => {
  const setting: Setting = levelOf(world, 'high') === null ? 'called' : 'high';
  return (world.panel?.devices ?? []).flatMap((d) => {
    const way = d.positions.find((p) => p.state !== d.initial);
    return d.function === 'button' && way
      ? [
          acted(world, setting, {
            id: `press-${d.tag}`,
            title: `Press ${d.tag}: ${d.label}`,
            actions: [phrase`Press ${d.tag} and let it go; note what happens.`],
            acts: [{ kind: 'press', device: d.tag }],
            back: [],
            minutes: 1,
            risk: 'look',
          }),
        ]
      : [];
  });
};

/** The supply taken away with the alarm up: what goes on by its battery. */
function onBattery(world: World): FaultTest[] {
  const supplies = (world.panel?.devices ?? []).filter((d) => d.function === 'supply' || d.function === 'alarm-supply');
  const battery = world.panel?.devices.some((d) => d.function === 'battery');
  if (!battery || levelOf(world, 'high') === null) return [];
  return [
    acted(world, 'high', {
      id: 'battery',
      title: 'Alarm on its battery',
      actions: [
        phrase`At the board, switch off what feeds the panel, with the water still at the alarm; note what goes on; switch it on again.`,
      ],
      cautions: ['Nothing pumps meanwhile: seconds only.'],
      acts: supplies.map((d): Act => ({ kind: 'put', device: d.tag, to: 'cut' })),
      back: supplies.map((d): Act => ({ kind: 'put', device: d.tag, to: d.initial })),
      risk: 'look',
    }),
  ];
}

/** What a hand can work without a meter. */
export const hands = (world: World): FaultTest[] =>
  [lifts, inHand, bypass, bridges, buttons, onBattery].flatMap((of) => of(world));
