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
export { across, between, potential, rms, solve, type Solution } from './solve';
export { due, isPickedUp, sensed, settle, type Settled } from './settle';
export { clamp, liveToEarth, METER_MODES, read, type MeterMode, type Reading, type VoltsReading } from './meter';
export { spice } from './spice';
export { size, type Phasor } from './phasor';
