import type { Station } from '../station';
import { catalogueOf, worldOf, type World } from '../tests';
import type { Step } from './step';
import { stepsOf } from './steps';

/**
 * The test steps that apply to a station, in the order they are done: isolate, bench, dry, wet, drawdown, alarm, leave.
 * Every expectation is asked of the station as it should be.
 * @param station checked, by `checkStation`
 * @param world of it, where one was made before
 * @example
 * testPlan(newStation('Sump', 'Yard', 'metric-230')).slice(0, 3).map((step) => step.id) // → ['isolate', 'bench-pump', 'bench-alarm']
 */
export function testPlan(station: Station, world: World = worldOf(station)): Step[] {
  return stepsOf(world, catalogueOf(world));
}
