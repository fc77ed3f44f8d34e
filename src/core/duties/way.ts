import type { SensorRole } from '../sensors';

/** Whether pumps take the water away or bring it. */
export type Direction = 'empty' | 'fill';

/** What the direction makes of trips, calls and contacts. */
export interface Way {
  readonly direction: Direction;
  /** 1 where what comes in fills the vessel and pumps empty it; −1 where what is drawn empties it and pumps fill. */
  readonly sense: 1 | -1;
  /** At which of its trips a float stops pumps, and at which it calls them. */
  readonly stops: 'rise' | 'fall';
  readonly calls: 'rise' | 'fall';
  /** How the contact of a float that controls pumps must close. */
  readonly contact: 'closes-on-rise' | 'opens-on-rise';
  /** Where each role belongs among the others, from the floor up. */
  readonly order: readonly SensorRole[];
}

const EMPTYING: Way = {
  direction: 'empty',
  sense: 1,
  stops: 'fall',
  calls: 'rise',
  contact: 'closes-on-rise',
  order: ['low', 'stop', 'pump', 'lead', 'peak', 'lag', 'lag2', 'alarm', 'cutoff'],
};

const FILLING: Way = {
  direction: 'fill',
  sense: -1,
  stops: 'rise',
  calls: 'fall',
  contact: 'opens-on-rise',
  order: ['low', 'lag2', 'lag', 'lead', 'pump', 'stop', 'alarm', 'cutoff'],
};

export const WAYS: Readonly<Record<Direction, Way>> = { empty: EMPTYING, fill: FILLING };
