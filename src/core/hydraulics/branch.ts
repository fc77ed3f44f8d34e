import { brentRoot, monotoneCubic, type MonotoneCubic } from '../numeric';
import { GRAVITY } from '../physics';
import type { CurvePoint, Pump } from '../station';
import { orificeFlow } from './orifice';
import { pipelineOf, type FrictionSchool, type Pipeline } from './pipeline';

/** Head against flow as the maker prints it; defined between its first and last point and nowhere else. */
export const pumpCurve = (points: readonly CurvePoint[]): MonotoneCubic =>
  monotoneCubic(
    points.map((p) => p.flow),
    points.map((p) => p.head),
  );

/** A pump with its own pipe, between the water it draws from and the joint. */
export interface Branch {
  readonly curve: MonotoneCubic;
  readonly riser: Pipeline;
  /** Head that a flow of one m³/s loses in it while it stands, m: its impeller is so many velocity heads. */
  readonly standing: number;
  /** Nothing keeps water from coming back through it. */
  readonly open: boolean;
  /** Branches that are alike share one in the solving. */
  readonly key: string;
}

/** Around a branch: what it draws from and where it leads, and its weep hole. Heights m above the floor. */
export interface Around {
  readonly suction: number;
  readonly level: number;
  readonly hole: { readonly diameter: number; readonly height: number; readonly coefficient: number } | null;
  /** Velocity head above the pump at a flow, m. */
  entryHead(flow: number): number;
}

export function branchOf(
  pump: Pump,
  main: { readonly bore: number },
  {
    viscosity,
    school,
    standingLoss,
    open,
  }: {
    viscosity: number;
    school: FrictionSchool;
    /** in velocity heads */
    standingLoss: number;
    open: boolean;
  },
): Branch {
  const area = (Math.PI / 4) * (pump.riser[0]?.bore ?? main.bore) ** 2;
  return {
    curve: pumpCurve(pump.curve),
    riser: pipelineOf(pump.riser, viscosity, school),
    standing: standingLoss / (2 * GRAVITY * area * area),
    open,
    key: JSON.stringify([pump.curve, pump.riser, open]),
  };
}

/** What passes a weep hole with the pump sending `flow` past it, at so much head over the joint as the riser loses. */
function weeping({ level, hole, entryHead }: Around, flow: number, head: number, lost: number): number {
  if (!hole) return 0;
  return orificeFlow(hole.coefficient, hole.diameter, head + lost - entryHead(flow) - Math.max(hole.height, level));
}

/** Leak through the weep hole of a pump that sends `flow` into its riser while the joint is at `head`. */
export const weepOf = (b: Branch, flow: number, head: number, around: Around): number =>
  around.hole ? weeping(around, flow, head, b.riser.friction(flow)) : 0;

/** What is left of the pump’s head over that of the joint when it sends `flow` there: it delivers more while this is above zero. */
export function surplusOf(b: Branch, flow: number, head: number, around: Around): number {
  const lost = b.riser.friction(flow);
  const through = Math.min(flow + weeping(around, flow, head, lost), b.curve.to);
  return around.suction + b.curve.at(through) - lost - head;
}

const TOLERANCE = 1e-12;

/** Flow through a pump that stands, driven by `drive` m of head: its impeller and its pipe lose it. Zero or more. */
function throughStanding({ standing, riser }: Branch, drive: number): number {
  if (drive <= 0) return 0;
  const most = Math.sqrt(drive / standing);
  const left = (q: number) => drive - standing * q * q - riser.friction(q);
  return left(most) >= 0 ? most : brentRoot(left, 0, most, TOLERANCE);
}

/** Flow of a running pump towards the joint at `head`, held at the end of its curve; below zero: it is pushed back through it. */
export function runningFlow(b: Branch, head: number, around: Around): number {
  const shut = surplusOf(b, 0, head, around);
  // Pushed back, an impeller gives the head of no flow and loses what one that stands would lose: assumed.
  if (shut <= 0) return b.open ? -throughStanding(b, -shut) : 0;
  const end = b.curve.to;
  return surplusOf(b, end, head, around) > 0 ? end : brentRoot((q) => surplusOf(b, q, head, around), 0, end, TOLERANCE);
}

/** Flow of a pump that stands towards the joint at `head`: forward where its water is higher, back where nothing keeps it. */
export function standingFlow(b: Branch, head: number, { suction }: Around): number {
  if (head < suction) return throughStanding(b, suction - head);
  return b.open ? -throughStanding(b, head - suction) : 0;
}
