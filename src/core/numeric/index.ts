export { brentRoot } from './brent';
export { goldenMinimum } from './goldenMinimum';
export { integrate } from './gaussKronrod';
export { monotoneCubic, type MonotoneCubic } from './monotoneCubic';
