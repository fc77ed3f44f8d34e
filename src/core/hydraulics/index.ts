export { freezingTime } from './freezing';
export {
  hydraulicsOf,
  type Disorder,
  type Drainback,
  type Hydraulics,
  type NoDuty,
  type OperatingPoint,
  type Running,
} from './hydraulics';
