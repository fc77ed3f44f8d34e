export { storedInPipe } from './inletPipe';
export { vesselOf, type Vessel } from './vessel';
export type { Plan } from './solid';
