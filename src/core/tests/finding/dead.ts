import { traitsOf } from '../../duties';
import { LOOKED_AT } from '../../faults';
import { isPlugged, type Device } from '../../schemes';
import { kindOf, ROLE, type Sensor } from '../../sensors';
import { phrase } from '../../units';
import type { Act } from '../act';
import { contactOf, whereOf } from '../catalogue/makeSafe';
import { unplugged } from '../hold';
import { isolationOf } from '../isolation';
import type { Observation, Probes } from '../observation';
import { test, type Test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';

const DEAD = 'Isolated, locked, proved dead: ohms on live wires burns meter and hand.';
const band = { share: 0.2 } as const;

const ohms = (id: string, label: string, a: string, b: string, alone?: string): Observation => ({
  id,
  label,
  kind: 'ohms',
  probes: { a, b, mode: 'ohms' },
  band,
  ...(alone !== undefined && { alone }),
});

const dead = (made: Pick<Test, 'id' | 'title' | 'actions' | 'parts' | 'minutes'> & Partial<Test>): Test =>
  test({ phase: 'bench', cautions: [DEAD], risk: 'inside', ...made });

/** A float as it is found when it is taken out; a bell has none. */
const seenOf = (sensor: Sensor, tag: string, word: string): Observation[] =>
  kindOf(sensor).lead === 'tube'
    ? []
    : [
        {
          id: 'seen',
          label: `the ${word}, as it is taken out`,
          kind: 'seen',
          of: tag,
          clear: 'free: nothing holds it, its cord whole',
        },
      ];

/** The contact of each float, its cores off, hanging and lifted in the hand. */
export function contacts(world: World): FaultTest[] {
  return world.levels.sensors.flatMap(({ sensor }) => {
    const contact = contactOf(world, sensor);
    if (!contact) return [];
    const { tag, probes } = contact;
    const off = unplugged(world.panel!, tag);
    const put = (to: string): Act => ({ kind: 'put', device: tag, to });
    const word = `${ROLE[sensor.role].word} ${kindOf(sensor).noun}`;
    return [
      faultTest(
        world,
        'dead',
        dead({
          id: `contact-${sensor.id}`,
          title: `Contact of the ${word}, in the hand`,
          actions: [phrase`${kindOf(sensor).hand.how}`, phrase`Ohms ${whereOf(sensor, isPlugged(world.station))}.`],
          parts: [
            {
              acts: off,
              observes: [...seenOf(sensor, tag, word), ohms('hanging', 'hanging', probes.a, probes.b, tag)],
            },
            { acts: [put('up')], observes: [ohms('lifted', 'lifted', probes.a, probes.b, tag)] },
          ],
          minutes: 4,
          risk: isPlugged(world.station) && sensor.duty === 'motor' ? 'outside' : 'inside',
          about: [`float:${sensor.id}`],
        }),
      ),
    ];
  });
}

/** What is between two pins of a device by itself: worth a reading where it is a winding, a coil, a lamp or a contact. */
function ownPins(d: Device): { id: string; label: string; probes: Probes }[] {
  const pairs = Object.entries(d.elements).flatMap(([name, e]) => {
    const worth = e.part?.kind === 'impedance' || (e.closed !== undefined && d.positions.length === 0);
    if (!worth || e.pins.includes('earth')) return [];
    const [a, b] = e.pins.map((p) => `${d.tag}:${p}`) as [string, string];
    return [{ id: name, label: `${d.tag} ${name}`, probes: { a, b, mode: 'ohms' as const } }];
  });
  const frame = d.inside?.find((i) => i.id === 'insulation');
  if (!frame) return pairs;
  const [a, b] = [frame.a, frame.b].map((p) => `${d.tag}:${p}`) as [string, string];
  return [...pairs, { id: 'frame', label: `${d.tag} to its frame`, probes: { a, b, mode: 'ohms' } }];
}

/** Windings, coils, lamps and contacts, each device by itself, its wires off. */
export function parts(world: World): FaultTest[] {
  return (world.panel?.devices ?? []).flatMap((d) => {
    if (d.sensor !== undefined || d.function === 'supply' || d.function === 'alarm-supply') return [];
    const pins = ownPins(d);
    if (pins.length === 0) return [];
    return [
      faultTest(
        world,
        'dead',
        dead({
          id: `part-${d.tag}`,
          title: `Ohms of ${d.tag}: ${d.label}`,
          actions: [phrase`Wires of ${d.tag} off, one at a time, each marked; ohms from pin to pin.`],
          cautions: [DEAD, ...(d.charge ? [d.charge] : [])],
          parts: [{ acts: [], observes: pins.map(({ id, label, probes: { a, b } }) => ohms(id, label, a, b, d.tag)) }],
          minutes: 3 + pins.length,
          about: d.pump === undefined ? [] : ['pump'],
        }),
      ),
    ];
  });
}

/** Cores and links as they sit, against the wire list. */
export function landings(world: World): FaultTest[] {
  const { panel } = world;
  if (!panel) return [];
  const tags = panel.devices.filter((d) => d.cable).map((d) => d.tag);
  const observes: Observation[] = [
    ...tags.map((tag): Observation => ({ id: tag, label: `cores of ${tag}`, kind: 'landed', device: tag })),
    ...[...panel.links, ...panel.linksLeftOut].map(({ a, b }): Observation => ({
      id: `${a}-${b}`,
      label: `link ${a} to ${b}`,
      kind: 'linked',
      a,
      b,
    })),
  ];
  // A loop of others that is bridged at the strip shows as a link as well.
  const loops = panel.devices.flatMap((d): Observation[] => {
    const [a, b] = ['1', '2'].map((p) => panel.cores.find((c) => c.pin === `${d.tag}:${p}`)?.terminal);
    return d.function === 'cut-off' && a && b
      ? [{ id: `${a}-${b}`, label: `bridge ${a} to ${b}`, kind: 'linked', a, b }]
      : [];
  });
  if (observes.length + loops.length === 0) return [];
  return [
    faultTest(
      world,
      'dead',
      dead({
        id: 'landings',
        title: 'Compare the strip with the wire list',
        actions: [phrase`Core by core and link by link: where does it sit?`],
        parts: [{ acts: [], observes: [...observes, ...loops] }],
        minutes: 3 + Math.ceil(observes.length / 3),
      }),
    ),
  ];
}

/** Loops of others and the battery, dead, at the terminals where they come in. */
export function loops(world: World): FaultTest[] {
  const { panel } = world;
  return (panel?.devices ?? []).flatMap((d) => {
    if (!['permission', 'cut-off', 'report', 'call-for-water'].includes(d.function)) return [];
    const [a, b] = ['1', '2'].map((p) => panel!.cores.find((c) => c.pin === `${d.tag}:${p}`)?.terminal);
    if (!a || !b) return [];
    return [
      faultTest(
        world,
        'dead',
        dead({
          id: `loop-${d.tag}`,
          title: `Ohms of the pair to ${d.label}`,
          actions: [
            phrase`It belongs to others: volts first, and ohms only where there are none. Ohms from ${a} to ${b}.`,
          ],
          parts: [{ acts: [], observes: [ohms('loop', `${a} to ${b}`, a, b)] }],
          minutes: 2,
        }),
      ),
    ];
  });
}

/** From each earth of the strip to the main earth: a broken one shows nowhere else before somebody touches it. */
export function earths(world: World): FaultTest[] {
  const { panel } = world;
  if (!panel) return [];
  const nets = new Set(panel.terminals.flatMap((t) => (panel.wires[t.net] === 'earth' ? [t.net] : [])));
  return [...nets].map((net) => {
    const { id } = panel.terminals.find((t) => t.net === net)!;
    return faultTest(
      world,
      'dead',
      dead({
        id: `earth-${id}`,
        title: `Earth at ${id}`,
        actions: [phrase`A long lead from ${id} to the main earth of the board.`],
        parts: [{ acts: [], observes: [ohms('earth', `${id} to main earth`, id, 'earth')] }],
        minutes: 3,
        risk: 'inside',
      }),
    );
  });
}

/**
 * The earth of each feeder by itself, where several come to one bar: while they lie on it each stands in for the other, and a lost one shows
 * nowhere.
 */
export function feedEarths(world: World): FaultTest[] {
  const { panel } = world;
  const netOf = (terminal: string | null) => panel!.terminals.find((t) => t.id === terminal)?.net;
  const all = (panel?.devices ?? []).flatMap((d) => {
    const core = panel!.cores.find((c) => c.pin === `${d.tag}:PE` && c.terminal !== null);
    return (d.function === 'supply' || d.function === 'alarm-supply') && core
      ? [{ d, core, net: netOf(core.terminal) }]
      : [];
  });
  const feeds = all.filter(({ net }) => all.filter((other) => other.net === net).length > 1);
  return feeds.map(({ d, core }) => {
    const land = (to: string | null): Act => ({ kind: 'land', cores: [{ core: core.id, to }] });
    return faultTest(
      world,
      'dead',
      dead({
        id: `feed-earth-${d.tag}`,
        title: `Earth of the feeder by itself: ${d.label}`,
        actions: [
          phrase`Its earth core off ${core.terminal!}; a long lead from the core to the main earth of the board.`,
          phrase`Land it again and pull at it before the next.`,
        ],
        cautions: [DEAD, 'Nothing is switched on while an earth is off.'],
        parts: [
          { acts: [land(null)], observes: [ohms('earth', `earth core of ${d.tag} to main earth`, core.pin, 'earth')] },
        ],
        restores: [land(core.terminal)],
        minutes: 4,
      }),
    );
  });
}

/** From the metal of each pump to the main earth, its plug in and its cores landed: the earth of its cord is part of the way. */
export function frames(world: World): FaultTest[] {
  const acts = isolationOf(world)?.acts ?? [];
  return (world.panel?.cores ?? []).flatMap((c) => {
    const motor = world.panel!.devices.find((d) => d.function === 'motor' && c.pin === `${d.tag}:PE`);
    if (!motor || c.terminal === null) return [];
    const made = dead({
      id: `frame-${motor.tag}`,
      title: `Earth of the metal of ${motor.label}`,
      actions: [
        phrase`Its plug in, its cores landed. A long lead from bare metal of ${motor.label} to the main earth of the board.`,
      ],
      parts: [{ acts: [], observes: [ohms('frame', 'metal to main earth', c.pin, 'earth')] }],
      minutes: 4,
      risk: 'outside',
      about: ['pump'],
    });
    return [{ setting: 'dead' as const, test: { ...made, needs: acts } }];
  });
}

/** The capacitor of a motor, off and discharged; and its shaft, by hand. */
export function motors(world: World): FaultTest[] {
  const { panel } = world;
  const { mover } = traitsOf(world.station);
  const inVessel = mover.kind === 'pump' && mover.stands === 'in-vessel';
  return (panel?.devices ?? []).flatMap((d) => {
    const capacitor = d.inside?.find((i) => i.id === 'capacitor');
    const made: FaultTest[] = [];
    if (capacitor)
      made.push(
        faultTest(
          world,
          'dead',
          dead({
            id: `capacitor-${d.tag}`,
            title: `Capacitor of ${d.label}`,
            actions: [phrase`Discharge it over a resistor, take one lead off, and read it on a range for capacitors.`],
            cautions: [DEAD, ...(d.charge ? [d.charge] : [])],
            parts: [
              {
                acts: [],
                observes: [{ id: 'farads', label: 'capacitor', kind: 'farads', part: `${d.tag}.capacitor` }],
              },
            ],
            minutes: 6,
          }),
        ),
      );
    if (d.function === 'motor' && d.pump !== undefined && mover.kind === 'pump') {
      const of = LOOKED_AT.impeller(d.pump);
      const impeller: Observation[] = inVessel
        ? [{ id: 'seen', label: 'impeller', kind: 'seen', of, clear: 'nothing in it, its edges sharp' }]
        : [];
      made.push(
        faultTest(
          world,
          'dead',
          dead({
            id: `shaft-${d.tag}`,
            title: `Turn the shaft of ${d.label}`,
            actions: [
              inVessel
                ? phrase`Lift the pump out on its chain, and turn its impeller with a tool, never with a finger.`
                : phrase`Shut the water on both sides of the pump, and turn its shaft with a tool, never with a finger.`,
            ],
            cautions: [
              DEAD,
              ...(world.station.discharge.checkValve
                ? ['A column of water stands over the check valve: nothing above it is opened.']
                : []),
              'Never look into the intake of a pump that can start.',
            ],
            parts: [
              { acts: [], observes: [{ id: 'shaft', label: 'shaft', kind: 'shaft', pump: d.pump }, ...impeller] },
            ],
            minutes: 15,
            people: 2,
            risk: 'pit',
            about: ['pump'],
          }),
        ),
      );
    }
    return made;
  });
}
