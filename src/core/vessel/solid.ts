/**
 * An empty vessel as plane geometry. Heights in m above the floor, between floor and rim; areas m², volumes m³.
 * `area` is the plan area at a height, `volume` what lies below it, `width` the widest distance across at it.
 */
export interface Solid {
  readonly depth: number;
  area(h: number): number;
  volume(h: number): number;
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
