import { usedContact, type Panel } from '../schemes';
import { kindOf, type Sensor, type SensorFault } from '../sensors';
import type { Station } from '../station';
import { leaking, reversed, welded, without } from './change';
import { quantity, type Format } from '../units';
import { type FaultEffects, type Fault, faultId, type FaultsOf, inSizes, kind, type FaultKind } from './fault';

const KINDS = {
  'stuck-up': kind(
    0.03,
    'caught on pipe, ladder or another float, or grease holds it',
    'free it, and give it room to swing',
  ),
  'stuck-down': kind(
    0.03,
    'grease or wipes weigh it down, or it lies under something',
    'clean it, and see that it lifts',
  ),
  tangled: kind(0.02, 'its cord is wound round a pipe or another cord', 'untangle, and clip the cords apart'),
  waterlogged: kind(0.015, 'the body is cracked and has filled', 'change the float', 'worn'),
  slipped: kind(0.015, 'the clip was not tight, or the pole is greasy', 'set it again by the tape list, and tighten'),
  deposit: kind(0.03, 'scale, grease or grit in its guide', 'clean guide and float'),
  'cord-cut': kind(
    0.005,
    'chafed on an edge, or bitten',
    'change the float: a splice in the pit does not last',
    'part',
  ),
  welded: kind(
    0.006,
    'its contact carried more than it is made for',
    'change the float, and let a relay carry the load',
    'worn',
  ),
  leaking: kind(
    0.008,
    'water has crept into its housing or splice',
    'change the float, and make the splice anew, dry',
    'worn',
  ),
  'wrong-core': kind(0.002, 'the spare core of a changeover was landed', 'land the core that the wire list names'),
  'upside-down': kind(
    0.002,
    'fitted with its cord at the wrong end, or the wrong kind taken',
    'turn it, or change it for the kind on the list',
  ),
  'tube-leak': kind(
    0.03,
    'bell, tube or joint leaks: the trapped air is lost',
    'make it tight, and lift the alarm to fill it with air again',
    'part',
  ),
  breather: kind(0.02, 'the breather of the pressure switch is wet or blocked', 'clear or change the breather'),
} as const satisfies Record<SensorFault | 'wrong-core', FaultKind>;

/** Faults of a contact, not of what works it. */
const OF_CONTACT: ReadonlySet<SensorFault | 'wrong-core'> = new Set(['welded', 'leaking', 'wrong-core']);

/** A pressure that a blocked breather holds, Pa: an example to rehearse with. */
const TRAPPED = 600;

/** What comes in several sizes: how far a clip slips, m; what a wet housing between two contacts lets through, Ω. Examples to rehearse with. */
const SIZES: Partial<Record<keyof typeof KINDS, { format: Format; usual: number; others: readonly number[] }>> = {
  slipped: { format: 'height', usual: 0.15, others: [0.05, 0.4] },
  leaking: { format: 'resistance', usual: 15e3, others: [2e3, 100e3] },
};

const IN_WORDS: Record<keyof typeof KINDS, string> = {
  'stuck-up': 'stuck up',
  'stuck-down': 'stuck down',
  tangled: 'tangled: stays where it is',
  waterlogged: 'waterlogged: hangs whatever the water does',
  slipped: 'slipped down its pole',
  deposit: 'blocked by deposit: stays where it is',
  'cord-cut': 'cord cut',
  welded: 'contact welded',
  leaking: 'contact leaks through a wet housing',
  'wrong-core': 'wrong core of the changeover used',
  'upside-down': 'fitted upside down',
  'tube-leak': 'bell or tube leaks',
  breather: 'breather of the pressure switch blocked',
};

const changed = (id: string, to: (s: Sensor) => Sensor): FaultEffects => ({
  station: (station: Station) => ({ ...station, sensors: station.sensors.map((s) => (s.id === id ? to(s) : s)) }),
});

function effectsOf(
  fault: keyof typeof KINDS,
  sensor: Sensor,
  tag: string,
  panel: Panel,
  size: number,
  contact: string | null,
): FaultEffects | null {
  // What happens to a contact that the panel does not use changes nothing.
  if (contact === null && OF_CONTACT.has(fault)) return null;
  const [throws, other] = contact === 'NC' ? ['NC', 'NO'] : ['NO', 'NC'];
  switch (fault) {
    case 'stuck-up':
      return { holds: { [tag]: 'up' }, freeInHand: true, seen: { [tag]: 'held up by what is round it' } };
    case 'stuck-down':
      return { holds: { [tag]: 'down' }, freeInHand: true, seen: { [tag]: 'weighed down, or under something' } };
    case 'waterlogged':
      return { holds: { [tag]: 'down' }, freeInHand: true, seen: { [tag]: 'heavy: water in it' } };
    case 'tube-leak':
      return { holds: { [tag]: 'down' } };
    case 'tangled':
      return { holds: { [tag]: null }, freeInHand: true, seen: { [tag]: 'its cord wound round something' } };
    case 'deposit':
      return { holds: { [tag]: null }, seen: { [tag]: 'scale, grease or grit in its guide' } };
    case 'slipped':
      return changed(sensor.id, (s) => kindOf(s).moved(s, -size));
    case 'breather':
      return changed(sensor.id, (s) => kindOf(s).trapped?.(s, TRAPPED) ?? s);
    case 'cord-cut':
      return { circuit: without(`${tag}.NO`, `${tag}.NC`), seen: { [tag]: 'its cord cut or chafed' } };
    case 'welded':
      // A blade that is welded to the one throw never comes to the other.
      return { circuit: (netlist) => without(`${tag}.${other}`)(welded(`${tag}.${throws}`)(netlist)) };
    case 'leaking':
      return { circuit: leaking(`${tag}.${throws}`, 1 / size) };
    case 'upside-down':
      // Turned by hand, or of the wrong kind: the one shows, the other does not.
      return { circuit: reversed(tag, { up: 'down', down: 'up' }), seen: { [tag]: null } };
    case 'wrong-core': {
      const used = panel.cores.find((c) => c.pin === `${tag}:${throws}`);
      const spare = panel.cores.find((c) => c.pin === `${tag}:${other}`);
      if (!used?.terminal || !spare || spare.terminal !== null) return null;
      return {
        landings: {
          cores: [
            { core: used.id, to: null },
            { core: spare.id, to: used.terminal },
          ],
        },
      };
    }
  }
}

/** Faults of a sensor, by its kind; those of its contact, of the one that the panel uses. */
export const sensorFaults: FaultsOf = (device, { station, panel }) => {
  const sensor = station.sensors.find((s) => s.id === device.sensor)!;
  const contact = usedContact(panel, device);
  const kinds: readonly (keyof typeof KINDS)[] = [
    ...kindOf(sensor).faults,
    ...(sensor.changeover ? (['wrong-core'] as const) : []),
  ];
  return kinds.flatMap((what): Fault[] => {
    const make = (size: number, ending = ''): Fault | null => {
      const effects = effectsOf(what, sensor, device.tag, panel, size, contact);
      return (
        effects && {
          id: `${faultId(sensor.id, what)}${ending}`,
          group: 'sensor',
          part: device.tag,
          label: `${device.label}: ${IN_WORDS[what]}`,
          ...KINDS[what],
          effects,
        }
      );
    };
    const sizes = SIZES[what];
    const usual = make(sizes?.usual ?? 0);
    if (!usual || !sizes) return usual ? [usual] : [];
    const sized = inSizes(
      (s) => quantity(sizes.format, s),
      sizes.usual,
      sizes.others,
      (s, ending) => make(s, ending)!,
    );
    return [sized];
  });
};
