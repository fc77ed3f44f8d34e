/* What it takes to check and judge a document, the schema among it, and the panel where a rule asks it. Fetched after the page answers, never with it. */
import { judge as judgeLevels, type judge as Judging } from '@/core/levels';
import { askedOf } from '@/core/wiring';

export { summaryOf } from '@/core/levels';
export { checkStation } from '@/core/station';

export const judge: typeof Judging = (station, surroundings) => judgeLevels(station, surroundings, askedOf(station));
