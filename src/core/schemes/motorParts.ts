import type { Pump, Station } from '../station';
import type { Device, Inside } from './model';

/*
 * What is between the pins of a motor: windings with the rotor in them, what more it takes while the rotor stands, capacitor and start
 * switch. Impedances follow from the plate; copper from what was measured, or typical.
 */

/** Ω of copper by the motor’s impedance at its rated current, of small motors; an auxiliary winding has so many times that of the main one. */
const COPPER = 0.1;
const AUXILIARY = 2.5;
/** Power factor while the rotor stands. */
const STANDING = 0.65;
/** An auxiliary winding with what turns in it, as a share of the motor’s impedance. */
const BESIDE = { r: 0.5, x: 0.5 } as const;
/** Current through a capacitor alone at rated voltage, by the rated current: one that starts, one that stays. */
const CAPACITOR = { 'start-capacitor': 1.5, 'run-capacitor': 0.35 } as const;

export interface Copper {
  /** Ω, of a phase or of the main winding, and of the auxiliary one. */
  readonly winding: number;
  readonly auxiliary: number;
  /** F */
  readonly capacitor: number;
}

/** Copper and capacitor of a motor: as they were measured, else typical. @param volts over one winding, V */
export function copperOf({ motor, ratedCurrent }: Pump, volts: number, { supply }: Station): Copper {
  const winding = motor.winding ?? (COPPER * volts) / ratedCurrent;
  return {
    winding,
    auxiliary: motor.auxiliary ?? AUXILIARY * winding,
    capacitor: motor.capacitor ?? (CAPACITOR[motor.begins] * ratedCurrent) / (2 * Math.PI * supply.frequency * volts),
  };
}

/** An admittance, S; `im` is negative for what is inductive. */
interface Admittance {
  readonly re: number;
  readonly im: number;
}

const ofCurrent = (amps: number, powerFactor: number, volts: number): Admittance => ({
  re: (amps * powerFactor) / volts,
  im: (-amps * Math.sqrt(1 - powerFactor * powerFactor)) / volts,
});
const less = (p: Admittance, q: Admittance): Admittance => ({ re: p.re - q.re, im: p.im - q.im });

/** R and L in series that conduct so; what would give power back, or is a capacitor, is cut off at nothing. */
function partOf(y: Admittance, frequency: number, dc: number): Inside {
  const re = Math.max(y.re, 1e-6);
  const im = Math.min(y.im, 0);
  const square = re * re + im * im;
  return { kind: 'impedance', r: re / square, l: -im / square / (2 * Math.PI * frequency), dc };
}

const STANDS = ['still', 'stalled'] as const;

/** Of a motor with three windings in star: each as it runs; and beside it while it stands, and while one of the others is lost. */
export function threePhase(pump: Pump, volts: number, station: Station) {
  const { frequency } = station.supply;
  const copper = copperOf(pump, volts, station);
  const runs = ofCurrent(pump.ratedCurrent, pump.motor.powerFactor, volts);
  const stands = ofCurrent(pump.ratedCurrent * pump.motor.starting, Math.min(STANDING, pump.motor.powerFactor), volts);
  const inside = (pin: string): NonNullable<Device['inside']> => [
    { id: `${pin}-standing`, a: pin, b: 'star', part: partOf(less(stands, runs), frequency, Infinity), closed: STANDS },
    // On two windings in series at √3 of the volts the slip grows until √3 of the current flows: half of the impedance.
    { id: `${pin}-single`, a: pin, b: 'star', part: partOf(runs, frequency, Infinity), closed: ['single'] },
  ];
  return { winding: partOf(runs, frequency, copper.winding), inside };
}

/** Of a single-phase motor: its main winding as it runs; beside it what more it takes while it stands; its auxiliary winding and capacitor. */
export function singlePhase(pump: Pump, volts: number, station: Station) {
  const { frequency } = station.supply;
  const { motor, ratedCurrent } = pump;
  const omega = 2 * Math.PI * frequency;
  const copper = copperOf(pump, volts, station);
  const z = volts / ratedCurrent;
  const [r, x] = [BESIDE.r * z, BESIDE.x * z];
  const reactance = x - 1 / (omega * copper.capacitor);
  const square = r * r + reactance * reactance;
  const beside: Admittance = { re: r / square, im: -reactance / square };
  const nothing: Admittance = { re: 0, im: 0 };
  const runs = less(
    ofCurrent(ratedCurrent, motor.powerFactor, volts),
    motor.begins === 'run-capacitor' ? beside : nothing,
  );
  const stands = less(ofCurrent(ratedCurrent * motor.starting, Math.min(STANDING, motor.powerFactor), volts), beside);
  return {
    main: partOf(runs, frequency, copper.winding),
    standing: { part: partOf(less(stands, runs), frequency, Infinity), closed: STANDS },
    auxiliary: { kind: 'impedance', r, l: x / omega, dc: copper.auxiliary } as const,
    capacitor: { kind: 'capacitor', c: copper.capacitor } as const,
    /** States of the motor in which its capacitor is there. */
    starts: motor.begins === 'run-capacitor' ? undefined : STANDS,
  };
}
