export type { Detail, Layout } from './layout';
export { disc, line, path, polygon, rectangle, text, type Role, type Shape } from './shape';
