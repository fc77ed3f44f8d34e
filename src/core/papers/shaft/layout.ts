import type { LevelContext } from '../../levels';

/** How much the drawing says: everything, no words (a thumbnail), or the shaft and its levels on a narrow strip. */
export type Detail = 'full' | 'thumb' | 'strip';

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
  readonly wall: number;
  /** Left edge and width of the tape band; null in a drawing without one. */
  readonly tape: { readonly x: number; readonly width: number } | null;
  readonly yOf: (level: number) => number;
  readonly levelOf: (y: number) => number;
}

/** A vessel wider than this share of its depth is drawn cut, so that its levels stay readable. */
const WIDEST = 0.85;

const MARGINS: Readonly<Record<Detail, { left: number; right: number; top: number; bottom: number }>> = {
  full: { left: 128, right: 118, top: 56, bottom: 22 },
  strip: { left: 58, right: 64, top: 40, bottom: 16 },
  thumb: { left: 10, right: 10, top: 26, bottom: 8 },
};

export function layoutOf({ vessel }: Pick<LevelContext, 'vessel'>, width: number, height: number, detail: Detail): Layout {
  const margin = MARGINS[detail];
  const shown = Math.min(vessel.width, vessel.depth * WIDEST);
  const scale = Math.min((height - margin.top - margin.bottom) / vessel.depth, (width - margin.left - margin.right) / shown);
  const free = width - margin.left - margin.right - shown * scale;
  const left = margin.left + free / 2;
  const rim = margin.top + (height - margin.top - margin.bottom - vessel.depth * scale) / 2;
  return {
    width,
    height,
    detail,
    scale,
    left,
    right: left + shown * scale,
    rim,
    floor: rim + vessel.depth * scale,
    cut: shown < vessel.width,
    wall: detail === 'thumb' ? 4 : 9,
    tape: detail === 'thumb' ? null : { x: left - (detail === 'full' ? 74 : 32), width: 14 },
    yOf: (level) => rim + (vessel.depth - level) * scale,
    levelOf: (y) => vessel.depth - (y - rim) / scale,
  };
}
