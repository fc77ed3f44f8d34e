export {
  conducts,
  EARTH,
  initialStates,
  type Behaviour,
  type CircuitDevice,
  type Netlist,
  type Component,
  type Sense,
  type States,
} from './netlist';
export { structureOf, type Structure } from './structure';
export { across, between, impedanceBetween, potential, rms, solve, type Potentials, type Solution } from './solve';
export { sensed } from './senses';
export { isPickedUp, settle, waitingOf, type Settled, type Waiting } from './settle';
export { turns } from './motor';
export { breakerCurve, overloadCurve, OVERLOAD_CLASSES, tripTime, type OverloadClass } from './tripCurve';
export {
  clamp,
  liveToEarth,
  METER_MODES,
  read,
  shownOn,
  type Shown,
  type MeterMode,
  type Reading,
  type VoltsReading,
} from './meter';
export { spice } from './spice';
export { size, type Phasor } from './phasor';
