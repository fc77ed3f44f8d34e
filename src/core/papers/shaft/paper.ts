import type { Role } from './shape';

/** How a role is drawn on paper: SVG's own words. */
export interface Ink {
  readonly fill?: string;
  readonly stroke?: string;
  readonly strokeWidth?: number;
  readonly strokeDasharray?: string;
  readonly fillOpacity?: number;
}

const INK = '#1D2B33';
const QUIET = '#4B585E';
const WHITE = '#FFFFFF';
const EARTH = '#8C8471';
const STEEL = '#6B7B83';
const BRASS = '#84590A';

/** The paint of every role on paper, for what is printed and what goes out as a file. */
export const PAPER: Readonly<Record<Role, Ink>> = {
  ground: { stroke: EARTH, strokeWidth: 3 },
  wall: { stroke: '#A9A392', strokeWidth: 18 },
  inside: { fill: WHITE },
  break: { fill: WHITE, stroke: INK, strokeWidth: 1 },
  water: { fill: '#2F7A80', fillOpacity: 0.35 },
  surface: { stroke: '#134A52', strokeWidth: 2 },
  tape: { fill: WHITE, stroke: INK },
  tick: { stroke: INK, strokeWidth: 0.8 },
  'tape-text': { fill: INK },
  'tape-head': { fill: QUIET },
  marker: { fill: BRASS },
  pipe: { fill: WHITE, stroke: INK, strokeWidth: 1.2 },
  valve: { fill: WHITE, stroke: INK, strokeWidth: 1.2 },
  weep: { fill: INK },
  pump: { fill: STEEL, stroke: INK, strokeWidth: 1.2 },
  'pump-motor': { fill: STEEL, stroke: INK, strokeWidth: 1.2 },
  pole: { stroke: EARTH, strokeWidth: 2.5 },
  tether: { stroke: INK, strokeWidth: 1.5 },
  clip: { fill: INK, stroke: INK, strokeWidth: 2 },
  weight: { fill: STEEL, stroke: INK, strokeWidth: 1.2 },
  ghost: { stroke: BRASS, strokeWidth: 1.4, strokeDasharray: '4 3' },
  jet: { stroke: '#134A52', strokeWidth: 1.4 },
  obstacle: { stroke: EARTH, strokeWidth: 1.4 },
  'wall-plan': { fill: WHITE, stroke: '#A9A392', strokeWidth: 4 },
  sweep: { fill: BRASS, fillOpacity: 0.12 },
  float: { fill: '#FFF6DF', stroke: INK, strokeWidth: 1.4 },
  'float-number': { fill: INK },
  'eye-closed': { fill: INK, stroke: INK },
  'eye-open': { fill: WHITE, stroke: INK },
  'level-line': { stroke: INK, strokeDasharray: '5 4' },
  'level-text': { fill: INK },
  bell: { fill: BRASS },
};
