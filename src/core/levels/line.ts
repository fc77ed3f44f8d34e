import { traitsOf } from '../duties';
import { freezingTime } from '../hydraulics';
import type { Segment, Station } from '../station';
import { phrase, quantity, type Phrase } from '../units';
import type { LevelContext } from './context';
import { cycleOf } from './cycle';
import { sayNoDuty } from './sayNoDuty';

/** One length of pipe with all pumps running that can be called. */
export interface LineRow {
  readonly name: string;
  readonly length: number;
  readonly bore: number;
  /** m³ */
  readonly volume: number;
  /** Sum of loss factors. */
  readonly k: number;
  /** m/s with one pump, and with all. */
  readonly velocity: number;
  readonly velocityAll: number;
  /** Head lost with one pump, m. */
  readonly loss: number;
}

export interface Line {
  readonly rows: readonly LineRow[];
  /** The whole of it: length m, volume m³, sum of factors, head lost m with one pump. */
  readonly total: { readonly length: number; readonly volume: number; readonly k: number; readonly loss: number };
  readonly warnings: readonly Phrase[];
}

const area = (bore: number) => (Math.PI / 4) * bore ** 2;

function rowsOf({ station, hydraulics, atLead, calls }: LevelContext): LineRow[] {
  const one = atLead.ok ? atLead.flow : 0;
  const all = hydraulics.at(calls.at(-1)!, calls.length);
  const most = all.ok ? all.flow : one;
  const row = (s: Segment, own: boolean, loss: number): LineRow => ({
    name: s.name,
    length: s.length,
    bore: s.bore,
    volume: area(s.bore) * s.length,
    k: s.fittings.reduce((sum, f) => sum + f.k * f.count, 0),
    velocity: one / area(s.bore),
    velocityAll: (own ? most / calls.length : most) / area(s.bore),
    loss,
  });
  const riser = station.pumps[0]!.riser.map((s, i) => row(s, true, hydraulics.risers[0]!.losses(one)[i]!));
  return [...riser, ...station.discharge.segments.map((s, i) => row(s, false, hydraulics.main.losses(one)[i]!))];
}

/** Most that a column of water holds together under its own pull, m: less than the 10 m of the air, for vapour and air come out before. */
const SIPHON_BREAKS = 7;

function crestWarnings({ station, stop }: LevelContext): Phrase[] {
  const { highPoint, outlet, checkValve } = station.discharge;
  if (!highPoint || highPoint.vented) return [];
  const pull = highPoint.height - outlet;
  return [
    ...(pull > SIPHON_BREAKS
      ? [
          phrase`Beyond the high point the water falls ${quantity('head', pull)}: the column tears there, and the pump lifts to the high point after all. Vent it, or count on no siphon.`,
        ]
      : []),
    ...(outlet < stop
      ? [
          phrase`The outlet is below the water: once the pump has filled the line it siphons on after the stop, down to the intake. Vent the high point.`,
        ]
      : []),
    ...(!checkValve
      ? [
          phrase`No check valve under the high point: what stands up to it falls back at every stop, and the siphon with it.`,
        ]
      : []),
  ];
}

function frostWarnings(context: LevelContext): Phrase[] {
  const { station, inflow } = context;
  const { exposed, checkValve, segments } = station.discharge;
  const air = station.settings.frostAir;
  if (exposed === 0 || air >= 0) return [];
  // Without a check valve it drains back, unless it fills the tank at its end.
  if (!checkValve && traitsOf(station).direction === 'empty') return [];
  const bore = Math.min(...segments.map((s) => s.bore));
  const freezes = freezingTime(bore, air);
  const rests = cycleOf(context, inflow.low);
  const rest = rests.ok ? rests.fill : Infinity;
  return rest > freezes
    ? [
        phrase`${quantity('distance', exposed)} of the line run in the open and stand full between runs: at ${quantity('temperature', air)} a bare pipe of ${quantity('bore', bore)} freezes through in ${quantity('time', freezes)}, and at the low inflow it rests ${quantity('time', rest)}. Drain it back, bury it or warm it.`,
      ]
    : [];
}

/** A radial impeller draws more the more it delivers: points that fall are mostly mistyped, and where they are not, a shut line is the dear one. */
const powerWarnings = ({ pumps }: Station): Phrase[] =>
  pumps.flatMap(({ power, name }, i) => {
    const fall = power?.findIndex((p, n) => n > 0 && p.power < power[n - 1]!.power) ?? -1;
    if (!power || fall < 0 || pumps.findIndex((p) => p.name === name) < i) return [];
    const [before, after] = [power[fall - 1]!, power[fall]!];
    return [
      phrase`The power points of ${name} fall: ${quantity('power', before.power)} at ${quantity('flow', before.flow)}, ${quantity('power', after.power)} at ${quantity('flow', after.flow)}. A radial pump draws more with more flow: look at its sheet again. If it is so, it draws most against a shut line.`,
    ];
  });

/** What the line is made of, what each length of it does, and what is to be minded. */
export function lineOf(context: LevelContext): Line {
  const { station, hydraulics, atLead } = context;
  const rows = rowsOf(context);
  const { velocityMin, velocityMax } = station.settings;
  const pump = station.pumps[0]!;
  const valve = traitsOf(station).mover.kind === 'valve';
  const sum = (of: (r: LineRow) => number) => rows.reduce((s, r) => s + of(r), 0);
  const share = atLead.ok && !valve ? atLead.head / hydraulics.curves[0]!.at(0) : 0;
  const slow = rows.filter((r) => atLead.ok && r.velocity < velocityMin);
  const fast = rows.filter((r) => r.velocityAll > velocityMax);
  const warnings: Phrase[] = valve
    ? []
    : [
        ...(atLead.ok ? [] : [sayNoDuty(atLead)]),
        ...(share > pump.headShare
          ? [
              phrase`The pump works at ${quantity('share', share)} of its shut-off head; its maker allows ${quantity('share', pump.headShare)}.`,
            ]
          : []),
        ...(slow.length > 0
          ? [
              phrase`In ${slow[0]!.name} slower than ${quantity('velocity', velocityMin)} with one pump: solids settle in the pipe.`,
            ]
          : []),
        ...(fast.length > 0
          ? [
              phrase`In ${fast[0]!.name} faster than ${quantity('velocity', velocityMax)}: wear, and a blow when it stops.`,
            ]
          : []),
        ...powerWarnings(station),
        ...crestWarnings(context),
        ...frostWarnings(context),
      ];
  return {
    rows,
    total: { length: sum((r) => r.length), volume: sum((r) => r.volume), k: sum((r) => r.k), loss: sum((r) => r.loss) },
    warnings,
  };
}
