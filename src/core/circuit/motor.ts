import type { MotorBehaviour } from './netlist';
import { size, type Phasor } from './phasor';

/** Less than this share of the voltage at which it starts is none to a motor: it hums at more. */
const HUMS = 0.25;
/** The same of its auxiliary winding. */
const HELPS = 0.2;

const TURNS: ReadonlySet<string> = new Set(['running', 'backwards', 'single']);

/** Whether the rotor of a motor in this state turns. */
export const turns = (state: string): boolean => TURNS.has(state);

/** Which way three phases turn: the second lags the first, or leads it (IEC 60034-8: U, V, W in the order of the phases turn it clockwise). */
const forwards = ([u, v]: readonly Phasor[]): boolean => u!.re * v!.im - u!.im * v!.re < 0;

/**
 * The state that a motor goes to at once with these volts over its windings. One of three phases lost: what turns goes on, what stands does
 * not begin (J. F. Fuchs and M. A. S. Masoum, “Power Quality in Power Systems and Electrical Machines”, 2008, on single-phasing).
 * @param volts over its windings, in their order
 * @param auxiliary V over the auxiliary winding of a single-phase one
 */
export function nextOfMotor(
  { starts, keeps, jammed, auxiliary: has }: MotorBehaviour,
  state: string,
  volts: readonly Phasor[],
  auxiliary: number,
): string {
  const sizes = volts.map(size);
  const moving = turns(state);
  if (Math.max(...sizes, auxiliary) < HUMS * starts) return 'still';
  if (jammed) return 'stalled';
  if (Math.min(...sizes) < (moving ? keeps : starts)) return moving && volts.length === 3 ? 'single' : 'stalled';
  if (has !== undefined && !moving && auxiliary < HELPS * starts) return 'stalled';
  return volts.length < 3 || forwards(volts) ? 'running' : 'backwards';
}
