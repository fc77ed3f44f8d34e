import { traitsOf } from '../../duties';
import type { Device } from '../../schemes';
import { phrase, type Phrase } from '../../units';
import type { Act } from '../act';
import { isolationOf } from '../isolation';
import type { Observation, Probes } from '../observation';
import { atRest } from '../scene';
import { test, type Part, type Test } from '../test';
import { resetActs, resetWords } from '../resets';
import { floatTags } from '../turns';
import type { World } from '../world';

/** A test of one part: what is done, and what the panel does then, each thing asked of it. */
interface PartTest {
  readonly id: string;
  readonly title: string;
  readonly action: Phrase;
  readonly caution: string;
  readonly needs?: readonly Act[];
  readonly parts: readonly Part[];
  readonly restores?: readonly Act[];
  readonly risk?: Test['risk'];
}

const STILL = 'Isolated, locked and proved dead while a core is changed; covers back on before it is switched on.';

const reacts = (id: string, label: string): Observation => ({ id, label, kind: 'reacts', pumps: true });

/** The floats that call lifted by hand, and let go. */
function calling(world: World): { up: Act[]; down: Act[] } {
  const tags = floatTags(atRest(world)).filter((tag) => {
    const id = world.panel!.devices.find((d) => d.tag === tag)!.sensor;
    return world.station.sensors.some((s) => s.id === id && ['pump', 'stop', 'lead', 'low'].includes(s.role));
  });
  // A tank that is filled calls while its floats hang.
  const hang = traitsOf(world.station).direction === 'fill';
  return {
    up: hang ? [] : [...tags.map((device): Act => ({ kind: 'put', device, to: 'up' })), ...resetActs(world)],
    down: hang ? [] : [...tags].reverse().map((device) => ({ kind: 'let go', device })),
  };
}

const devices = (world: World, of: Device['function']): readonly Device[] =>
  world.panel?.devices.filter((d) => d.function === of) ?? [];

/** Terminals at which a device’s element comes to the panel. */
function terminalsOf(world: World, device: Device, element: string): readonly string[] {
  const pins = device.elements[element]?.pins ?? [];
  return pins.flatMap((pin) => world.panel!.cores.find((c) => c.pin === `${device.tag}:${pin}`)?.terminal ?? []);
}

/** The first motor that has an element beside its windings: a probe, a thermal contact. */
const motorWith = (world: World, element: string): Device | undefined =>
  devices(world, 'motor').find((d) => d.elements[element]);

function seal(world: World): PartTest[] {
  const motor = motorWith(world, 'probe');
  const [a, b] = motor ? terminalsOf(world, motor, 'probe') : [];
  if (!a || !b) return [];
  const { up, down } = calling(world);
  const bridge = (fitted: boolean): Act => ({ kind: 'bridge', a, b, fitted });
  return [
    {
      id: 'seal',
      title: 'Seal probe',
      action: phrase`Isolate. Bridge ${a} and ${b}, the two cores of the seal probe. Switch on and call the pump.`,
      caution: STILL,
      parts: [
        { acts: [bridge(true), ...up], observes: [reacts('then', 'what happens')] },
        { acts: [bridge(false)], observes: [reacts('after', 'with the bridge out')] },
      ],
      restores: down,
      risk: 'bridged',
    },
  ];
}

function thermal(world: World): PartTest[] {
  const motor = motorWith(world, 'thermal');
  const pin = motor?.elements.thermal?.pins[0];
  const core = world.panel?.cores.find((c) => motor && c.pin === `${motor.tag}:${pin}`);
  if (!core) return [];
  const { up, down } = calling(world);
  const reset =
    devices(world, 'reset').find((d) => d.pump === motor!.pump) ??
    devices(world, 'reset').find((d) => /too hot/.test(d.label));
  const latches = world.station.control.parts.motorThermal === 'latches';
  return [
    {
      id: 'thermal',
      title: 'Thermal contact of the motor',
      action: phrase`Isolate. Take the core from ${core.terminal ?? 'its terminal'}, of the thermal contact, off. Switch on and call the pump.`,
      caution: STILL,
      parts: [
        {
          acts: [{ kind: 'land', cores: [{ core: core.id, to: null }] }, ...up],
          observes: [reacts('then', 'what happens')],
        },
        {
          acts: [{ kind: 'land', cores: [{ core: core.id, to: core.terminal }] }],
          observes: [reacts('after', 'with the core back')],
        },
        ...(latches && reset
          ? [
              {
                acts: [{ kind: 'press', device: reset.tag } as const],
                observes: [reacts('reset', `when ${reset.tag} is pressed`)],
              },
            ]
          : []),
      ],
      restores: down,
      risk: 'inside',
    },
  ];
}

function phases(world: World): PartTest[] {
  const supply = devices(world, 'supply')[0];
  const at = (pin: string) => world.panel?.cores.find((c) => supply && c.pin === `${supply.tag}:${pin}`);
  const [one, two] = [at('L1'), at('L2')];
  if (devices(world, 'phase-monitor').length === 0 || !one?.terminal || !two?.terminal) return [];
  const { up, down } = calling(world);
  return [
    {
      id: 'phases',
      title: 'Phase monitor',
      action: phrase`Isolate at the board. Change two of the lines of the feeder, at ${one.terminal} and ${two.terminal}. Switch on and call the pump.`,
      caution: 'Isolate at the board, lock, prove dead before the feeder is touched, each time.',
      parts: [
        {
          acts: [
            {
              kind: 'land',
              cores: [
                { core: one.id, to: two.terminal },
                { core: two.id, to: one.terminal },
              ],
            },
            ...up,
          ],
          observes: [reacts('then', 'what happens')],
        },
        {
          acts: [
            {
              kind: 'land',
              cores: [
                { core: one.id, to: one.terminal },
                { core: two.id, to: two.terminal },
              ],
            },
          ],
          observes: [reacts('after', 'with the lines back')],
        },
      ],
      restores: down,
      risk: 'inside',
    },
  ];
}

/** What opens the feeder at the board, and closes it again. */
function feeder(world: World): { off: Act; on: Act } | null {
  const breaker = (isolationOf(world)?.open ?? []).find((d) => d.function === 'breaker');
  if (!breaker) return null;
  const put = (to: string): Act => ({ kind: 'put', device: breaker.tag, to });
  return { off: put('off'), on: put(breaker.initial) };
}

function stagger(world: World): PartTest[] {
  const feed = feeder(world);
  if (world.station.control.parts.stagger === null || !feed) return [];
  const { up, down } = calling(world);
  return [
    {
      id: 'stagger',
      title: 'Waiting after a power cut',
      action: phrase`With the pumps called, open the feeder at the board and close it again, watch in hand.`,
      caution: 'Pumps start by themselves: nobody at the pit.',
      needs: up,
      parts: [
        { acts: [feed.off, feed.on], observes: [reacts('then', 'what happens')] },
        { acts: [{ kind: 'wait' }], observes: [reacts('after', 'after its time')] },
      ],
      restores: down,
      risk: 'look',
    },
  ];
}

function transfer(world: World): PartTest[] {
  const [generator] = devices(world, 'generator');
  const [transferSwitch] = devices(world, 'transfer');
  const supply = devices(world, 'supply')[0];
  const feed = feeder(world);
  if (!generator || !transferSwitch || !supply || !feed) return [];
  const { up, down } = calling(world);
  const to = (state: string): Act => ({ kind: 'put', device: transferSwitch.tag, to: state });
  const middle = transferSwitch.positions.find((p) => /off|middle/i.test(p.state) || /off|middle/i.test(p.label));
  const other = transferSwitch.positions.find((p) => p.state !== transferSwitch.initial && p !== middle);
  if (!middle || !other) return [];
  const at = world.panel!.cores.flatMap((c) => (c.pin.startsWith(`${supply.tag}:L`) ? [c.pin] : []));
  const feederPairs = at.map((a): Probes => ({ a, b: 'earth', mode: 'ac-volts' }));
  return [
    {
      id: 'transfer',
      title: 'Transfer to the generator',
      action: phrase`Switch ${transferSwitch.tag} to the middle; start the generator, open the feeder at the board, and switch to it. Then back.`,
      caution: 'Measure the side that should be dead, each time: a back-fed feeder kills whoever works on it.',
      needs: up,
      parts: [
        { acts: [to(middle.state)], observes: [reacts('then', 'in the middle')] },
        {
          acts: [feed.off, { kind: 'put', device: generator.tag, to: 'running' }, to(other.state)],
          observes: [
            reacts('generator', 'on the generator'),
            { id: 'dead', label: 'feeder at the board, to earth', kind: 'dead', pairs: feederPairs, most: 5 },
          ],
        },
        {
          acts: [to(transferSwitch.initial), { kind: 'put', device: generator.tag, to: 'stopped' }, feed.on],
          observes: [reacts('after', 'back on the supply')],
        },
      ],
      restores: down,
      risk: 'probes',
    },
  ];
}

function valve(world: World): PartTest[] {
  const feed = feeder(world);
  if (traitsOf(world.station).mover.kind !== 'valve' || !feed) return [];
  return [
    {
      id: 'valve',
      title: 'The valve without power',
      action: phrase`While it fills, open the feeder at the board.`,
      caution: 'Know where the water is shut off by hand before you begin.',
      parts: [
        { acts: [feed.off], observes: [reacts('then', 'what happens')] },
        { acts: [feed.on], observes: [reacts('after', 'with the power back')] },
      ],
      risk: 'look',
    },
  ];
}

/** What keeps a panel, and is looked at: nothing of it moves a pump. */
function keeping(world: World): PartTest[] {
  const look = (id: string, title: string, action: string, label: string, good: string): PartTest => ({
    id,
    title,
    action: phrase`${action}`,
    caution: 'Door open on a live panel: hands off everything but what is named.',
    parts: [{ acts: [], observes: [{ id: 'then', label, kind: 'sense', good: phrase`${good}` }] }],
    risk: 'look',
  });
  return [
    ...(devices(world, 'heater').length > 0
      ? [
          look(
            'heater',
            'Heater of the panel',
            'Turn its hygrostat or thermostat until it switches; wait five minutes.',
            'heater',
            'warm; no drops on the inside of the door',
          ),
        ]
      : []),
    ...(devices(world, 'surge').length > 0
      ? [
          look(
            'surge',
            'Surge arrester',
            'Look at its window, and at its earth.',
            'window',
            'shows that it is whole; its earth short and tight',
          ),
        ]
      : []),
    ...(devices(world, 'barrier').length > 0
      ? [
          look(
            'barrier',
            'Barrier of the floats',
            'Look at its earth, and at the cores of its floats.',
            'barrier',
            'earthed as its maker says; its blue cores in a duct of their own, apart from all others',
          ),
        ]
      : []),
  ];
}

/** Whether something is reset on the way to a call. */
const calls = (world: World, acts: readonly Act[]): boolean => resetActs(world).some((a) => acts.includes(a));

/** The parts that a panel carries beside its scheme, tried one by one. Nothing where it carries none. */
export const carriedParts = (world: World): Test[] =>
  world.panel === null
    ? []
    : [seal, thermal, phases, stagger, transfer, valve, keeping]
        .flatMap((of) => of(world))
        .map(({ id, title, action, caution, needs = [], parts, restores = [], risk = 'inside' }) =>
          test({
            id: `part-${id}`,
            phase: 'alarm',
            title,
            actions: [action, ...(calls(world, [...needs, ...parts.flatMap((p) => p.acts)]) ? resetWords(world) : [])],
            cautions: [caution],
            needs,
            parts,
            restores,
            minutes: 8,
            risk,
            about: ['pump'],
          }),
        );
