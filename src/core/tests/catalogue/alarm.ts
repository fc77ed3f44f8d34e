import { traitsOf } from '../../duties';
import { phrase } from '../../units';
import { energised, happens } from '../../wiring';
import type { Act } from '../act';
import { holdOf } from '../hold';
import { isolationOf } from '../isolation';
import type { Observation } from '../observation';
import { perform } from '../perform';
import { atRest, type Scene } from '../scene';
import { putBack } from '../standing';
import { test, type Part, type Test } from '../test';
import type { World } from '../world';
import { calledByItself, runsNoPump } from './byItself';
import { fall, rise, runTime, waitFor } from './water';

const filled = ({ station }: World) => traitsOf(station).direction === 'fill';

/** How the station stands before the water comes to the alarm: pumps held off, the water at the call. */
const before = (world: World): Act[] => {
  const { stop, lead } = world.levels;
  return filled(world) ? [{ kind: 'water', to: stop }] : [...holdOf(world).acts, { kind: 'water', to: lead }];
};

const minutesOf = (seconds: number, beside: number) =>
  (Number.isFinite(seconds) ? Math.ceil(seconds / 60) : 10) + beside;

/** Water up to the alarm with the pump held off. Nothing without an alarm float, nor for a tank, where it would be wasted. */
function fillToAlarm(world: World): Test[] {
  const { station, levels } = world;
  const { alarm, lead } = levels;
  if (!alarm || filled(world)) return [];
  return [
    test({
      id: 'fill-alarm',
      phase: 'alarm',
      title: 'Fill until the alarm acts',
      actions: [phrase`${holdOf(world).off}, leave the alarm on. Fill from the start level on.`],
      cautions: ['Stay with it: nothing pumps now, and the overflow is the next thing up.'],
      needs: before(world),
      parts: [
        {
          acts: [rise('alarm', alarm.rise)],
          observes: [
            { id: 'volume', label: 'water from start to alarm', kind: 'volume' },
            { id: 'time', label: 'time for it by hose', kind: 'hose time' },
            { id: 'level', label: 'water when the alarm sounds, rim down', kind: 'level' },
            { id: 'alarm', label: 'what reacts', kind: 'reacts' },
            ...(station.alarm.horn
              ? [
                  {
                    id: 'heard',
                    label: 'horn',
                    kind: 'sense' as const,
                    good: phrase`is heard at: ${station.alarm.place || 'the place where people are'}`,
                  },
                ]
              : []),
          ],
        },
      ],
      minutes: minutesOf(waitFor(world, lead, alarm.rise), 2),
      risk: 'water',
      about: ['level:alarm'],
    }),
  ];
}

/** The button that clears an alarm which stays when the water is down from it, or nothing. */
function resetOf(world: World, down: Scene): string | null {
  const rings = (s: Scene) =>
    world.panel!.outcomes.some((o) => (o.kind === 'alarm' || o.kind === 'lamp') && happens(s.panel()!.settled, o));
  const clears = (device: string) => !rings(perform(down, { kind: 'press', device }));
  return world.panel!.devices.find((d) => d.springs !== undefined && clears(d.tag))?.tag ?? null;
}

/** How the alarm ends: as the water falls from it, or where it latches when it is reset by hand. Asked of the panel. */
function clearing(world: World): Part[] {
  const { alarm } = world.levels;
  const falls: Part = {
    acts: [fall('alarm', alarm!.fall)],
    observes: [{ id: 'clears', label: 'water when the alarm clears, rim down', kind: 'level' }],
  };
  if (!world.panel) return [falls];
  const up = [...before(world), rise('alarm', alarm!.rise), ...holdOf(world).backs].reduce(perform, atRest(world));
  if (!perform(up, fall('alarm', alarm!.fall)).inVain) return [falls];
  const under: Act = { kind: 'water', to: alarm!.fall - 1e-6 };
  const reset = resetOf(world, perform(up, under));
  return [
    { acts: [under], observes: [{ id: 'stays', label: 'once the water is down from the alarm', kind: 'reacts' }] },
    ...(reset === null
      ? []
      : [
          {
            acts: [{ kind: 'press', device: reset } as const],
            observes: [{ id: 'clears', label: `when ${reset} is pressed`, kind: 'reacts' as const }],
          },
        ]),
  ];
}

/** The pump given back with the alarm up: it pumps down from there, and the alarm clears on the way. */
function recover(world: World): Test[] {
  const { levels, station } = world;
  const { alarm, stop } = levels;
  if (!alarm || filled(world)) return [];
  const hold = holdOf(world);
  const timed = traitsOf(station).timer !== null;
  return [
    test({
      id: 'recover',
      phase: 'alarm',
      title: hold.backTitle,
      actions: [
        timed ? phrase`Hose off. ${hold.back}.` : phrase`Hose off. ${hold.back}; watch in hand until it stops.`,
      ],
      needs: [...before(world), rise('alarm', alarm.rise)],
      parts: [
        {
          acts: hold.backs,
          observes: [
            runsNoPump(world)
              ? calledByItself(world, 'starts')
              : { id: 'starts', label: 'what reacts', kind: 'reacts', pumps: true },
          ],
        },
        ...clearing(world),
        ...(timed
          ? []
          : [
              {
                acts: [fall('pump', stop)],
                observes: [
                  {
                    id: 'run',
                    label: 'from alarm level to stop',
                    kind: 'run time' as const,
                    since: 'the beginning' as const,
                  },
                ],
              },
            ]),
      ],
      minutes: minutesOf(runTime(world, alarm.rise, stop), 2),
      risk: 'water',
      about: ['level:alarm', 'level:stop', 'pump'],
    }),
  ];
}

/** The station with its alarm up, as it is met when a button is pressed or a supply taken away. */
const alarmed = (world: World): Act[] => {
  const { alarm, lead } = world.levels;
  return alarm
    ? [...before(world), { kind: 'water', to: alarm.rise + 1e-6 }]
    : [...before(world), { kind: 'water', to: lead }];
};

const sceneOf = (world: World, acts: readonly Act[]): Scene => acts.reduce(perform, atRest(world));

/** The button that quiets the horn of this panel, or nothing. */
function silenceButton(world: World): string | null {
  const horn = world.panel?.outcomes.find((o) => o.kind === 'alarm');
  const scene = sceneOf(world, alarmed(world));
  const rings = (s: Scene): boolean => !!horn && happens(s.panel()!.settled, horn);
  if (!horn || !rings(scene)) return null;
  const quiets = (device: string) => !rings(perform(scene, { kind: 'press', device }));
  return world.panel!.devices.find((d) => d.function === 'button' && quiets(d.tag))?.tag ?? null;
}

/** What takes away the alarm’s own supply and nothing else: one of what the isolation names, or else the supply itself. */
function alarmOff(world: World): Act[] {
  const { panel } = world;
  const isolation = isolationOf(world);
  if (!panel || !isolation) return [];
  const own = panel.circuits.filter((c) => c.function === 'alarm');
  const dead = (act: Act): boolean => {
    const { wired, settled } = sceneOf(world, [act]).panel()!;
    const { live } = energised(wired, settled);
    return panel.terminals.every(
      (t) => !own.some((c) => c.id === t.circuit && t.id.startsWith(`${c.strip}:`)) || !live.has(t.net),
    );
  };
  const one = own.length > 0 ? isolation.acts.find(dead) : undefined;
  return one
    ? [one]
    : panel.devices
        .filter((d) => d.function === 'alarm-supply')
        .map((d): Act => {
          // At the board its breaker is what a hand finds.
          const breaker = d.inside?.find((i) => i.follows !== undefined)?.follows;
          return breaker === undefined
            ? { kind: 'put', device: d.tag, to: 'cut' }
            : { kind: 'put', device: breaker, to: 'off' };
        });
}

const back = (world: World, acts: readonly Act[]): Act[] =>
  acts.flatMap((a): Act[] =>
    a.kind === 'put'
      ? [{ kind: 'put', device: a.device, to: world.panel!.devices.find((d) => d.tag === a.device)!.initial }]
      : [],
  );

/** A test of what stands beside the alarm, with it up or about to be. */
const beside = (made: Pick<Test, 'id' | 'title' | 'actions' | 'needs' | 'parts'> & Partial<Test>): Test =>
  test({ phase: 'alarm', minutes: 1, risk: 'look', about: ['level:alarm'], ...made });

function silence(world: World): Test[] {
  if (!world.station.alarm.silence) return [];
  const button = silenceButton(world);
  return [
    beside({
      id: 'silence',
      title: 'Silence the horn',
      actions: [phrase`Press silence${button === null ? '' : ` (${button})`} with the float still up.`],
      needs: alarmed(world),
      parts: [
        button === null
          ? {
              acts: [],
              observes: [
                {
                  id: 'silenced',
                  label: 'after silence',
                  kind: 'sense',
                  good: phrase`nothing that this panel has quiets its horn`,
                },
              ],
            }
          : {
              acts: [{ kind: 'press', device: button }],
              observes: [{ id: 'silenced', label: 'after silence', kind: 'reacts' }],
            },
      ],
    }),
  ];
}

function battery(world: World): Test[] {
  if (!world.station.alarm.battery) return [];
  const off = alarmOff(world);
  const named = off.flatMap((a) => (a.kind === 'put' ? [a.device] : [])).join(', ');
  return [
    beside({
      id: 'battery',
      title: 'Alarm on its battery',
      actions: [
        phrase`Switch off the alarm circuit${named === '' ? '' : ` (${named})`} with the float still up.`,
        ...putBack(world.panel?.devices.filter((d) => off.some((a) => a.kind === 'put' && a.device === d.tag)) ?? []),
      ],
      cautions: ['Only the alarm is off now; the pump circuit may still be live.'],
      needs: alarmed(world),
      parts: [{ acts: off, observes: [{ id: 'battery', label: 'with its power off', kind: 'reacts' }] }],
      restores: back(world, off),
    }),
  ];
}

function remote(world: World): Test[] {
  const { levels, station } = world;
  if (!station.alarm.remoteContact) return [];
  return [
    beside({
      id: 'remote',
      title: 'Remote contact',
      actions: [phrase`Meter on the remote pair, at the far end if you can.`],
      cautions: ['The far end may bring its own supply: test for volts before ohms.'],
      needs: before(world),
      parts: [
        {
          acts: [rise('alarm', levels.alarm?.rise ?? levels.lead)],
          observes: [
            { id: 'remote', label: 'as the alarm comes', kind: 'reacts' },
            {
              id: 'received',
              label: 'far end',
              kind: 'sense',
              good: phrase`the alarm is received there, and its end too`,
            },
          ],
        },
      ],
      risk: 'probes',
    }),
  ];
}

/** Water up to the cut-off with the pump held off. Nothing without one. */
function cutOff(world: World): Test[] {
  const { levels, panel } = world;
  const { cutoff, stop, lead } = levels;
  if (!cutoff) return [];
  const level: Observation = { id: 'level', label: 'water when it stops, rim down', kind: 'level' };
  const stops: Observation = { id: 'stops', label: 'what reacts', kind: 'reacts' };
  const again: Observation = { id: 'again', label: 'once the water is down from it', kind: 'reacts' };
  if (filled(world)) {
    const first = panel?.devices.find(
      (d) => d.sensor === world.station.sensors.find((s) => s.role === 'pump' || s.role === 'stop')?.id,
    );
    const held: Act[] = first ? [{ kind: 'put', device: first.tag, to: 'down' }] : [];
    return [
      test({
        id: 'cut-off',
        phase: 'alarm',
        title: 'The second float stops the filling',
        actions: [
          phrase`Hold the float that stops the filling as if the tank were low, and let it fill on to the second float.`,
        ],
        cautions: ['Stay at the tank: only this float stops it now. Let the first float go again afterwards.'],
        needs: [...held, { kind: 'water', to: stop }],
        parts: [
          { acts: [rise('pump', cutoff.rise)], observes: [level, stops] },
          { acts: [fall('pump', cutoff.fall)], observes: [again] },
        ],
        restores: held.map((a): Act => ({ kind: 'let go', device: (a as { device: string }).device })),
        minutes: minutesOf(runTime(world, stop, cutoff.rise), 3),
        risk: 'water',
        about: ['level:cutoff'],
      }),
    ];
  }
  const hold = holdOf(world);
  return [
    test({
      id: 'cut-off',
      phase: 'alarm',
      title: 'The cut-off stops what makes the water',
      actions: [
        phrase`${hold.off}, what makes the water running. Raise the water to the cut-off.`,
        phrase`Afterwards: ${hold.back}.`,
      ],
      cautions: ['The appliance has a supply of its own: it stays live when the pump is off.'],
      needs: [...hold.acts, { kind: 'water', to: lead }],
      parts: [
        { acts: [rise('interlock', cutoff.rise)], observes: [level, stops] },
        { acts: [fall('interlock', cutoff.fall)], observes: [again] },
      ],
      restores: hold.backs,
      minutes: minutesOf(waitFor(world, lead, cutoff.rise), 3),
      risk: 'water',
      about: ['level:cutoff'],
    }),
  ];
}

/** The alarm and what stands beside it: nothing of it without its float. */
export const alarmTests = (world: World): Test[] =>
  world.levels.alarm
    ? [fillToAlarm, silence, battery, remote, recover, cutOff].flatMap((of) => of(world))
    : cutOff(world);
