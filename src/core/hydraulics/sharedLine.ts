import type { Station } from '../station';
import { cutAt } from './crest';
import type { LateralSystem } from './laterals';
import { pipelineOf, type FrictionSchool } from './pipeline';

/** The line that all pumps share, as the joint before it feels it. Heights and heads m above the floor, flows m³/s. */
export interface SharedLine {
  /** Head at the joint that takes a flow of zero or more to where it goes, with the water in the vessel at `level`. */
  headFor(flow: number, level: number): number;
  /** Head at the joint while a flow of zero or more comes back through it; −∞ where none can: its end is in the air. */
  headBack(flow: number, level: number): number;
  /** Head at the joint under which nothing begins to flow. */
  climb(level: number): number;
  /** Head at the joint with no flow, once the line is full: by the siphon where one pulls. */
  standing(level: number): number;
  /** The highest place that the water must pass. */
  readonly crest: number;
  /** A high point without a vent: once water has passed it, it goes on by itself, down to the outlet’s height. */
  readonly siphons: boolean;
}

/**
 * A line with its crest. Air at a vented high point stands at the pit’s air: the head there is its height and the water’s own velocity head,
 * and what is lost beyond is paid by the fall — unless it is more than the fall: then the line runs full, the vent shuts, and all of it is
 * paid. (Energy from the pump to the free surface at the crest; F. M. White, “Fluid Mechanics”, 7th ed., eq. 3.75.)
 * @param drowned the end is in the water of the vessel
 */
export function sharedLine(
  discharge: Station['discharge'],
  {
    riser,
    viscosity,
    school,
    laterals,
    drowned,
  }: {
    /** Length of the pumps’ own pipes, m. */
    riser: number;
    viscosity: number;
    school: FrictionSchool;
    laterals: LateralSystem | null;
    drowned: boolean;
  },
): SharedLine {
  const { segments, outlet, highPoint } = discharge;
  const whole = pipelineOf(segments, viscosity, school);
  const crest = Math.max(outlet, highPoint?.height ?? -Infinity);
  const vented = highPoint?.vented === true && highPoint.height > outlet ? highPoint : null;
  const before = vented && pipelineOf(cutAt(segments, Math.max(vented.along - riser, 0)).before, viscosity, school);
  const end = (level: number) => (drowned ? Math.max(outlet, level) : outlet);
  const full = (flow: number, level: number) =>
    end(level) + whole.friction(flow) + (laterals ? laterals.headAt(flow) : whole.exitHead(flow));
  return {
    headFor: (flow, level) =>
      vented && before
        ? Math.max(vented.height + before.friction(flow) + before.exitHead(flow), full(flow, level))
        : full(flow, level),
    headBack: (flow, level) =>
      drowned && level > outlet && !(vented && vented.height >= level) ? level - whole.friction(flow) : -Infinity,
    climb: (level) => Math.max(crest, end(level)),
    standing: (level) => (vented ? Math.max(vented.height, end(level)) : end(level)),
    crest,
    siphons: highPoint !== null && !highPoint.vented && highPoint.height > outlet,
  };
}
