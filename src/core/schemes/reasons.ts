import { phrase, type Phrase, quantity } from '../units';
import { type SensorRole, kindOf } from '../sensors';
import type { Station } from '../station';

/*
 * Reasons against a scheme that several of them share. Each is empty where it does not apply.
 */

/** Two legs are broken by two contacts; a float has one. */
export function oneContactTwoLegs({ supply }: Station): Phrase[] {
  if (supply.source === 'single') return [];
  return [
    phrase`the float has one contact, and the supply of ${quantity('voltage', supply.voltage)} has ${supply.source === 'split' ? 'two' : 'three'} live legs: the motor would stay live while it stands. Use a contactor that breaks every leg`,
  ];
}

/** A float that carries the motor is made and rated for it. */
export function motorThroughFloat({ sensors, pumps }: Station): Phrase[] {
  const float = sensors.find((s) => s.role === 'pump');
  const amps = Math.max(...pumps.map((p) => p.ratedCurrent));
  if (!float) return [phrase`it needs one float that starts and stops the pump by its own range`];
  const { noMotor } = kindOf(float);
  if (noMotor) return [phrase`${noMotor}`];
  return [
    ...(float.duty === 'control'
      ? [phrase`the pump float is for pilot duty only: its contact must not carry a motor`]
      : []),
    ...(float.contactRating < amps
      ? [
          phrase`the float’s contact is rated ${quantity('current', float.contactRating)}, the motor takes ${quantity('current', amps)}`,
        ]
      : []),
  ];
}

export const needs = ({ sensors }: Station, ...roles: readonly SensorRole[]): Phrase[] =>
  roles.some((r) => sensors.some((s) => s.role === r)) ? [] : [phrase`it needs a ${roles.join(' or ')} float`];

export const onePump = ({ pumps }: Station): Phrase[] =>
  pumps.length === 1 ? [] : [phrase`it runs one pump, and there are ${String(pumps.length)}`];

export const noPermission = ({ interlocks }: Station): Phrase[] =>
  interlocks.flatMap((l) =>
    l.kind === 'may-fill' || l.kind === 'external-stop'
      ? [phrase`there is no control circuit in which ${l.name} could stop the pump: no interlock is possible`]
      : [],
  );
