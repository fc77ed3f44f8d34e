import { kindOf, ROLE } from '../../sensors';
import { phrase } from '../../units';
import { fieldInputs, happens } from '../../wiring';
import type { Act } from '../act';
import { straightIn } from '../bypass';
import type { Observation } from '../observation';
import { test, type Test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';
import { perform } from '../perform';
import { atRest } from '../scene';
import { actsOf, levelOf, type Setting } from './setting';

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

/** Whether the water holds a float up in a setting, asked of the panel. */
const isUp = (world: World, setting: Setting, device: string): boolean =>
  actsOf(world, setting).reduce(perform, atRest(world)).panel()!.settled.states[device] === 'up';

/** A float that hangs at rest, lifted alone, the water under all of them. */
const lifted = (world: World, word: string, device: string, id: string): FaultTest =>
  acted(world, 'resting', {
    id: `lift-${id}`,
    title: `Lift the ${word} alone`,
    actions: [phrase`With a dry, non-conducting rod lift the ${word}, hold it, note what happens, let it go.`],
    cautions: ['Live: dry rod, hands out of the water. A pump that starts runs dry: seconds only.'],
    acts: [{ kind: 'put', device, to: 'up' }],
    back: [{ kind: 'let go', device }],
    risk: 'rod',
    about: [`float:${id}`],
  });

/** A float that the water holds up even at rest, held down: as if the water were gone from it. */
const heldDown = (world: World, word: string, device: string, id: string, how: string): FaultTest =>
  acted(world, isUp(world, 'called', device) ? 'called' : 'resting', {
    id: `down-${id}`,
    title: `The ${word} as if the water were gone from it`,
    actions: [phrase`As if the water were gone from the ${word}: ${how}; hold it, note what happens, let it go.`],
    cautions: [
      'Live: hands out of the water, off whatever is wet. What starts has nobody but you to stop it: seconds only.',
    ],
    acts: [{ kind: 'put', device, to: 'down' }],
    back: [{ kind: 'let go', device }],
    risk: 'rod',
    about: [`float:${id}`],
  });

/** Each float worked alone with a rod, the other way than it stands at rest. */
const worked = (world: World): FaultTest[] =>
  world.levels.sensors.flatMap(({ sensor }) => {
    const device = world.panel?.devices.find((d) => d.sensor === sensor.id)?.tag;
    if (device === undefined) return [];
    const { lifts, lowered } = kindOf(sensor).hand;
    const word = `${ROLE[sensor.role].word} ${kindOf(sensor).noun}`;
    if (isUp(world, 'resting', device))
      return lowered === null ? [] : [heldDown(world, word, device, sensor.id, lowered)];
    return lifts ? [lifted(world, word, device, sensor.id)] : [];
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

const RINGS: ReadonlySet<string> = new Set(['alarm', 'lamp']);

/** What raises the alarm, asked of the panel: high water, or else the button that tests it, held; null where neither does. */
function alarmUp(world: World): { setting: Setting; acts: readonly Act[]; back: readonly Act[]; by: string } | null {
  const { panel } = world;
  const rings = (setting: Setting, acts: readonly Act[]): boolean => {
    const { settled } = [...actsOf(world, setting), ...acts].reduce(perform, atRest(world)).panel()!;
    return panel!.outcomes.some((o) => RINGS.has(o.kind) && happens(settled, o));
  };
  if (levelOf(world, 'high') !== null && rings('high', []))
    return { setting: 'high', acts: [], back: [], by: 'with the water still at the alarm' };
  for (const d of panel?.devices ?? []) {
    const way = d.positions.find((p) => p.state !== d.initial);
    if (d.function !== 'button' || !way) continue;
    const held: Act = { kind: 'put', device: d.tag, to: way.state };
    if (rings('resting', [held]))
      return { setting: 'resting', acts: [held], back: [{ ...held, to: d.initial }], by: `with ${d.tag} held` };
  }
  return null;
}

/** Every breaker at the board taken away with the alarm up: what goes on by its battery. */
function onBattery(world: World): FaultTest[] {
  const devices = world.panel?.devices ?? [];
  const feeds = devices.filter((d) => d.place === 'board' && d.function === 'breaker');
  const up = devices.some((d) => d.function === 'battery') ? alarmUp(world) : null;
  if (!up || feeds.length === 0) return [];
  const named = feeds.map((d) => d.tag).join(' and ');
  return [
    acted(world, up.setting, {
      id: 'battery',
      title: 'Alarm on its battery',
      actions: [phrase`At the board, ${named} off, ${up.by}; note what goes on; on again.`],
      cautions: ['Nothing pumps meanwhile: seconds only. Pumps may start as it is switched on again.'],
      acts: [...feeds.map((d): Act => ({ kind: 'put', device: d.tag, to: 'off' })), ...up.acts],
      back: [...up.back, ...feeds.map((d): Act => ({ kind: 'put', device: d.tag, to: d.initial }))],
      risk: 'outside',
    }),
  ];
}

/** What a hand can work without a meter. */
export const hands = (world: World): FaultTest[] =>
  [worked, inHand, bypass, bridges, buttons, onBattery].flatMap((of) => of(world));
