export { flowsOf, inflowAt, type Flows } from './flows';
export { dailyVolume, daySurge } from './day';
