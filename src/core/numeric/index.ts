export { brentRoot } from './brent';
export { goldenMinimum } from './goldenMinimum';
export { integrate } from './gaussKronrod';
export { monotoneCubic, type MonotoneCubic } from './monotoneCubic';
export { randomFrom, type Random } from './random';
export { wilson } from './wilson';
export { segmentArea } from './segment';
export { beyond, median, spreadOf, trendOf, type Trend } from './trend';
export { changesIn } from './changes';
