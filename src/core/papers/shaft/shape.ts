import type { Shape } from '../../drawing';
import type { DrawingRef } from '../../levels';

export { disc, line, path, polygon, rectangle, text, type Role, type Shape } from '../../drawing';

/** Shapes that belong together: what a pointer or a screen reader meets as one thing. */
export interface Group {
  /** What it answers to; null for the frame of the drawing. */
  readonly part: DrawingRef | null;
  /** What it is, in words. */
  readonly label: string;
  readonly shapes: readonly Shape[];
}
