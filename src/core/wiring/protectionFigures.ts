import { breakerCurve, overloadCurve, tripTime } from '../circuit';
import { panelOf } from '../schemes';
import type { Station } from '../station';
import { phrase, quantity } from '../units';
import { atLeast, atMost, told, type WiringCheck } from './check';
import { awgArea, sizeName } from './conductor';

/*
 * What guards what: the feeder and its breaker at the board, starting currents against the curves of what they flow through, and the
 * least sizes that a circuit may have whatever it carries.
 */

/** A breaker may act at once from this share of the multiple at which it surely does: 3 to 5, 5 to 10, 10 to 20 times (IEC 60898-1, types B, C, D). */
const MAY = 0.5;
/** How long a motor of this size takes to come up, s, at most: a usual figure. */
const COMES_UP = 2;

/**
 * Least sizes, m²: of power, 1.5 mm² (IEC 60364-5-52, table 52.2) or 14 AWG (NFPA 70, 310.3(A) and 210.19); of control, 0.5 mm² or 18 AWG.
 */
const LEAST = {
  power: { 'metric-230': 1.5e-6, 'us-120': awgArea(14) },
  control: { 'metric-230': 0.5e-6, 'us-120': awgArea(18) },
} as const;

/** Sizes are told to this share. */
const NEAR = 0.99;

function leastSizes({ wiring, profile }: Station): WiringCheck[] {
  const runs = [
    ['feeder', 'feeder', wiring.feeder, LEAST.power],
    ['motor', 'pump cable', wiring.motor, LEAST.power],
    ['field', 'float cable', wiring.field, LEAST.control],
  ] as const;
  return runs.flatMap(([id, name, { area }, least]): WiringCheck[] =>
    area >= NEAR * least[profile]
      ? []
      : [
          {
            ...told(
              `least-${id}`,
              `${name} is too thin for any circuit`,
              phrase`${sizeName(area, profile)} is laid; ${sizeName(least[profile], profile)} is the least for such a circuit, whatever it carries. Typical figure; your code governs.`,
            ),
            state: 'broken',
          },
        ],
  );
}

/** The starting current of each pump against the magnet of its breaker, and how long it may last before heat opens breaker or overload. */
function starts(station: Station): WiringCheck[] {
  const { pumps, supply } = station;
  const made = panelOf(station);
  const relays = new Set(made.ok ? made.panel.devices.flatMap((d) => (d.function === 'overload' ? [d.pump] : [])) : []);
  const { above, curve } = breakerCurve(supply.breaker, supply.breakerTrips);
  return pumps.flatMap((pump, i) => {
    const name = pumps.length > 1 ? `, pump ${i + 1}` : '';
    const amps = pump.ratedCurrent * pump.motor.starting;
    const overload = overloadCurve(pump.ratedCurrent, pump.motor.overloadClass);
    const has = relays.has(i + 1);
    const heats = Math.min(
      tripTime(amps, above, curve),
      has ? tripTime(amps, overload.above, overload.curve) : Infinity,
    );
    return [
      atMost(
        `start-magnet-${i + 1}`,
        `starting current, and the breaker at once${name}`,
        quantity('current', MAY * supply.breakerTrips * supply.breaker),
        quantity('current', amps),
        phrase`A breaker that surely acts at once at ${String(supply.breakerTrips)} times its rating may do so from half of that on: above it a start can open it now and then. One of a slower type, not a larger one, mends that.`,
      ),
      atLeast(
        `start-heat-${i + 1}`,
        `starting current, and what warms${name}`,
        quantity('time', COMES_UP),
        quantity('time', Math.min(heats, 3600)),
        phrase`${quantity('current', amps)} open ${has ? `the breaker or its overload relay of class ${pump.motor.overloadClass}` : 'the breaker'} after so long; a pump is up in less than ${quantity('time', COMES_UP)}.`,
      ),
    ];
  });
}

/** What guards the feeder at the board, A: by the panel where one can be built, for a scheme may have it among its own. */
export function guardOfFeeder(station: Station): number {
  const made = panelOf(station);
  return (made.ok && made.panel.devices.find((d) => d.function === 'supply')?.rating) || station.supply.feederBreaker;
}

/** Breaker at the board, feeder and pumps; starts; least sizes. @param together A of all pumps that run at once */
export function protectionFigures(station: Station, together: number): WiringCheck[] {
  const { wiring } = station;
  const guard = quantity('current', guardOfFeeder(station));
  const typical = 'Typical figure; your code governs.';
  return [
    atLeast(
      'feeder-guarded',
      'feeder is guarded by the breaker at the board',
      guard,
      quantity('current', wiring.feeder.carries),
      phrase`What the breaker lets through the feeder must carry. ${typical}`,
    ),
    atLeast(
      'feeder-breaker',
      'breaker at the board carries the pumps',
      quantity('current', together),
      guard,
      phrase`Smaller, and it opens while they run.`,
    ),
    ...starts(station),
    ...leastSizes(station),
  ];
}
