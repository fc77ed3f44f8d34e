import { traitsOf } from '../duties';
import { panelOf, schemeOf } from '../schemes';
import type { Pump, Station } from '../station';
import { phrase, quantity, type Phrase } from '../units';
import { atLeast, atMost, told, type WiringCheck } from './check';
import { guardedAt, LEAST_SIZE, sourceOf } from './ampacity';
import { sizeFor } from './guards';
import { coreInductance, coreResistance, sizeName, soldSizes } from './conductor';
import { overloadFigures } from './overloadFigures';
import { guardOfFeeder, protectionFigures } from './protectionFigures';

/** Power factor of a motor as it starts, with its rotor still: a usual figure. */
const STARTING_POWER_FACTOR = 0.6;
/** Of the coil of a valve: a usual figure. */
const VALVE_POWER_FACTOR = 0.4;

interface Run {
  readonly length: number;
  readonly area: number;
}

/** Ω of a run out and back; three phases go out and come back by each other, so once √3. */
function way({ wiring, supply }: Station, run: Run): { r: number; x: number } {
  const there = supply.source === 'three' ? Math.sqrt(3) : 2;
  return {
    r: there * coreResistance(run.length, run.area, wiring.warmest),
    x: there * 2 * Math.PI * supply.frequency * coreInductance(run.length),
  };
}

/**
 * Share of the voltage that is lost between board and motor when it takes a current at a power factor: the usual approximation
 * ΔU = k·I·(R·cos φ + X·sin φ), k·R being 2·R for two wires and √3·R for three (IEC 60364-5-52, annex G).
 * @param amps A in the motor’s cable
 * @param feeder A in the feeder, where more than this motor hangs on it
 */
export function voltageDrop(station: Station, amps: number, powerFactor: number, feeder = amps): number {
  const lost = (run: Run, through: number) => {
    const { r, x } = way(station, run);
    return through * (r * powerFactor + x * Math.sqrt(1 - powerFactor ** 2));
  };
  const { wiring, supply } = station;
  return (lost(wiring.feeder, feeder) + lost(wiring.motor, amps)) / supply.voltage;
}

/** What the feeder carries while a pump starts: all that may start with it when the power comes back; with a wait of their own, the others as they run. */
function feederAtStart({ pumps, control }: Station, pump: Pump): { readonly amps: number; readonly others: Phrase } {
  const start = (p: Pump) => p.ratedCurrent * p.motor.starting;
  const others = pumps.filter((p) => p !== pump);
  if (others.length === 0 || schemeOf(control.scheme)?.together !== 'all')
    return { amps: start(pump), others: phrase`` };
  const { stagger } = control.parts;
  return stagger === null
    ? {
        amps: start(pump) + others.reduce((sum, p) => sum + start(p), 0),
        others: phrase` When the power comes back with the water high all pumps start together, and the feeder carries ${quantity('current', start(pump) + others.reduce((sum, p) => sum + start(p), 0))}: a wait of each after a power cut (parts of the panel) takes them apart.`,
      }
    : {
        amps: start(pump) + others.reduce((sum, p) => sum + p.ratedCurrent, 0),
        others: phrase` The others run meanwhile; after a power cut each waits ${quantity('time', stagger)} longer than the one before.`,
      };
}

/**
 * Impedance of the loop from the source by the line to a fault at the motor's frame and back by the earth conductor, Ω, with the
 * conductors as warm as they get (a fault comes to a loaded circuit): what is told of the board, and both cables out and back.
 */
export function faultLoop(station: Station): number {
  const { wiring, supply } = station;
  const r = [wiring.feeder, wiring.motor].reduce(
    (sum, c) => sum + 2 * coreResistance(c.length, c.area, wiring.warmest),
    supply.loop,
  );
  const x = [wiring.feeder, wiring.motor].reduce(
    (sum, c) => sum + 2 * 2 * Math.PI * supply.frequency * coreInductance(c.length),
    0,
  );
  return Math.hypot(r, x);
}

const toEarth = ({ supply }: Station): number =>
  supply.source === 'three'
    ? supply.voltage / Math.sqrt(3)
    : supply.source === 'split'
      ? supply.voltage / 2
      : supply.voltage;

function pumpChecks(station: Station, pump: Pump, n: number): WiringCheck[] {
  const { wiring } = station;
  const name = station.pumps.length > 1 ? `, pump ${n}` : '';
  const running = voltageDrop(station, pump.ratedCurrent, pump.motor.powerFactor);
  const start = pump.ratedCurrent * pump.motor.starting;
  const feeder = feederAtStart(station, pump);
  const starting = voltageDrop(station, start, STARTING_POWER_FACTOR, feeder.amps);
  return [
    atMost(
      `drop-running-${n}`,
      `voltage drop, running${name}`,
      quantity('drop', wiring.dropRunning),
      quantity('drop', running),
      phrase`${quantity('current', pump.ratedCurrent)} over ${quantity('distance', wiring.feeder.length)} of ${sizeName(wiring.feeder.area, station.profile)} and ${quantity('distance', wiring.motor.length)} of ${sizeName(wiring.motor.area, station.profile)}, conductors at ${quantity('temperature', wiring.warmest)}.`,
    ),
    atMost(
      `drop-starting-${n}`,
      `voltage drop, starting${name}`,
      quantity('drop', wiring.dropStarting),
      quantity('drop', starting),
      phrase`Starting takes ${quantity('current', start)}; a motor that starts on too little voltage hums, heats and trips, and contactors let go.${feeder.others}`,
    ),
  ];
}

/** What guards a run, A: the feeder at the board, the pump’s cable in the panel. */
const guardOf = (station: Station, run: 'feeder' | 'motor'): number =>
  run === 'feeder' ? guardOfFeeder(station) : station.supply.breaker;

/** The smallest size sold that carries what its breaker lets through and loses little enough, the other run as it is; null where none does. */
function leastSize(station: Station, run: 'feeder' | 'motor'): number | null {
  const { pumps, wiring } = station;
  const guards = guardOf(station, run);
  const most = pumps.reduce((a, b) => (a.ratedCurrent > b.ratedCurrent ? a : b));
  const fits = (area: number): boolean => {
    const tried = { ...station, wiring: { ...wiring, [run]: { ...wiring[run], area } } };
    return (
      area >= LEAST_SIZE.power[station.profile] * 0.99 &&
      guardedAt(area, station) >= guards &&
      voltageDrop(tried, most.ratedCurrent, most.motor.powerFactor) <= wiring.dropRunning &&
      voltageDrop(
        tried,
        most.ratedCurrent * most.motor.starting,
        STARTING_POWER_FACTOR,
        feederAtStart(station, most).amps,
      ) <= wiring.dropStarting
    );
  };
  return soldSizes(station.profile).find(fits) ?? null;
}

const sizeChecks = (station: Station): WiringCheck[] =>
  (['feeder', 'motor'] as const).map((run) => {
    const least = leastSize(station, run);
    const name = run === 'feeder' ? 'feeder' : 'pump cable';
    const guards = guardOf(station, run);
    if (least === null)
      return told(
        `size-${run}`,
        `size of the ${name}`,
        sizeFor(guards, LEAST_SIZE.power[station.profile], station) === null
          ? phrase`No size sold carries ${quantity('current', guards)} by ${sourceOf(station)}, at ${quantity('temperature', station.settings.wiringAmbient)} with ${String(station.settings.grouped)} bunched: a smaller breaker, another way of laying, or another table.`
          : phrase`No size of ${name} alone brings the drop down: the other run is too long or too thin.`,
      );
    return told(
      `size-${run}`,
      `size of the ${name}`,
      phrase`${sizeName(least, station.profile)} is the least that typically carries ${quantity('current', guards)} and drops little enough; ${sizeName(station.wiring[run].area, station.profile)} is laid. ${sourceOf(station)}, at ${quantity('temperature', station.settings.wiringAmbient)}: typical; your code governs.`,
    );
  });

/** What the circuit feeds as a motor of its own: a valve is no more than its coil, and starts no heavier than it runs. */
function fed(station: Station): readonly Pump[] {
  const { mover } = traitsOf(station);
  const made = panelOf(station);
  // A drive brings its motor up slowly: no more than it takes as it runs.
  if (made.ok && made.panel.devices.some((d) => d.function === 'drive'))
    return station.pumps.map((p) => ({ ...p, motor: { ...p.motor, starting: 1 } }));
  if (mover.kind === 'pump') return station.pumps;
  const [pump] = station.pumps;
  const ratedCurrent = mover.valve.power / VALVE_POWER_FACTOR / station.supply.voltage;
  return [{ ...pump!, ratedCurrent, motor: { ...pump!.motor, powerFactor: VALVE_POWER_FACTOR, starting: 3 } }];
}

/** Conductors, drop, fault loop and protection of the pump circuit. */
export function supplyFigures(of: Station): WiringCheck[] {
  const pumps = fed(of);
  const station: Station = { ...of, pumps: [...pumps] };
  const { supply, wiring } = station;
  const together =
    schemeOf(station.control.scheme)?.together === 'all'
      ? pumps.reduce((sum, p) => sum + p.ratedCurrent, 0)
      : Math.max(...pumps.map((p) => p.ratedCurrent));
  const most = Math.max(...pumps.map((p) => p.ratedCurrent));
  const loop = faultLoop(station);
  const fault = toEarth(station) / loop;
  const needed = supply.breaker * supply.breakerTrips;
  const typical = 'Typical figure; your code governs.';
  return [
    atLeast(
      'feeder-carries',
      'feeder carries the pumps',
      quantity('current', together),
      quantity('current', wiring.feeder.carries),
      phrase`${sizeName(wiring.feeder.area, station.profile)}, ${String(pumps.length)} ${pumps.length > 1 ? 'pumps together' : 'pump'}. ${typical}`,
    ),
    atLeast(
      'motor-carries',
      'pump cable is guarded by its breaker',
      quantity('current', supply.breaker),
      quantity('current', wiring.motor.carries),
      phrase`A breaker guards the cable behind it: the cable carries at least what the breaker lets through. ${typical}`,
    ),
    atLeast(
      'breaker',
      'breaker carries the motor',
      quantity('current', most),
      quantity('current', supply.breaker),
      phrase`Smaller, and it opens while the pump runs.`,
    ),
    ...protectionFigures(station, together),
    ...overloadFigures(of),
    ...sizeChecks(station),
    ...pumps.flatMap((p, i) => pumpChecks(station, p, i + 1)),
    atLeast(
      'fault-current',
      'a fault at the motor opens the breaker at once',
      quantity('current', needed),
      quantity('current', fault),
      phrase`The loop at the motor is ${quantity('resistance', loop)}: ${quantity('resistance', supply.loop)} told of the board, the rest cable at ${quantity('temperature', wiring.warmest)}. The breaker opens at once at ${String(supply.breakerTrips)} times its ${quantity('current', supply.breaker)}.${supply.residualCurrent ? ' A residual-current (ground-fault) device opens on far less.' : ' Without a residual-current (ground-fault) device nothing else opens quickly.'} Measure the loop; the code says what must open how fast.`,
    ),
  ];
}
