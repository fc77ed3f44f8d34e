export { demoStations } from './stations';
