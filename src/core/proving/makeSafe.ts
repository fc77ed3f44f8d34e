import type { LevelContext } from '../levels';
import { traitsOf } from '../duties';
import { kindOf } from '../sensors';
import type { Sensor } from '../sensors';
import type { Station } from '../station';
import { phrase, quantity, type Phrase } from '../units';
import { atMost, around, seen, TOLERANCE } from './expect';
import { holdOf } from './holdOff';
import { isolationOf, type Isolation } from './isolation';
import type { Step } from './step';

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

export function isolate({ station }: LevelContext): Step {
  const volts = quantity('voltage', station.supply.voltage);
  const hold = holdOf(station);
  const isolation = isolationOf(station);
  const where = hold.by === 'plug' ? 'outlet' : 'pump’s terminals';
  return {
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
    expects: [
      around('known-before', 'known source, before', volts, { share: TOLERANCE.voltage }),
      atMost('dead', `${where}, highest of all pairs`, quantity('voltage', 5)),
      around('known-after', 'known source, after', volts, { share: TOLERANCE.voltage }),
    ],
    about: [],
  };
}

const eye = (sensor: Sensor) =>
  sensor.contact === 'closes-on-rise' ? 'closes on rise (NO hanging)' : 'opens on rise (NC hanging)';

/** The contact of one sensor, worked in the hand. */
export function contactCheck(sensor: Sensor, plugged: boolean): Step {
  const closes = sensor.contact === 'closes-on-rise';
  const { noun, hand } = kindOf(sensor);
  const where =
    sensor.role === 'pump' && sensor.duty === 'motor'
      ? plugged
        ? 'across the blades of its plug'
        : 'across its two cores, where they are joined to the pump’s'
      : 'across its two cores, taken off their terminals';
  const spare = sensor.changeover ? phrase` The spare core of the changeover contact is capped.` : phrase``;
  return {
    id: `bench-${sensor.id}`,
    phase: 'bench',
    title: `Bench test: ${sensor.role} ${noun}`,
    actions: [phrase`${hand.how}`, phrase`Continuity ${where}. This contact ${eye(sensor)}.${spare}`],
    cautions: ['Ohms only with the power off and proved dead.'],
    expects: [
      seen('hanging', hand.low, closes ? phrase`open: no continuity` : phrase`closed: near 0 Ω`),
      seen('raised', hand.high, closes ? phrase`closed: near 0 Ω` : phrase`open: no continuity`),
      seen('back', 'let back', closes ? phrase`open again, with a click` : phrase`closed again, with a click`),
    ],
    about: [`float:${sensor.id}`],
  };
}
