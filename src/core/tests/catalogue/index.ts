import type { Test } from '../test';
import type { World } from '../world';
import { alarmTests } from './alarm';
import { carriedParts } from './carried';
import { dryLift, inputVolts, rotation, tapeCheck } from './dry';
import { closeUp, handOver, stray } from './leave';
import { contactCheck, isolate } from './makeSafe';
import { wetTests } from './wet';

/**
 * Every test that a station gives rise to by what it has, in the order of practice: dead before live, outside before inside, water last. Nothing
 * here asks for a scheme.
 * @param world of the station as it should be
 */
export function catalogueOf(world: World): Test[] {
  return [
    isolate(world),
    ...world.levels.sensors.map(({ sensor }) => contactCheck(world, sensor)),
    tapeCheck(world),
    ...rotation(world),
    ...inputVolts(world),
    dryLift(world),
    ...wetTests(world),
    ...alarmTests(world),
    ...carriedParts(world),
    stray(world),
    closeUp(world),
    handOver(world),
  ];
}
