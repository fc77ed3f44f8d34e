import { phrase } from '../../units';
import type { Observation, Probes } from '../observation';
import { SPREAD } from '../spread';
import { test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';
import type { Setting } from './setting';

/** A reading of one's own, by name. */
export const probeId = ({ a, b, mode }: Probes, setting: Setting): string => `probe ${mode} ${a} ${b} ${setting}`;

/** A reading between any two points that somebody chose. @param id of its observation */
export function probeTest(world: World, probes: Probes, setting: Setting, id: string): FaultTest {
  const { a, b, mode } = probes;
  const ohms = mode === 'ohms' || mode === 'continuity' || mode === 'insulation';
  const common = { id, label: `${a} to ${b}`, probes } as const;
  const observation: Observation = ohms
    ? { ...common, kind: 'ohms', band: { share: 0.2 } }
    : { ...common, kind: 'volts', band: { share: SPREAD.supply } };
  return faultTest(world, setting, {
    ...test({
      id: probeId(probes, setting),
      phase: 'work',
      title: `A reading of one’s own: ${a} to ${b}`,
      actions: [phrase`One probe on ${a}, the other on ${b}.`],
      parts: [{ acts: [], observes: [observation] }],
      minutes: 1,
      risk: ohms ? 'inside' : 'probes',
    }),
  });
}
