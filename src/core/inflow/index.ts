export { flowsOf, inflowAt, noneOf, type Flows } from './flows';
export { dailyVolume, daySurge } from './day';
