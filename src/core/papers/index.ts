export { shaftScene, type ShaftOptions, type ShaftScene } from './shaft/scene';
export type { Layout, Detail } from './shaft/layout';
export type { Group, Role, Shape } from './shaft/shape';
export { doorCard, type DoorCard } from './doorCard';
