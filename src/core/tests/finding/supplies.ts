import type { MeterMode } from '../../circuit';
import { pinOf, type Device } from '../../schemes';
import { phrase, type Phrase } from '../../units';
import type { Act } from '../act';
import type { Observation } from '../observation';
import { SPREAD } from '../spread';
import { test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';
import { LIVE } from './meters';

/* Each supply where it comes in, wire by wire: whether all of it is there, and which of it is not. */

type Pin = string;
type Pair = readonly [Pin, Pin];

interface Reading {
  readonly id: string;
  readonly of: string;
  readonly pairs: readonly Pair[];
}

/** What is read among the wires of a supply: the legs among each other and to neutral, and all to earth; several legs on two cards. */
function readings(pins: readonly Pin[]): Reading[] {
  const legs = pins.filter((p) => p.startsWith('L'));
  const [neutral, earth] = ['N', 'PE'].map((p) => pins.filter((x) => x === p));
  const among = legs.flatMap((a, i) => legs.slice(i + 1).map((b): Pair => [a, b]));
  const toNeutral = legs.flatMap((leg) => neutral!.map((n): Pair => [leg, n]));
  const toEarth = [...legs, ...neutral!].flatMap((pin) => earth!.map((pe): Pair => [pin, pe]));
  return legs.length === 1
    ? [{ id: '', of: '', pairs: [...toNeutral, ...toEarth] }]
    : [
        { id: '', of: ', leg by leg', pairs: [...among, ...toNeutral] },
        { id: '-earth', of: ', to earth', pairs: toEarth },
      ];
}

/** Among the legs and to neutral a ghost is to show as none. Low impedance to an earth that is lost would lift all that hangs on it. */
const modeTo = (pin: Pin): MeterMode => (pin === 'PE' ? 'ac-volts' : 'low-z-volts');

const HOW: Readonly<Partial<Record<MeterMode, Phrase>>> = {
  'low-z-volts': phrase`Among the legs and to neutral in low-impedance mode, so that a ghost shows as none.`,
  'ac-volts': phrase`To earth in the ordinary mode, never in that of low impedance: through the meter it would lift a lost earth, and all that hangs on it.`,
};

/** One card of readings, the main switch off where there are several legs: with one lost the others come back by what they feed together. */
function card(
  world: World,
  d: Device,
  at: ReadonlyMap<Pin, string>,
  { id, of, pairs }: Reading,
  main?: Device,
): FaultTest {
  const put = (to: string): Act[] => (main ? [{ kind: 'put', device: main.tag, to }] : []);
  const wires = [...at].map(([pin, terminal]) => `${pin} on ${terminal}`).join(', ');
  const modes = [...new Set(pairs.map(([, to]) => modeTo(to)))];
  return faultTest(
    world,
    'resting',
    test({
      id: `supply-${d.tag}${id}`,
      phase: 'work',
      title: `Volts coming in at ${d.tag}, ${d.label}${of}`,
      actions: [
        ...(main
          ? [
              phrase`${main.tag} off: else a leg that is lost is fed back by what the others feed, and seems to be there.`,
            ]
          : []),
        phrase`Volts, wire by wire: ${wires}.`,
        ...modes.map((m) => HOW[m]!),
      ],
      cautions: [LIVE, ...(main ? ['Nothing pumps meanwhile. Pumps may start as it is switched on again.'] : [])],
      parts: [
        {
          acts: put('off'),
          observes: pairs.map(([from, to]): Observation => {
            const [a, b] = [at.get(from)!, at.get(to)!];
            return {
              id: `${from}-${to}`,
              label: `${from} to ${to}`,
              kind: 'volts',
              probes: { a, b, mode: modeTo(to) },
              band: { share: SPREAD.supply },
            };
          }),
        },
      ],
      restores: put(main?.initial ?? 'on'),
      minutes: 2,
      risk: 'probes',
    }),
  );
}

export function supplies(world: World): FaultTest[] {
  const { panel } = world;
  return (panel?.devices ?? []).flatMap((d) => {
    if (d.function !== 'supply' && d.function !== 'alarm-supply') return [];
    const at = new Map(
      panel!.cores.flatMap((c): [Pin, string][] => {
        const [tag, pin] = pinOf(c.pin);
        return tag === d.tag && c.terminal !== null ? [[pin, c.terminal]] : [];
      }),
    );
    const all = readings([...at.keys()]);
    const main = all.length > 1 ? panel!.devices.find((x) => x.function === 'disconnect') : undefined;
    return all.filter((r) => r.pairs.length > 0).map((r) => card(world, d, at, r, main));
  });
}
