import type { World } from '../world';
import { contacts, earths, feedEarths, frames, landings, loops, motors, parts } from './dead';
import type { FaultTest } from './faultTest';
import { hands } from './hands';
import { doing, floatsSeen, levers } from './looks';
import { amps, leaks, volts } from './meters';
import { moved } from './moved';
import { pipes } from './pipes';
import { supplies } from './supplies';

/**
 * Every test by which a fault of this station is looked for: looks, hands, meter, water. Nothing here asks for a scheme, and none foretells an
 * answer: each is asked of every suspect.
 * @param world of the station as it should be
 */
export const faultTestsOf = (world: World): FaultTest[] =>
  world.panel
    ? [
        levers,
        doing,
        floatsSeen,
        hands,
        supplies,
        volts,
        amps,
        leaks,
        earths,
        feedEarths,
        frames,
        contacts,
        parts,
        motors,
        landings,
        loops,
        pipes,
        moved,
      ].flatMap((of) => of(world))
    : [];

export { GIVING_BACK, minutesBetween } from './change';
export type { FaultTest } from './faultTest';
export { opensPipe } from './pipes';
export { actsOf, byHandTo, heightsOf, levelOf, SETTINGS, type Height, type Setting } from './setting';
export { ownId, ownTest, type OwnReading } from './probe';
