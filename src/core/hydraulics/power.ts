import { monotoneCubic } from '../numeric';
import type { Pump, Station } from '../station';

/** Share of its rated power that a small centrifugal pump takes at no flow, where its maker’s power curve is not known: assumed. */
const SHUT = 0.55;

type Supply = Pick<Station['supply'], 'source' | 'voltage'>;

/** VA of one ampere: of one phase, or √3 of three. */
const perAmp = ({ source, voltage }: Supply): number => (source === 'three' ? Math.sqrt(3) : 1) * voltage;

/** Electrical input of a pump by its flow, W: by its maker’s points; else from 55 % of its rated input at no flow straight to all of it at its last. */
export function powerOf(pump: Pump, supply: Supply): (flow: number) => number {
  const last = pump.curve.at(-1)!.flow;
  const within = (flow: number, to: number) => Math.min(Math.max(flow, 0), to);
  if (pump.power) {
    const points = monotoneCubic(
      pump.power.map((p) => p.flow),
      pump.power.map((p) => p.power),
    );
    return (flow) => points.at(Math.max(within(flow, points.to), points.from));
  }
  const rated = perAmp(supply) * pump.ratedCurrent * pump.motor.powerFactor;
  return (flow) => rated * (SHUT + (1 - SHUT) * (within(flow, last) / last));
}

/**
 * Current that a motor takes at an input, A. What magnetises it hardly changes with load: I² = (P/kU)² + (I·sin φ)², the second term as at its
 * plate. (A. E. Fitzgerald, C. Kingsley and S. D. Umans, “Electric Machinery”, 6th ed., section 6.3.)
 * @param watts electrical input, W
 */
export function ampsAt(pump: Pump, supply: Supply, watts: number): number {
  const active = watts / perAmp(supply);
  return Math.hypot(active, pump.ratedCurrent * Math.sqrt(1 - pump.motor.powerFactor ** 2));
}

/** Share of its power at no flow that a pump takes with air in it: the losses of its motor and bearings, assumed. */
export const IN_AIR = 0.6;
