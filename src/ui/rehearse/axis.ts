/** A stretch of time that is shown, s. */
export interface View {
  readonly from: number;
  readonly to: number;
}

/** Room for the words of the lanes, px, on a wide and on a narrow screen; and how many letters go into it. */
const WORDS = { wide: { left: 142, letters: 27 }, narrow: { left: 78, letters: 12 } } as const;
const RIGHT = 84;
export const LANE = 17;

/** Where things stand on the time axis, px: levels above, under them the lanes. */
export interface Axis {
  readonly left: number;
  readonly width: number;
  /** Where the water’s part ends. */
  readonly bottom: number;
  /** Most letters of a lane’s words. */
  readonly letters: number;
  /** Of a time, s. */
  x(time: number): number;
  /** Of a level, m. */
  y(level: number): number;
  /** The top of a lane, counted from the first. */
  laneY(i: number): number;
  /** The time, s, under a place on the screen, within the view. */
  timeAt(clientX: number, svg: Element): number;
}

/** @param top the highest level that has to be seen, m */
export function axisOf(size: { width: number; height: number }, view: View, top: number, lanes: number): Axis {
  const { left, letters } = size.width > 700 ? WORDS.wide : WORDS.narrow;
  const bottom = Math.max(size.height - lanes * LANE - 26, 110);
  const width = Math.max(size.width - left - RIGHT, 100);
  const span = view.to - view.from;
  return {
    left,
    width,
    bottom,
    letters,
    x: (time) => left + ((time - view.from) / span) * width,
    y: (level) => 10 + (1 - level / (top * 1.04)) * (bottom - 10),
    laneY: (i) => bottom + 6 + i * LANE,
    timeAt: (clientX, svg) =>
      Math.min(
        Math.max(view.from + ((clientX - svg.getBoundingClientRect().left - left) / width) * span, view.from),
        view.to,
      ),
  };
}
