import { traitsOf } from '../../duties';
import { isPlugged, usedContact, type Panel } from '../../schemes';
import { kindOf, ROLE, type Sensor } from '../../sensors';
import type { Station } from '../../station';
import { phrase, quantity, type Phrase } from '../../units';
import type { Act } from '../act';
import { holdOf, pluggedIn, unplugged } from '../hold';
import { isolationOf, type Isolation } from '../isolation';
import type { Observation, Probes } from '../observation';
import { SPREAD } from '../spread';
import { test, type Test } from '../test';
import type { World } from '../world';

/** Minutes to isolate everything that goes to the pit, lock it and prove it dead. */
export const ISOLATING = 6;

/** What to switch off and lock, by name; where no panel can be drawn, as it is anywhere. */
function opens({ supply }: Station, isolation: Isolation | null): Phrase {
  if (!isolation || isolation.open.length === 0)
    return phrase`Switch off the pump circuit (${quantity('current', supply.breaker)} breaker) and the alarm circuit: they may be two supplies.`;
  const named = isolation.open.map((d): Phrase => {
    const size = d.rating === undefined ? phrase`` : phrase`, ${String(d.rating)} A`;
    return phrase`${d.tag} (${d.label}${size})`;
  });
  const list = named.slice(1).reduce<Phrase>((all, n) => phrase`${all} and ${n}`, named[0]!);
  return phrase`Switch off ${list}${named.length > 1 ? ': separate supplies that meet here' : ''}.`;
}

/** What stays live all the same, told with the cautions. */
function staysLive(isolation: Isolation | null): string[] {
  const mains = isolation?.left.filter((c) => !c.low) ?? [];
  const low = isolation?.left.filter((c) => c.low) ?? [];
  return [
    ...mains.map(
      (c) => `Still live after that: ${c.label}, ${c.volts} V, fed from elsewhere. Isolate it where it comes from.`,
    ),
    ...(low.length > 0
      ? [
          `Still under extra-low voltage after that: ${low.map((c) => `${c.label} (${c.volts} V)`).join(', ')}. What it controls can still act.`,
        ]
      : []),
  ];
}

/** Every pair of the terminals at which pumps, or what a tank is filled through, are landed. */
function pairsOfMovers(panel: Panel | null): Probes[] {
  const movers = panel?.devices.filter((d) => d.function === 'motor' || d.function === 'valve') ?? [];
  return movers.flatMap(({ tag }) => {
    const at = panel!.cores.flatMap((c) => (c.pin.startsWith(`${tag}:`) && c.terminal ? [c.terminal] : []));
    return at.flatMap((a, i) => at.slice(i + 1).map((b): Probes => ({ a, b, mode: 'ac-volts' })));
  });
}

/** Everything isolated and pumps held off as well: how the station stands while hands are in it. */
export const asIsolated = (world: World): Act[] => [...(isolationOf(world)?.acts ?? []), ...holdOf(world).acts];

/** Most that a proved-dead reading may show, V. */
const DEAD = 5;

export function isolate(world: World): Test {
  const { station } = world;
  const volts = quantity('voltage', station.supply.voltage);
  const hold = holdOf(world);
  const isolation = isolationOf(world);
  const where = hold.by === 'plug' ? 'outlet' : 'pump’s terminals';
  const known = (id: string, when: string): Observation => ({
    id,
    label: `known source, ${when}`,
    kind: 'figure',
    value: volts,
    band: { share: SPREAD.supply },
  });
  return test({
    id: 'isolate',
    phase: 'make safe',
    title: 'Isolate, lock, prove dead',
    actions: [
      opens(station, isolation),
      hold.lock,
      phrase`Meter on a known live source, then on the ${where} (every pair), then on the known source again.`,
    ],
    cautions: [
      'Supplies that meet in one box: prove each dead. A start capacitor can hold a charge after the power is off.',
      ...staysLive(isolation),
      traitsOf(station).words.danger,
    ],
    parts: [
      { acts: [], observes: [known('known-before', 'before')] },
      {
        acts: asIsolated(world),
        observes: [
          {
            id: 'dead',
            label: `${where}, highest of all pairs`,
            kind: 'dead',
            pairs: pairsOfMovers(world.panel),
            most: DEAD,
          },
          known('known-after', 'after'),
        ],
      },
    ],
    minutes: ISOLATING,
    risk: 'probes',
  });
}

interface Contact {
  readonly tag: string;
  readonly probes: Probes;
  /** Whether it closes as the water lifts it. */
  readonly closes: boolean;
}

/** The contact that this panel uses of a sensor: the one whose cores are landed, or that is wired where it sits. */
export function contactOf({ panel }: World, sensor: Sensor): Contact | null {
  const device = panel?.devices.find((d) => d.sensor === sensor.id);
  if (!panel || !device) return null;
  const used = usedContact(panel, device);
  if (used === null) return null;
  const { pins, closed } = device.elements[used]!;
  const [a, b] = pins.map((pin) => `${device.tag}:${pin}`) as [string, string];
  return { tag: device.tag, probes: { a, b, mode: 'ohms' }, closes: closed?.includes('up') ?? true };
}

/** A float that stands in the cord of its pump. */
const inCord = (sensor: Sensor): boolean => sensor.role === 'pump' && sensor.duty === 'motor';

export function whereOf(sensor: Sensor, plugged: boolean): string {
  if (!inCord(sensor)) return 'across its two cores, taken off their terminals';
  return plugged ? 'across the blades of its plug' : 'across its two cores, where they are joined to the pump’s';
}

/** The contact of one sensor, worked in the hand. */
export function contactCheck(world: World, sensor: Sensor): Test {
  const contact = contactOf(world, sensor);
  const closes = contact?.closes ?? sensor.contact === 'closes-on-rise';
  const eye = closes ? 'closes on rise (NO hanging)' : 'opens on rise (NC hanging)';
  const { noun, hand } = kindOf(sensor);
  const plugged = isPlugged(world.station);
  const onPlug = plugged && inCord(sensor);
  const spare = sensor.changeover ? phrase` The spare core of the changeover contact is capped.` : phrase``;
  const { panel } = world;
  const is = (id: string, label: string, position: 'hanging' | 'raised', click = false): Observation => {
    const closed = (position === 'raised') === closes;
    if (!contact)
      return {
        id,
        label,
        kind: 'sense',
        good: click
          ? phrase`${closed ? 'closed' : 'open'} again, with a click`
          : closed
            ? phrase`closed: near 0 Ω`
            : phrase`open: no continuity`,
      };
    return {
      id,
      label,
      kind: 'continuity',
      probes: contact.probes,
      alone: contact.tag,
      ...(click && { click: closed ? ('closed' as const) : ('open' as const) }),
    };
  };
  const put = (to: string): Act[] => (contact ? [{ kind: 'put', device: contact.tag, to }] : []);
  const letGo: Act[] = contact ? [{ kind: 'let go', device: contact.tag }] : [];
  return test({
    id: `bench-${sensor.id}`,
    phase: 'bench',
    title: `Bench test: ${ROLE[sensor.role].word} ${noun}`,
    actions: [phrase`${hand.how}`, phrase`Continuity ${whereOf(sensor, plugged)}. This contact ${eye}.${spare}`],
    cautions: ['Ohms only with the power off and proved dead.'],
    needs: [...asIsolated(world), ...(panel && contact ? unplugged(panel, contact.tag) : [])],
    parts: [
      { acts: [], observes: [is('hanging', hand.low, 'hanging')] },
      { acts: put('up'), observes: [is('raised', hand.high, 'raised')] },
      { acts: letGo, observes: [is('back', 'let back', 'hanging', true)] },
    ],
    // What hangs on a plug stays unplugged until the power is wanted.
    restores: panel && contact && !onPlug ? pluggedIn(panel, contact.tag) : [],
    minutes: 3,
    risk: onPlug ? 'outside' : 'inside',
    about: [`float:${sensor.id}`],
  });
}
