import type { Solid } from './solid';

/** Vessels one on the other, from the floor up. At a joint the upper one counts. */
export function stacked(parts: readonly Solid[]): Solid {
  const floors: number[] = [];
  const below: number[] = [];
  let depth = 0;
  let volume = 0;
  for (const part of parts) {
    floors.push(depth);
    below.push(volume);
    depth += part.depth;
    volume += part.volume(part.depth);
  }
  const indexAt = (h: number) => {
    let i = parts.length - 1;
    while (i > 0 && h < floors[i]!) i--;
    return i;
  };
  const within = (h: number): [part: Solid, height: number, below: number] => {
    const i = indexAt(h);
    return [parts[i]!, h - floors[i]!, below[i]!];
  };
  return {
    plan(h) {
      const [part, at] = within(h);
      return part.plan(at);
    },
    depth,
    area(h) {
      const [part, at] = within(h);
      return part.area(at);
    },
    volume(h) {
      const [part, at, under] = within(h);
      return under + part.volume(at);
    },
    width(h) {
      const [part, at] = within(h);
      return part.width(at);
    },
    breaks: [...floors, depth],
    outline: parts.flatMap((part, i) => part.outline.map((p) => ({ height: p.height + floors[i]!, width: p.width }))),
  };
}
