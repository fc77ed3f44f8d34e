import { traitsOf, type Direction } from '../duties';
import { levelContext, type LevelContext } from '../levels';
import type { Station } from '../station';
import { carriedParts } from './carried';
import { dryLift, tapeCheck } from './dry';
import { closeUp, handOver, stray } from './leave';
import { isPlugged } from '../schemes';
import { contactCheck, isolate } from './makeSafe';
import { rotation } from './rotation';
import type { Step } from './step';
import {
  alternation,
  cutOff,
  drawdownTest,
  fillTank,
  fillToAlarm,
  fillToLag,
  fillToLead,
  pumpDown,
  running,
} from './wet';

/** The wet steps of a pump that draws the water down. */
const emptied = (context: LevelContext): Step[] => [
  fillToLead(context),
  running(context),
  pumpDown(context),
  drawdownTest(context),
  ...fillToLag(context),
  ...alternation(context),
];

/** The wet steps by which way the pumps move the water. */
const WET: Readonly<Record<Direction, (context: LevelContext) => Step[]>> = { empty: emptied, fill: fillTank };

/**
 * The test steps that apply to a station, in the order they are done: isolate, bench, dry, wet, drawdown, alarm, leave.
 * Every expectation is worked out from the station. @param station checked, by `checkStation`
 * @example
 * testPlan(newStation('Sump', 'Yard', 'metric-230')).slice(0, 3).map((step) => step.id) // → ['isolate', 'bench-pump', 'bench-alarm']
 */
export function testPlan(station: Station): Step[] {
  const context = levelContext(station);
  return [
    isolate(context),
    ...context.sensors.map(({ sensor }) => contactCheck(sensor, isPlugged(station))),
    tapeCheck(context),
    ...rotation(context),
    dryLift(context),
    ...WET[traitsOf(station).direction](context),
    ...fillToAlarm(context),
    ...cutOff(context),
    ...carriedParts(context),
    stray(context),
    closeUp(context),
    handOver(context),
  ];
}
