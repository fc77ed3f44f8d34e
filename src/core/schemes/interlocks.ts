import { traitsOf } from '../duties';
import type { Interlock } from '../station';
import type { AlarmChain } from './alarmChain';
import type { PanelBuilder } from './panelBuilder';
import { coloursOf } from './colours';
import { CLOSED, loop, OPEN_LEAK, relay, type Relay, sense } from './devices';
import { floatSwitch, sensorOf } from './floats';
import type { Tree } from './model';

const cord = (b: PanelBuilder, id: string, label: string, pins: readonly [string, string]) => {
  const [first, second] = coloursOf(b.station).cord;
  return { id, label, length: 20, area: 0.75e-6, colours: { [pins[0]]: first, [pins[1]]: second } };
};

/** Contacts of others that let the pump run: closed while it may. They sit in series before the coil. */
export function permissions(b: PanelBuilder): Tree[] {
  return b.station.interlocks.flatMap((lock, i): Tree[] => {
    if (lock.kind !== 'may-fill' && lock.kind !== 'external-stop') return [];
    const tag = `U5${i + 1}`;
    b.device({
      tag,
      function: 'permission',
      description: 'outside contact, by others',
      label: lock.kind === 'may-fill' ? `${lock.name} may be filled` : `${lock.name} lets it run`,
      place: 'field',
      cost: 0,
      behaviour: { kind: 'worked' },
      initial: 'closed',
      positions: [
        { state: 'closed', label: lock.kind === 'may-fill' ? 'calls for water' : 'lets it run' },
        { state: 'open', label: lock.kind === 'may-fill' ? 'is full' : 'stops it' },
      ],
      elements: {
        contact: {
          pins: ['1', '2'],
          sign: 'make',
          part: { kind: 'impedance', r: CLOSED },
          closed: ['closed'],
          leak: OPEN_LEAK,
        },
      },
      cable: cord(b, `W-${lock.kind}-${i + 1}`, `from ${lock.name}`, ['1', '2']),
    });
    return [{ leaf: `${tag}.contact` }];
  });
}

/** What the cut-off of a station does: it can ring the alarm, and breaks what makes the water. */
export interface CutOff {
  readonly also: readonly Tree[];
  /** Lays the broken circuits, once the alarm is there. */
  finish(alarm: AlarmChain): void;
}

/** The circuit of one thing that makes water, broken by a contact of ours. */
function broken(b: PanelBuilder, lock: Extract<Interlock, { kind: 'cutoff' }>, n: number, breaks: Tree): void {
  const id = `cut-${n}`;
  const [from, to] = [`V${n}1`, `V${n}2`];
  b.circuit({
    id,
    label: `${lock.acts === 'live' ? 'live feed' : 'low-voltage call'} of ${lock.name}`,
    strip: 'X6',
    reference: to,
    volts: lock.volts,
    kind: 'ac',
    low: lock.acts !== 'live',
    function: 'others',
  });
  const outside = loop(
    b,
    'cut-off',
    `U4${n}`,
    lock.name,
    cord(b, `W-${id}`, `to ${lock.name}`, ['1', '2']),
    { volts: lock.volts, kind: 'ac' },
    lock.amps,
  );
  b.rung(`${lock.name} may run`, id, from, [breaks], to);
  b.rung('its loop outside', id, from, [outside], to);
  b.outcome({
    id: `U4${n}`,
    label: `${lock.name} may run`,
    not: `${lock.name} is stopped`,
    never: `${lock.name} never runs: the cut-off holds it though the water is low`,
    always: `the cut-off has no effect: ${lock.name} may run however high the water is`,
    kind: 'interlock',
    device: `U4${n}`,
    makesWater: true,
    senses: sense('amps', 'ac', [`U4${n}.load`]),
    above: lock.amps / 2,
  });
}

/** The float of the cut-off. In a tank that is filled that float is the second stop of the filling: it sits before the coil. */
const cutOffSensor = (b: PanelBuilder) =>
  traitsOf(b.station).direction === 'fill' ? undefined : sensorOf(b, 'cutoff');

/**
 * The high-level cut-off of what makes the water. A contact that is closed until the water is high breaks the appliance's circuit by
 * itself; where it is to ring as well, or where the float can only close on rise, a relay on the alarm’s supply stands between.
 */
export function cutOff(b: PanelBuilder): CutOff {
  const locks = b.station.interlocks.filter((l): l is Extract<Interlock, { kind: 'cutoff' }> => l.kind === 'cutoff');
  const sensor = cutOffSensor(b);
  if (locks.length === 0) return { also: sensor ? [ringing(b)] : [], finish: () => {} };
  const warns = locks.some((l) => l.warns) && sensor !== undefined;
  const contacts = sensor ? floatSwitch(b, sensor) : null;
  const opens = contacts && (sensor!.contact === 'opens-on-rise' ? contacts.used : contacts.other);
  const below =
    contacts && (warns || locks.length > 1 || !opens)
      ? relay(b, 'K6', opens ? 'water is below the cut-off' : 'water is at the cut-off', { volts: 12, kind: 'dc' })
      : null;
  return {
    also: below && warns ? [opens ? below.break() : below.make()] : [],
    finish(alarm) {
      if (below)
        b.rung(
          opens ? 'water is below the cut-off' : 'water is at the cut-off',
          'alarm',
          'A',
          [opens ?? contacts!.used, below.coil],
          'A0',
        );
      for (const [i, lock] of locks.entries())
        broken(b, lock, i + 1, below ? (opens ? below.make() : below.break()) : (opens ?? alarm.relay.break()));
    },
  };
}

const ringing = (b: PanelBuilder): Tree => {
  const sensor = sensorOf(b, 'cutoff')!;
  const contacts = floatSwitch(b, sensor);
  const closes = sensor.contact === 'closes-on-rise' ? contacts.used : contacts.other;
  if (closes) return closes;
  const below = relay(b, 'K6', 'water is below the cut-off', { volts: 12, kind: 'dc' });
  b.rung('water is below the cut-off', 'alarm', 'A', [contacts.used, below.coil], 'A0');
  return below.break();
};

/** Tells other stations that this tank calls for water: a dry contact that opens when it is full. */
export function tellOthers(b: PanelBuilder, calls: Relay): void {
  b.station.interlocks.forEach((lock, i) => {
    if (lock.kind !== 'full') return;
    const id = `full-${i + 1}`;
    const [from, to] = [`Z${i + 1}1`, `Z${i + 1}2`];
    b.circuit({
      id,
      label: `“may I fill” for ${lock.name}`,
      strip: 'X5',
      reference: to,
      volts: 24,
      kind: 'dc',
      low: true,
      function: 'others',
    });
    const outside = loop(
      b,
      'call-for-water',
      `U3${i}`,
      lock.name,
      cord(b, `W-${id}`, `to ${lock.name}`, ['1', '2']),
      { volts: 24, kind: 'dc' },
      0.01,
    );
    b.rung(`“may I fill” for ${lock.name}`, id, from, [calls.make()], to);
    b.rung('its loop outside', id, from, [outside], to);
    b.outcome({
      id: `U3${i}`,
      label: `${lock.name} may fill it`,
      not: `${lock.name} may not fill it`,
      never: `${lock.name} is never called to fill it`,
      always: `${lock.name} is called though the tank is full`,
      kind: 'interlock',
      device: `U3${i}`,
      senses: sense('amps', 'dc', [`U3${i}.load`]),
      above: 0.005,
    });
  });
}
