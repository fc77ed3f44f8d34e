import { kindOf } from '../../sensors';
import { phrase } from '../../units';
import type { DeviceFunction } from '../../schemes';
import type { Observation } from '../observation';
import { test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';
import { heightsOf } from './setting';

/** What shows how it stands to a person who opens no cover: levers, flags, selectors, a code on a display. */
const SHOWN: ReadonlySet<DeviceFunction> = new Set([
  'disconnect',
  'breaker',
  'residual-current',
  'overload',
  'selector',
  'order',
  'drive-fault',
  'power-supply',
  'transfer',
]);

/** Levers, flags and selectors, each in its place. */
export function levers(world: World): FaultTest[] {
  const devices = world.panel?.devices ?? [];
  const drives = devices.filter((d) => d.function === 'drive');
  const shown = [
    ...devices
      .filter((d) => SHOWN.has(d.function))
      .map((d): Observation => ({ id: d.tag, label: `${d.tag}, ${d.label}`, kind: 'stands', device: d.tag })),
    ...drives.map((d): Observation => ({
      id: d.tag,
      label: `${d.tag}, what its display says`,
      kind: 'display',
      device: d.tag,
    })),
  ];
  if (shown.length === 0) return [];
  return (['resting', 'called'] as const).map((setting) =>
    faultTest(world, setting, {
      ...test({
        id: `levers-${setting}`,
        phase: 'look',
        title: 'Look at every breaker, flag and selector',
        actions: [phrase`Read where each stands. Touch none yet: what is tripped tells more before it is reset.`],
        cautions: drives.flatMap((d) => [
          `A dark display is no proof that ${d.tag} is dead.`,
          ...(d.charge ? [d.charge] : []),
        ]),
        parts: [{ acts: [], observes: shown }],
        minutes: 2,
        risk: 'look',
      }),
    }),
  );
}

/** What runs, sounds and is lit, with the water at each height. */
export const doing = (world: World): FaultTest[] =>
  [...heightsOf(world).keys()].map((setting) =>
    faultTest(world, setting, {
      ...test({
        id: `now-${setting}`,
        phase: 'look',
        title: 'What runs, sounds and is lit',
        actions: [phrase`Stand still for a minute. Note every pump that runs, every lamp, the horn.`],
        parts: [{ acts: [], observes: [{ id: 'now', label: 'what happens', kind: 'happens' }] }],
        minutes: 1,
        risk: 'look',
      }),
    }),
  );

/** Floats as they are seen from the rim: hanging, or lifted by the water. */
export function floatsSeen(world: World): FaultTest[] {
  const seen = (world.panel?.devices ?? []).filter((d) => {
    const sensor = world.station.sensors.find((s) => s.id === d.sensor);
    return sensor !== undefined && kindOf(sensor).lead === 'cord' && kindOf(sensor).switchIn === 'pit';
  });
  if (seen.length === 0) return [];
  return [...heightsOf(world).keys()].map((setting) =>
    faultTest(world, setting, {
      ...test({
        id: `floats-${setting}`,
        phase: 'look',
        title: 'Look at the floats from the rim',
        actions: [phrase`With a light from above: which floats lie on the water or hang, and which are caught.`],
        cautions: ['From the rim: do not lean in over water while anything can start.'],
        parts: [
          {
            acts: [],
            observes: seen.map((d): Observation => ({ id: d.tag, label: d.label, kind: 'stands', device: d.tag })),
          },
        ],
        minutes: 2,
        risk: 'look',
      }),
    }),
  );
}
