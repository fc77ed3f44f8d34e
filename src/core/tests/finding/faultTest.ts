import { CHANGES_OVER, turnsAgain } from '../first';
import { RISKS, type Risk } from '../risk';
import type { Test } from '../test';
import type { World } from '../world';
import { actsOf, byHandTo, type Setting } from './setting';

/** A test by which a fault is looked for, and how the station stands meanwhile: coming there costs time. */
export interface FaultTest {
  readonly test: Test;
  readonly setting: Setting;
}

const BY_HAND =
  'If the water must be brought there: run by hand, nothing stops it but you. Stay at it until it is off.';
const ORDER = Object.keys(RISKS) as Risk[];
const atLeast = (risk: Risk, least: Risk): Risk => (ORDER.indexOf(risk) < ORDER.indexOf(least) ? least : risk);

/**
 * A test made in a setting. Where water comes by a hand alone it is no mere look.
 * @param of the pump, from 1, of which something is read there: at a call it is made the first; null: of none
 */
export function faultTest(world: World, setting: Setting, made: Test, of: number | null = null): FaultTest {
  const first = setting === 'called' ? of : null;
  const needs = actsOf(world, setting, first);
  const again = needs === actsOf(world, setting) ? [] : turnsAgain(world);
  const test = {
    ...made,
    needs,
    restores: [...made.restores, ...again],
    cautions: again.length > 0 ? [CHANGES_OVER, ...made.cautions] : made.cautions,
  };
  return byHandTo(world, setting)
    ? { setting, test: { ...test, risk: atLeast(made.risk, 'water'), cautions: [BY_HAND, ...test.cautions] } }
    : { setting, test };
}
