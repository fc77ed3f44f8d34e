import { randomFrom, type Random } from '../numeric';
import { HEALTHY, inseparable, NO_PAST, pairOf, suspectsOf, type Asking, type Row, type Suspect } from '../trace';
import { DRILL_LEVELS, type LevelName } from './level';

/** Another order of the same, each as likely. */
function shuffled<T>(all: readonly T[], { even }: Random): T[] {
  const list = [...all];
  for (let i = list.length - 1; i > 0; i--) {
    const j = Math.floor(even() * (i + 1));
    [list[i], list[j]] = [list[j]!, list[i]!];
  }
  return list;
}

/** Whether somebody would be called for it: a symptom shows that the model answers, and a sound station does not show it. */
const shows = ({ symptoms }: Asking, row: Row, sound: Row): boolean =>
  symptoms.some((s, i) => s.ofTheTrade === undefined && row.symptoms[i] && !sound.symptoms[i]);

/**
 * What is hidden in a station, by a level and a seed: the same on any machine.
 * @returns what, with what it shows; null where no fault of this station fits the level
 */
export function hiddenIn(asking: Asking, level: LevelName, seed: number): { suspect: Suspect; row: Row } | null {
  const random = randomFrom(seed);
  const all = suspectsOf(asking.station, asking.panel, NO_PAST);
  const sound = asking.row(all.find((s) => s.id === HEALTHY)!)!;
  const single = shuffled(
    // In its usual size: sizes of one fault are one to whoever looks for it.
    all.filter((s) => s.kind === 'fault' && s.id === s.family),
    random,
  );
  const seen = single.find((s) => shows(asking, asking.row(s)!, sound));
  if (!seen) return null;
  const row = asking.row(seen)!;
  if (DRILL_LEVELS[level].faults === 1) return { suspect: seen, row };
  for (const other of single) {
    if (other.faults[0]!.part === seen.faults[0]!.part) continue;
    const [alone, pair] = [asking.row(other)!, pairOf(seen, other, 1)];
    if (inseparable(alone, sound)) continue;
    const both = asking.row(pair)!;
    // Each of them makes a difference beside the other, or nobody could find it.
    if (shows(asking, both, sound) && !inseparable(both, row) && !inseparable(both, alone))
      return { suspect: pair, row: both };
  }
  return null;
}
