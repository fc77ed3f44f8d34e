import { markWords, type LevelContext } from '../../levels';
import { quantity, say, type UnitSystem } from '../../units';
import type { Layout } from './layout';
import { line, path, text, type Group, type Shape } from './shape';

const SPACING = 27;

/** Spreads labels so that neighbours are `SPACING` apart, moving each as little as the others allow. Input from the top down. */
function spread(ys: readonly number[], least: number, most: number): number[] {
  const out = [...ys];
  for (let i = 0; i < out.length; i++) out[i] = Math.max(out[i]!, i === 0 ? least : out[i - 1]! + SPACING);
  for (let i = out.length - 1; i >= 0; i--)
    out[i] = Math.min(out[i]!, i === out.length - 1 ? most : out[i + 1]! - SPACING);
  return out;
}

/** A bell hanging with its mouth down, about 10 px. */
const bell = (x: number, y: number): Shape =>
  path(
    'bell',
    `M${x - 5} ${y + 4} Q${x - 3.5} ${y + 2} ${x - 3.5} ${y - 1} Q${x - 3.5} ${y - 5} ${x} ${y - 5} Q${x + 3.5} ${y - 5} ${x + 3.5} ${y - 1} Q${x + 3.5} ${y + 2} ${x + 5} ${y + 4} Z M${x - 1.5} ${y + 5} h3 v1.6 h-3 Z`,
  );

/** The levels that matter, each a line across the vessel and a label at its right that keeps clear of its neighbours. */
export function levelGroups(layout: Layout, context: LevelContext, system: UnitSystem): Group[] {
  const { duty, vessel } = context.station;
  const marks = [...context.marks, { name: 'inlet' as const, level: vessel.inletInvert }]
    .map(({ name, level }) => ({ part: `level:${name}` as const, words: markWords(name, duty), level }))
    .sort((a, b) => b.level - a.level);
  const { right, wall, rim, floor, detail } = layout;
  const ys = marks.map((m) => layout.yOf(m.level));
  const labels = spread(ys, rim, floor);
  return marks.map(({ part, words, level }, i): Group => {
    const y = ys[i]!;
    const value = say(quantity('height', level), system);
    const label = `${words} at ${value} above the floor`;
    const sides = layout.sidesAt(level);
    const across = line('level-line', [sides.left, y], [sides.right, y]);
    if (detail === 'thumb')
      return { part, label, shapes: part === 'level:overflow' || part === 'level:inlet' ? [] : [across] };
    const x = right + wall + 20;
    const at = labels[i]!;
    const rings = part === 'level:alarm';
    return {
      part,
      label,
      shapes: [
        across,
        line('level-line', [sides.right + wall + 2, y], [x - 4, at]),
        text('level-text', x + (rings ? 14 : 0), at, words),
        ...(rings ? [bell(x + 5, at - 4)] : []),
        text('tape-text', x, at + 12, value),
      ],
    };
  });
}
