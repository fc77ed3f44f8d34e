import type { Solid } from './solid';

/** A table of plan area against height with straight lines between its rows; volume is then exact, by trapezoids. Its width is that of a circle of the same area. */
export function table(rows: readonly { readonly height: number; readonly area: number }[]): Solid {
  const below: number[] = [0];
  for (let i = 1; i < rows.length; i++)
    below.push(below[i - 1]! + ((rows[i]!.area + rows[i - 1]!.area) / 2) * (rows[i]!.height - rows[i - 1]!.height));
  const rowBelow = (h: number) => {
    let i = rows.length - 2;
    while (i > 0 && h < rows[i]!.height) i--;
    return i;
  };
  const areaAt = (h: number) => {
    const i = rowBelow(h);
    const [a, b] = [rows[i]!, rows[i + 1]!];
    return a.area + ((b.area - a.area) * (h - a.height)) / (b.height - a.height);
  };
  const width = (h: number) => Math.sqrt((4 / Math.PI) * areaAt(h));
  return {
    plan: (h) => ({ kind: 'round', radius: width(h) / 2 }),
    depth: rows[rows.length - 1]!.height,
    area: areaAt,
    volume(h) {
      const i = rowBelow(h);
      return below[i]! + ((rows[i]!.area + areaAt(h)) / 2) * (h - rows[i]!.height);
    },
    width,
    breaks: rows.map((r) => r.height),
    outline: rows.map((r) => ({ height: r.height, width: width(r.height) })),
  };
}
