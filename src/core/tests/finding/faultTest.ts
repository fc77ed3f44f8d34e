import type { Test } from '../test';
import type { World } from '../world';
import { actsOf, type Setting } from './setting';

/** A test by which a fault is looked for, and how the station stands meanwhile: coming there costs time. */
export interface FaultTest {
  readonly test: Test;
  readonly setting: Setting;
}

/** A test made in a setting. */
export const faultTest = (world: World, setting: Setting, made: Test): FaultTest => ({
  setting,
  test: { ...made, needs: actsOf(world, setting) },
});
