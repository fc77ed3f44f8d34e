/** What a shape of the drawing is, and so how a surface (screen, paper) paints it. */
export type Role =
  | 'ground'
  | 'wall'
  | 'inside'
  | 'break'
  | 'water'
  | 'surface'
  | 'tape'
  | 'tick'
  | 'tape-text'
  | 'tape-head'
  | 'marker'
  | 'pipe'
  | 'valve'
  | 'weep'
  | 'pump'
  | 'pump-motor'
  | 'pole'
  | 'tether'
  | 'clip'
  | 'weight'
  | 'ghost'
  | 'jet'
  | 'obstacle'
  | 'wall-plan'
  | 'sweep'
  | 'float'
  | 'float-number'
  | 'eye-closed'
  | 'eye-open'
  | 'level-line'
  | 'level-text'
  | 'bell';

export type Shape =
  | { readonly type: 'path'; readonly role: Role; readonly d: string }
  | {
      readonly type: 'text';
      readonly role: Role;
      readonly x: number;
      readonly y: number;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly size: number;
      readonly text: string;
    };

const n = (value: number) => String(Math.round(value * 100) / 100);

export const path = (role: Role, d: string): Shape => ({ type: 'path', role, d });

export const line = (role: Role, ...points: readonly (readonly [number, number])[]): Shape =>
  path(role, points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join(' '));

export const polygon = (role: Role, ...points: readonly (readonly [number, number])[]): Shape =>
  path(role, `${points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join(' ')} Z`);

export const rectangle = (role: Role, x: number, y: number, width: number, height: number): Shape =>
  polygon(role, [x, y], [x + width, y], [x + width, y + height], [x, y + height]);

export const disc = (role: Role, x: number, y: number, r: number): Shape =>
  path(
    role,
    `M${n(x - r)} ${n(y)} A${n(r)} ${n(r)} 0 1 0 ${n(x + r)} ${n(y)} A${n(r)} ${n(r)} 0 1 0 ${n(x - r)} ${n(y)} Z`,
  );

export const text = (
  role: Role,
  x: number,
  y: number,
  words: string,
  anchor: 'start' | 'middle' | 'end' = 'start',
  size = 11,
): Shape => ({
  type: 'text',
  role,
  x: Math.round(x * 100) / 100,
  y: Math.round(y * 100) / 100,
  anchor,
  size,
  text: words,
});
