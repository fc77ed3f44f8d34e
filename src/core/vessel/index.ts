export { vesselOf, type Vessel } from './vessel';
