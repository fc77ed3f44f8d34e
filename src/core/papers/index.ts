export { shaftScene, type ShaftOptions, type ShaftScene } from './shaft/scene';
export type { Layout, Detail } from './shaft/layout';
export type { Group, Role, Shape } from './shaft/shape';
export { doorCard, type DoorCard } from './doorCard';
export { PAPER, type Ink } from './shaft/paper';
export { sensorScene } from './shaft/sensorScene';
export { planScene, type PlanScene } from './plan';
export { shaftSvg } from './shaft/svg';
export { tapeCsvRows } from './tapeCsv';
