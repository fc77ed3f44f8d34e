import type { Station } from '../station';
import { workshop, washroom, ticketOffice, gully } from './landingPits';
import { slipway, underpass } from './landingStorm';
import { lodge, sandBed, cistern, header } from './landingTanks';

/** Stations of Skerry Landing, metric: file and station, in the order in which they are made. */
export const landingStations = (): { file: string; station: Station }[] => [
  { file: 'workshop-sump.json', station: workshop() },
  { file: 'washroom-pit.json', station: washroom() },
  { file: 'ticket-office-cellar.json', station: ticketOffice() },
  { file: 'slip-gully-chamber.json', station: gully() },
  { file: 'underpass-storm-sump.json', station: underpass() },
  { file: 'lodge-grinder-well.json', station: lodge() },
  { file: 'sand-bed-dosing-tank.json', station: sandBed() },
  { file: 'rain-cistern.json', station: cistern() },
  { file: 'workshop-header-tank.json', station: header() },
  { file: 'slipway-drainage-pit.json', station: slipway() },
];
