import type { Valve } from '../duties';
import { coloursOf } from './colours';
import { loadPart, sense } from './devices';
import type { Device, Tree } from './model';
import { leaf, type PanelBuilder } from './panelBuilder';
import { breaker } from './protection';
import type { Feed } from './wires';

/*
 * A tank that is filled through a valve: what the panel works is a coil or a small motor with a spring, not a pump.
 */

/** Of a solenoid while its core is held, and what it takes more while the core is away, in times that; of a motorised one. */
const SOLENOID = { powerFactor: 0.4, inrush: 3 } as const;
const MOTORISED = { powerFactor: 0.6 } as const;
/** Shares of its voltage at which it moves, and at which its spring takes it back. */
const MOVES = 0.85;
const LETS_GO = 0.4;

/** States of the valve in which water comes. */
export const opensIn = ({ rests }: Valve): readonly string[] => (rests === 'closed' ? ['on'] : ['off']);

/** The valve at the end of its cable. */
export function valveDevice(b: PanelBuilder, valve: Valve, feed: Feed, cable: NonNullable<Device['cable']>): void {
  const tag = 'Y1';
  const { frequency } = b.station.supply;
  const solenoid = valve.drive === 'solenoid';
  const { powerFactor } = solenoid ? SOLENOID : MOTORISED;
  const part = loadPart(feed.volts, valve.power / powerFactor, powerFactor, frequency);
  b.device({
    tag,
    function: 'valve',
    pump: 1,
    description: `${valve.drive} valve, ${valve.power} W, ${valve.rests === 'closed' ? 'closes' : 'opens'} without power`,
    label: 'the valve that fills the tank',
    place: 'field',
    cost: 3,
    behaviour: {
      kind: 'relay',
      senses: sense('volts', 'ac', [`${tag}.coil`]),
      pickUp: MOVES * feed.volts,
      dropOut: LETS_GO * feed.volts,
    },
    initial: 'off',
    positions: [],
    elements: { coil: { pins: ['1', '2'], sign: 'valve', part } },
    inside: solenoid
      ? [
          {
            id: 'pull',
            a: '1',
            b: '2',
            // With its core away a coil has little inductance: the rest of the inrush.
            part: loadPart(feed.volts, (SOLENOID.inrush - 1) * (valve.power / powerFactor), powerFactor, frequency),
            closed: ['off'],
          },
        ]
      : [],
    cable,
  });
  b.outcome({
    id: tag,
    label: 'the valve is open',
    not: 'the valve is shut',
    never: 'the valve never opens: the tank is not filled',
    always: 'the valve never shuts: the tank runs over',
    kind: 'pump',
    device: tag,
    pump: 1,
    senses: sense('volts', 'ac', [`${tag}.coil`]),
    above: 0,
    states: opensIn(valve),
    ...(valve.rests === 'closed' && { dead: [`${tag}:1`, `${tag}:2`] }),
  });
}

/** The core colours of a valve’s cable: as the pump’s would be. */
export function valveCable(b: PanelBuilder, feed: Feed): NonNullable<Device['cable']> {
  const colours = coloursOf(b.station);
  const { motor } = b.station.wiring;
  return {
    id: 'W-pump1',
    label: 'cable to the valve',
    length: motor.length,
    area: motor.area,
    colours: {
      '1': colours.lines[0],
      '2': feed.pair[1] === 'N' ? colours.neutral : colours.lines[1],
      PE: colours.earth,
    },
  };
}

/** What works a valve: poles that close when the tank calls, and ones that open then. */
export interface ValvePoles {
  readonly closes: () => Tree;
  readonly opens: (() => Tree) | null;
}

/** Breaker, poles and valve. One that opens without power is held shut until the tank calls. */
export function valvePower(b: PanelBuilder, valve: Valve, feed: Feed, poles: ValvePoles, guarded: boolean): void {
  const live = feed.pair[1] === 'N' ? 1 : 2;
  valveDevice(b, valve, feed, valveCable(b, feed));
  const guards = guarded ? breaker(b, 'Q1', 'guards the valve', b.station.supply.breaker, live, { pump: 1 }) : [];
  const pole = valve.rests === 'closed' ? poles.closes : poles.opens!;
  const way = (i: number): Tree[] => [...(guards[i] ? [guards[i]] : []), pole()];
  b.rung(
    'valve',
    'power',
    feed.pair[0],
    [...way(0), leaf('Y1', 'coil'), ...(live === 2 ? way(1).reverse() : [])],
    feed.pair[1],
  );
  b.land('PE', 'power', 'Y1', 'PE', 'X1:PE1');
}
