import type { Station } from '../station';
import { figureName, unconfirmed } from '../surveyed';
import type { First, Hanging, Resting } from './resting';

const quoted = (titles: readonly string[]) => titles.map((t) => `“${t}”`).join(' and ');

function firstWords({ name, breaks, mends }: First): string {
  if (breaks.length > 0) return `${name} (a tenth more or less breaks ${quoted(breaks)})`;
  return mends.length > 0 ? `${name} (a tenth more or less mends ${quoted(mends)})` : name;
}

/** What a paper or a list says of the figures it rests on. */
export function restingSentence({ figures, unconfirmed, unknown, first }: Resting): string {
  if (unconfirmed === 0) return `All ${figures} figures taken on site were typed or confirmed.`;
  const how = unknown
    ? `Whether ${unconfirmed} of the ${figures} figures taken on site were measured is not known: the document is older than the question.`
    : `${unconfirmed} of the ${figures} figures taken on site are assumed, not measured.`;
  return first.length === 0 ? how : `${how} To be measured first: ${first.map(firstWords).join('; ')}.`;
}

/** What an opened rule says of one figure that it hangs on. @param stands whether it holds now */
export function hangingWords({ name, moves, turns }: Hanging, stands: boolean): string {
  return `${name}: a tenth more or less ${turns ? (stands ? 'breaks it' : 'mends it') : `moves its slack by ${Math.max(Math.round(moves * 100), 1)} % of the need`}`;
}

/** Figures that what a meter shows depends on: of the supply, the cables and the motors. */
const ELECTRICAL = /^(supply\.|wiring\.|pumps\.\d+\.(motor\.|ratedCurrent$))/;

/** What a list of expected readings says of the figures it rests on; null where all of those were typed or confirmed. */
export function readingsSentence(station: Station): string | null {
  const names = unconfirmed(station).flatMap(({ path }) => (ELECTRICAL.test(path) ? [figureName(station, path)] : []));
  if (names.length === 0) return null;
  return station.surveyed.rest === 'unknown'
    ? `Whether these were measured is not known, and the readings rest on them: ${names.join(', ')}.`
    : `These readings rest on figures that are assumed, not measured: ${names.join(', ')}.`;
}
