import { breakerCurve } from '../circuit';
import { contactPart, OPEN_LEAK, sense, worked } from './devices';
import type { Device, Tree } from './model';
import { leaf, type PanelBuilder } from './panelBuilder';

/* What opens a circuit: by hand, on too much current, on current that goes astray. */

const BREAKER_POSITIONS = [
  { state: 'on', label: 'on' },
  { state: 'off', label: 'off' },
];

/** A breaker or fuse with a pole for each wire; opens itself when any carries too much. `handled: false`: nobody opens it to work behind it. */
export function breaker(
  b: PanelBuilder,
  tag: string,
  label: string,
  amps: number,
  poles: number,
  more: { fuse?: boolean; direct?: boolean; place?: Device['place']; pump?: number; handled?: false } = {},
): Tree[] {
  const names = Array.from({ length: poles }, (_, i) => `${2 * i + 1}-${2 * i + 2}`);
  const senses = names.map((n) => `${tag}.${n}`);
  b.device({
    ...opener(b, tag, label, amps, senses, more),
    place: more.place ?? 'panel',
    elements: Object.fromEntries(
      names.map((n) => [
        n,
        {
          pins: n.split('-') as [string, string],
          sign: more.fuse ? 'fuse' : 'breaker',
          part: contactPart,
          closed: ['on'],
          leak: OPEN_LEAK,
        },
      ]),
    ),
  });
  return names.map((n) => leaf(tag, n));
}

/** A breaker at the board, whose poles are in what the board feeds: these components of the circuit. */
export const breakerAt = (
  b: PanelBuilder,
  tag: string,
  label: string,
  amps: number,
  poles: readonly string[],
): Device => b.device({ ...opener(b, tag, label, amps, poles, {}), place: 'board', elements: {} });

/** A breaker or fuse but for where it is, and its poles. */
function opener(
  b: PanelBuilder,
  tag: string,
  label: string,
  amps: number,
  senses: readonly string[],
  more: { fuse?: boolean; direct?: boolean; pump?: number; handled?: false },
): Omit<Device, 'place' | 'elements'> {
  const poles = senses.length;
  // What it must break is the current of a short where it sits, kA in the steps in which they are made.
  const { supply } = b.station;
  const fault = supply.voltage / supply.loop / 1000;
  const breaks = [1.5, 3, 4.5, 6, 10, 15, 25].find((kA) => kA >= fault) ?? 50;
  const description = more.fuse
    ? `fuse and holder${poles > 1 ? `, ${poles} poles` : ''}, ${amps} A, breaks ${breaks} kA`
    : `circuit breaker, ${poles} pole${poles > 1 ? 's' : ''}, ${amps} A${more.direct ? ', for direct current' : ''}, breaks ${breaks} kA`;
  return {
    tag,
    function: more.fuse ? 'fuse' : 'breaker',
    pump: more.pump,
    description,
    label,
    cost: more.fuse ? 1 : 2,
    rating: amps,
    behaviour: {
      kind: 'trip',
      senses: sense('amps', more.direct ? 'dc' : 'ac', senses, 'most'),
      ...breakerCurve(amps, supply.breakerTrips, more.fuse ? 'fuse' : 'breaker'),
    },
    initial: 'on',
    positions: more.handled === false ? [] : BREAKER_POSITIONS,
  };
}

/** A disconnect that can be locked off. */
export function disconnect(b: PanelBuilder, tag: string, poles: number): Tree[] {
  const contact = worked(
    b,
    'disconnect',
    tag,
    `disconnect switch, ${poles} poles, lockable`,
    'isolates the panel',
    BREAKER_POSITIONS,
    'on',
    { cost: 2 },
  );
  return Array.from({ length: poles }, () => contact('breaker', 'on'));
}

/** A residual-current or ground-fault device: opens when its wires together carry a current that came back another way. */
export function residual(b: PanelBuilder, tag: string, poles: number, trips: number): Tree[] {
  const names = Array.from({ length: poles }, (_, i) => `${2 * i + 1}-${2 * i + 2}`);
  b.device({
    tag,
    function: 'residual-current',
    description: `residual-current (ground-fault) device, ${poles} poles, ${Math.round(trips * 1000)} mA`,
    label: 'opens on a leak to earth',
    place: 'panel',
    cost: 2,
    behaviour: {
      kind: 'trip',
      senses: sense(
        'amps',
        'ac',
        names.map((n) => `${tag}.${n}`),
        'sum',
      ),
      above: trips,
    },
    initial: 'on',
    positions: BREAKER_POSITIONS,
    elements: Object.fromEntries(
      names.map((n) => [
        n,
        { pins: n.split('-') as [string, string], sign: 'breaker', part: contactPart, closed: ['on'], leak: OPEN_LEAK },
      ]),
    ),
  });
  return names.map((n) => leaf(tag, n));
}
