import { checkStation } from '@/core/station';
import { askingOf, rowsOf } from '@/core/trace';
import { rowsThere } from './givenRows';
import { keepRows, keptRows, KEEPS } from './keptRows';

/**
 * Asks the suspects of a station that is taken along what they would show, before anybody stands at it, and keeps it on the device. Never throws.
 * @param id of the station at the server
 * @param document the station as a file
 * @param told now and then, which share of it is done
 * @returns whether Trace has nothing left to ask there
 */
export async function askAhead(
  id: number,
  document: unknown,
  told: (share: number) => void,
  program: string = KEEPS,
): Promise<boolean> {
  const checked = checkStation(document);
  if (!checked.ok || program === '') return false;
  const { station } = checked;
  if (!(await rowsThere(id, station, program))) {
    const made = askingOf(station);
    if (!made.ok) return false;
    await keepRows(station, rowsOf(made.asking, 0, 1, told), program);
  }
  // A device without room keeps nothing, and says so by not having it.
  return (await keptRows(station, program)) !== null;
}
