import type { Detail, Layout } from '../../drawing';
import type { LevelContext } from '../../levels';
import type { Vessel } from '../../vessel';

export type { Detail, Layout } from '../../drawing';

/** A vessel that would be drawn smaller for its width is cut away at the right instead, down to this share of its depth. */
const NARROWEST: Readonly<Record<Detail, number>> = { full: 0.5, beside: 0.4, thumb: 0.8 };

const MARGINS: Readonly<Record<Detail, { left: number; right: number; top: number; bottom: number }>> = {
  full: { left: 124, right: 110, top: 56, bottom: 22 },
  beside: { left: 30, right: 112, top: 44, bottom: 16 },
  thumb: { left: 16, right: 22, top: 28, bottom: 8 },
};

/** Width of an outline at a level, the upper one at a step. */
function widthIn(outline: Vessel['outline'], level: number): number {
  for (let i = outline.length - 2; i >= 0; i--) {
    const [a, b] = [outline[i]!, outline[i + 1]!];
    if (level >= a.height && b.height > a.height)
      return a.width + ((b.width - a.width) * Math.min(level - a.height, b.height - a.height)) / (b.height - a.height);
  }
  return outline[0]!.width;
}

export function layoutOf(
  { vessel }: Pick<LevelContext, 'vessel'>,
  width: number,
  height: number,
  detail: Detail,
): Layout {
  const margin = MARGINS[detail];
  const across = Math.max(width - margin.left - margin.right, 1);
  const down = Math.max(height - margin.top - margin.bottom, 1);
  const widest = Math.max(...vessel.outline.map((p) => p.width));
  // A vessel whose walls close over the floor is drawn end on, and so whole.
  const closes = vessel.outline[0]!.width < widest * 1e-6;
  const shown = closes
    ? widest
    : Math.min(widest, Math.max((vessel.depth * across) / down, vessel.depth * NARROWEST[detail]));
  const scale = Math.min(down / vessel.depth, across / shown);
  const free = across - shown * scale;
  const left = margin.left + free / 2;
  // A vessel too wide to be drawn whole is cut at the right, or, where its floor would be cut away with that, on both sides of its floor.
  const floorLeft = (widest - vessel.outline[0]!.width) / 2;
  const from = Math.min(Math.max(floorLeft - shown * 0.2, 0), widest - shown);
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
    cut: from + shown < widest - 1e-9,
    cutLeft: from > 1e-9,
    sidesAt(level) {
      const half = Math.min(widthIn(vessel.outline, level), widest) / 2;
      const middle = left + (widest / 2 - from) * scale;
      return {
        left: Math.max(middle - half * scale, left),
        right: Math.min(middle + half * scale, left + shown * scale),
      };
    },
    wall: detail === 'thumb' ? 4 : 9,
    tape: detail !== 'full' ? null : { x: left - 68, width: 14 },
    yOf: (level) => rim + (vessel.depth - level) * scale,
    levelOf: (y) => vessel.depth - (y - rim) / scale,
  };
}
