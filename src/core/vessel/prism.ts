import type { Plan, Solid } from './solid';

/** A vessel of one plan area throughout: an upright cylinder, a box. */
export const prism = (plan: Plan, area: number, depth: number, width: number): Solid => ({
  plan: () => plan,
  depth,
  area: () => area,
  volume: (h) => area * h,
  width: () => width,
  breaks: [0, depth],
  outline: [
    { height: 0, width },
    { height: depth, width },
  ],
});

export const cylinder = (diameter: number, depth: number): Solid =>
  prism({ kind: 'round', radius: diameter / 2 }, (Math.PI / 4) * diameter ** 2, depth, diameter);

export const box = (length: number, width: number, depth: number): Solid =>
  prism({ kind: 'box', length, width }, length * width, depth, Math.max(length, width));
