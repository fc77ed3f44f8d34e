/** A plan round its axis, or a rectangle whose length runs to bearing 90°. Lengths in m. */
export type Plan =
  | { readonly kind: 'round'; readonly radius: number }
  | { readonly kind: 'box'; readonly length: number; readonly width: number };

/**
 * An empty vessel as plane geometry. Heights in m above the floor, between floor and rim; areas m², volumes m³.
 * `area` is the plan area at a height, `volume` what lies below it, `width` the widest distance across at it.
 */
export interface Solid {
  /** The plan seen from above at a height. */
  plan(h: number): Plan;
  readonly depth: number;
  area(h: number): number;
  volume(h: number): number;
  /** Its area goes to nothing at floor and rim. */
  readonly closes?: true;
  width(h: number): number;
  /** Heights at which area or width changes its rule, floor and rim among them: where a drawing or an integral takes a new line. */
  readonly breaks: readonly number[];
  /** The cut that is drawn, from the floor up: its width at heights with straight lines between. A step has two points at one height. */
  readonly outline: readonly OutlinePoint[];
}

export interface OutlinePoint {
  readonly height: number;
  readonly width: number;
}
