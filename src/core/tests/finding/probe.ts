import { phrase } from '../../units';
import type { Observation, Probes } from '../observation';
import { SPREAD } from '../spread';
import { test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';
import type { Setting } from './setting';

/** A reading that somebody takes of his own: between any two points, or with the clamp round a core. */
export type OwnReading = Probes | { readonly core: string };

/** A reading of one's own, by name. */
export const ownId = (of: OwnReading, setting: Setting): string =>
  'core' in of ? `clamp ${of.core} ${setting}` : `probe ${of.mode} ${of.a} ${of.b} ${setting}`;

const inOhms = ({ mode }: Probes): boolean => mode === 'ohms' || mode === 'continuity' || mode === 'insulation';

function observed(of: OwnReading, id: string): Observation {
  if ('core' in of) return { id, label: `round ${of.core}`, kind: 'clamp', core: of.core };
  const common = { id, label: `${of.a} to ${of.b}`, probes: of } as const;
  return inOhms(of)
    ? { ...common, kind: 'ohms', band: { share: 0.2 } }
    : { ...common, kind: 'volts', band: { share: SPREAD.supply } };
}

/** A test of one reading that somebody chose. @param id of its observation */
export function ownTest(world: World, of: OwnReading, setting: Setting, id: string): FaultTest {
  const observation = observed(of, id);
  return faultTest(world, setting, {
    ...test({
      id: ownId(of, setting),
      phase: 'work',
      title: `A reading of one’s own: ${observation.label}`,
      actions: [
        'core' in of ? phrase`The clamp round ${of.core} alone.` : phrase`One probe on ${of.a}, the other on ${of.b}.`,
      ],
      parts: [{ acts: [], observes: [observation] }],
      minutes: 1,
      risk: !('core' in of) && inOhms(of) ? 'inside' : 'probes',
    }),
  });
}
