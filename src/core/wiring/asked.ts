import { sensorTrips, type Asked } from '../levels';
import { panelOf } from '../schemes';
import type { Station } from '../station';
import { floatsAt, happens, solveWith, type Inputs } from './inputs';
import { wire } from './wired';

/** Supplies of the board, and what they go to when they are lost. */
const LOST = 'cut';

/**
 * Whether the cut-off stops all that makes water, by the panel as it is landed: with the water at the cut-off and at the overflow, power on, and
 * with the circuit of the pumps gone. null where there is no panel to ask, or it makes none of them stop.
 */
function cutOffStops(station: Station): boolean | null {
  const made = panelOf(station);
  const trips = sensorTrips(station);
  const cutoff = trips.find((t) => t.sensor.role === 'cutoff');
  if (!made.ok || !cutoff) return null;
  const makers = made.panel.outcomes.filter((o) => o.makesWater);
  if (makers.length === 0) return null;
  const wired = wire(station, made.panel);
  const supplies = made.panel.devices.filter((d) => d.function === 'supply').map((d) => d.tag);
  const losses: Inputs[] = [{}, ...supplies.map((tag) => ({ [tag]: LOST }))];
  return losses.every((loss) =>
    [cutoff.rise, station.vessel.overflow].every((level) => {
      const settled = solveWith(wired, { ...floatsAt(trips, made.panel.devices, level, {}), ...loss });
      return makers.every((o) => !happens(settled, o));
    }),
  );
}

/** What the level rules ask of the panel, where it is not landed as designed: else its design answers. */
export function askedOf(station: Station): Asked {
  const { cores, links } = station.landings;
  const plain = cores.length + links.length === 0;
  return plain || station.duty.kind !== 'condensate' ? {} : { cutOffStops: cutOffStops(station) };
}
