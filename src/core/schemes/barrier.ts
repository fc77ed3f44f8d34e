import type { Sensor } from '../sensors';
import { directSupply, OPEN_LEAK, CLOSED, sense } from './devices';
import type { Feed } from './wires';
import { leaf, type PanelBuilder } from './panelBuilder';
import type { Tree } from './model';

/*
 * Intrinsically safe circuits for floats in a pit where gas can be: each float works the input of a relay that cannot give a spark, and the
 * relay’s contact goes where the float’s would. The figures of the barrier are the document’s.
 */

/** What such a relay puts on its float, V behind Ω, and takes, Ω; where it pulls in and lets go, V over its input (IEC 60947-5-6). */
const INPUT = { volts: 8.2, behind: 1000, r: 1000, pickUp: 2.1, dropOut: 1.2 } as const;
const SUPPLY = 'GI';

/** The supply that all barriers share, once. */
export function barrierSupply(b: PanelBuilder, { pair, volts }: Feed): void {
  if (!b.station.control.parts.barrier) return;
  const g = directSupply(b, SUPPLY, 'feeds the barriers', { volts, kind: 'ac' }, 24, 5);
  b.rung('supply of the barriers', 'power', pair[0], [g.input], pair[1]);
  b.circuit({
    id: 'safe',
    label: 'floats, intrinsically safe',
    strip: 'X8',
    reference: 'IS-',
    volts: INPUT.volts,
    kind: 'dc',
    low: true,
    safe: true,
    function: 'control',
  });
}

/** A float behind a barrier: its contact as the barrier gives it on, and the opposite of it. */
export function behindBarrier(b: PanelBuilder, sensor: Sensor, float: Tree): { used: Tree; other: Tree } {
  const { barrier } = b.station.control.parts;
  const tag = `B-${sensor.id}`;
  const contact = (pins: readonly [string, string], sign: 'make' | 'break', closed: string) => ({
    pins,
    sign,
    part: { kind: 'impedance', r: CLOSED } as const,
    closed: [closed],
    leak: OPEN_LEAK,
  });
  b.device({
    tag,
    function: 'barrier',
    description: `intrinsically safe relay, Uo ${barrier!.voltage} V, Io ${Math.round(barrier!.current * 1000)} mA`,
    label: `lets the float of ${sensor.role} through without a spark`,
    place: 'panel',
    cost: 3,
    behaviour: {
      kind: 'relay',
      senses: sense('volts', 'dc', [`${tag}.in`]),
      pickUp: INPUT.pickUp,
      dropOut: INPUT.dropOut,
    },
    initial: 'off',
    positions: [],
    elements: {
      source: {
        pins: ['-', '+'],
        sign: 'source',
        part: { kind: 'source', volts: -INPUT.volts, phaseDeg: 0, frequency: 0, r: INPUT.behind },
        closed: ['on'],
        follows: SUPPLY,
        leak: 1e-5,
      },
      in: { pins: ['1', '2'], sign: 'input', part: { kind: 'impedance', r: INPUT.r } },
      '13-14': contact(['13', '14'], 'make', 'on'),
      '21-22': contact(['21', '22'], 'break', 'off'),
    },
  });
  b.rung(
    `${sensor.role} float, intrinsically safe`,
    'safe',
    'IS-',
    [leaf(tag, 'source'), float, leaf(tag, 'in')],
    'IS-',
  );
  return { used: leaf(tag, '13-14'), other: leaf(tag, '21-22') };
}
