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

type Found = { ok: true; suspect: Suspect; row: Row } | { ok: false; why: string };

/** What somebody chose to hide in a station, one fault or two. */
export function chosenIn(asking: Asking, ids: readonly string[]): Found {
  const all = suspectsOf(asking.station, asking.panel, NO_PAST);
  const chosen = ids.map((id) => all.find((s) => s.id === id && s.kind === 'fault'));
  const strange = ids.filter((_, i) => !chosen[i]);
  if (strange.length > 0)
    return { ok: false, why: `this station has no part that could fail as ${strange.join(', ')}` };
  const [first, second] = chosen as [Suspect, Suspect?];
  const suspect = second ? pairOf(first, second, 1) : first;
  return { ok: true, suspect, row: asking.row(suspect)! };
}

/**
 * What is hidden in a station, by a level and a seed: the same on any machine.
 * @returns what, with what it shows; or that no fault of this station fits the level
 */
export function hiddenIn(asking: Asking, level: LevelName, seed: number): Found {
  const random = randomFrom(seed);
  const all = suspectsOf(asking.station, asking.panel, NO_PAST);
  const sound = asking.row(all.find((s) => s.id === HEALTHY)!)!;
  const single = shuffled(
    // In its usual size: sizes of one fault are one to whoever looks for it.
    all.filter((s) => s.kind === 'fault' && s.id === s.family),
    random,
  );
  const seen = single.find((s) => shows(asking, asking.row(s)!, sound));
  const none: Found = { ok: false, why: `no fault of this station fits “${DRILL_LEVELS[level].words}”` };
  if (!seen) return none;
  const row = asking.row(seen)!;
  if (DRILL_LEVELS[level].faults === 1) return { ok: true, suspect: seen, row };
  for (const other of single) {
    if (other.faults[0]!.part === seen.faults[0]!.part) continue;
    const [alone, pair] = [asking.row(other)!, pairOf(seen, other, 1)];
    if (inseparable(asking, alone, sound)) continue;
    const both = asking.row(pair)!;
    // Each of them makes a difference beside the other, or nobody could find it.
    if (shows(asking, both, sound) && !inseparable(asking, both, row) && !inseparable(asking, both, alone))
      return { ok: true, suspect: pair, row: both };
  }
  return none;
}
