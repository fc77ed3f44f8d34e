import { checkStation } from '@/core/station';
import { rowsOf } from '@/core/trace';
import { keepRows, keptRows, KEEPS } from './keptRows';

/**
 * Asks the suspects of a station that is taken along what they would show, before anybody stands at it, and keeps it on the device. Never throws.
 * @param document the station as a file
 * @param told now and then, which share of it is done
 * @returns whether Trace has nothing left to ask there
 */
export async function askAhead(
  document: unknown,
  told: (share: number) => void,
  program: string = KEEPS,
): Promise<boolean> {
  const checked = checkStation(document);
  if (!checked.ok || program === '') return false;
  const { station } = checked;
  if (await keptRows(station, program)) return true;
  const rows = rowsOf(station, 0, 1, told);
  if (rows.length === 0) return false;
  await keepRows(station, rows, program);
  // A device without room keeps nothing, and says so by not having it.
  return (await keptRows(station, program)) !== null;
}
