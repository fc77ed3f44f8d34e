import { traitsOf } from '../duties';
import { phrase, type Phrase, quantity } from '../units';
import { ROLE, type SensorRole, kindOf } from '../sensors';
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
export function motorThroughFloat(station: Station): Phrase[] {
  const { sensors, pumps } = station;
  const float = sensors.find((s) => s.role === 'pump');
  const valve = valveOf(station);
  const amps = valve ? valve.power / station.supply.voltage : Math.max(...pumps.map((p) => p.ratedCurrent));
  if (!float) return [phrase`it needs one float that starts and stops the pump by its own range`];
  const { noMotor } = kindOf(float);
  if (noMotor) return [phrase`${noMotor}`];
  return [
    ...(float.duty === 'control' && !valve
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
  roles.some((r) => sensors.some((s) => s.role === r))
    ? []
    : [phrase`it needs ${roles.map((r) => ROLE[r].one).join(' or ')}`];

export const onePump = ({ pumps }: Station): Phrase[] =>
  pumps.length === 1 ? [] : [phrase`it runs one pump, and there are ${String(pumps.length)}`];

/** The mover of a station: a valve, where it is filled through one. */
const valveOf = (station: Station) => {
  const { mover } = traitsOf(station);
  return mover.kind === 'valve' ? mover.valve : null;
};

/** A pump on a cord has its capacitor in itself: there is no panel that its start gear could sit in. */
export const noStartBox = (station: Station): Phrase[] =>
  station.supply.source !== 'three' && station.pumps.some((p) => p.motor.gear === 'in-panel') && !valveOf(station)
    ? [phrase`capacitor and start switch of the pump are in a box at the panel, and here there is no panel to hold it`]
    : [];

/** A scheme that runs motors alone. */
export const noValve = (station: Station): Phrase[] =>
  valveOf(station) ? [phrase`the tank is filled through a valve, and this runs a motor`] : [];

/** A valve that opens without power wants a contact that opens on the call, and there is none. */
export const opensWithoutPower = (station: Station): Phrase[] =>
  valveOf(station)?.rests === 'open'
    ? [phrase`the valve opens without power: it needs a contact that opens on the call, and here only one closes`]
    : [];

/** A second float that stops the filling needs a circuit to sit in, and one pump before which it sits. */
export const noSecondStop = (station: Station): Phrase[] =>
  traitsOf(station).direction === 'fill' && station.sensors.some((s) => s.role === 'cutoff')
    ? [
        phrase`the second float that stops the filling needs a control circuit: here the first one carries the load itself`,
      ]
    : [];

/** A panel that the power of the pumps does not come to cannot tell that it is lost. */
export const noPumpPower = ({ alarm, interlocks }: Station): Phrase[] =>
  alarm.powerFail || alarm.powerFailContact || interlocks.some((l) => l.kind === 'standby' && l.on !== 'high')
    ? [phrase`the power of the pumps does not come to this panel: it cannot tell that it is lost`]
    : [];

export const noPermission = ({ interlocks }: Station): Phrase[] =>
  interlocks.flatMap((l) =>
    l.kind === 'may-fill' || l.kind === 'external-stop'
      ? [phrase`there is no control circuit in which ${l.name} could stop the pump: no interlock is possible`]
      : [],
  );
