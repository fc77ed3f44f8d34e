import type { UnitSystem } from '../../units';
import { fieldText, INCH, printFeetInches, quantity } from '../../units';
import type { Layout } from './layout';
import { line, rectangle, text, type Shape } from './shape';

/** Distances between numbered marks that read well on a tape, m, with how many small marks lie between. */
const MARKS: Readonly<Record<UnitSystem, readonly { major: number; parts: number }[]>> = {
  metric: [
    { major: 0.05, parts: 5 },
    { major: 0.1, parts: 5 },
    { major: 0.2, parts: 4 },
    { major: 0.5, parts: 5 },
    { major: 1, parts: 5 },
    { major: 2, parts: 4 },
  ],
  us: [
    { major: 2 * INCH, parts: 4 },
    { major: 4 * INCH, parts: 4 },
    { major: 6 * INCH, parts: 6 },
    { major: 12 * INCH, parts: 4 },
    { major: 24 * INCH, parts: 4 },
    { major: 60 * INCH, parts: 5 },
  ],
};

const print = (value: number, system: UnitSystem) =>
  system === 'us' ? printFeetInches(value, 4) : fieldText(quantity('height', value), system);

/** The tape down the edge: rim down on its left, floor up on its right. */
export function tapeShapes(layout: Layout, depth: number, system: UnitSystem): Shape[] {
  const { tape, rim, floor, scale } = layout;
  if (!tape) return [];
  const marks = MARKS[system].find((m) => m.major * scale >= 30) ?? MARKS[system].at(-1)!;
  const shapes: Shape[] = [rectangle('tape', tape.x, rim, tape.width, floor - rim)];
  const step = marks.major / marks.parts;
  for (let i = 0; i * step <= depth + 1e-9; i++) {
    const y = rim + i * step * scale;
    const major = i % marks.parts === 0;
    shapes.push(line('tick', [tape.x, y], [tape.x + (major ? tape.width : tape.width * 0.4), y]));
    if (major) shapes.push(text('tape-text', tape.x - 5, y + 4, print(i * step, system), 'end'));
  }
  for (let i = 0; i * marks.major <= depth + 1e-9; i++) {
    const y = floor - i * marks.major * scale;
    shapes.push(line('tick', [tape.x + tape.width, y], [tape.x + tape.width + 4, y]));
    shapes.push(text('tape-text', tape.x + tape.width + 7, y + 4, print(i * marks.major, system)));
  }
  shapes.push(
    text('tape-head', tape.x - 5, rim - 12, 'rim down', 'end'),
    text('tape-head', tape.x + tape.width + 7, rim - 12, 'floor up'),
  );
  return shapes;
}
