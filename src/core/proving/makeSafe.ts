import type { LevelContext } from '../levels';
import { traitsOf } from '../duties';
import { kindOf } from '../sensors';
import type { Sensor } from '../sensors';
import { phrase, quantity } from '../units';
import { atMost, around, seen, TOLERANCE } from './expect';
import { holdOf } from './holdOff';
import type { Step } from './step';

export function isolate({ station }: LevelContext): Step {
  const volts = quantity('voltage', station.supply.voltage);
  const hold = holdOf(station);
  const where = hold.by === 'plug' ? 'outlet' : 'pump’s terminals';
  return {
    id: 'isolate',
    phase: 'make safe',
    title: 'Isolate, lock, prove dead',
    actions: [
      phrase`Switch off the pump circuit (${quantity('current', station.supply.breaker)} breaker) and the alarm circuit: they may be two supplies.`,
      hold.lock,
      phrase`Meter on a known live source, then on the ${where} (every pair), then on the known source again.`,
    ],
    cautions: [
      'Two supplies may meet in one box: prove each dead. A start capacitor can hold a charge after the power is off.',
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
