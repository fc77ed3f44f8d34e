/** How much the drawing says: everything; the names of levels and no tape, beside other things; or no words (a thumbnail). */
export type Detail = 'full' | 'beside' | 'thumb';

/** Where things are on the drawing, in px; y grows downwards. One scale serves both directions. */
export interface Layout {
  readonly width: number;
  readonly height: number;
  readonly detail: Detail;
  /** px per metre */
  readonly scale: number;
  /** Inside faces of the vessel. */
  readonly left: number;
  readonly right: number;
  readonly rim: number;
  readonly floor: number;
  /** True when the vessel is too wide to be drawn whole: its right part is cut away. */
  readonly cut: boolean;
  /** True when its left part is cut away too. */
  readonly cutLeft: boolean;
  readonly wall: number;
  /** Left edge and width of the tape band; null in a drawing without one. */
  readonly tape: { readonly x: number; readonly width: number } | null;
  /** Inside faces of the cut at a level, px; a cut vessel has its true left face and the cut as its right. */
  readonly sidesAt: (level: number) => { readonly left: number; readonly right: number };
  readonly yOf: (level: number) => number;
  readonly levelOf: (y: number) => number;
}
