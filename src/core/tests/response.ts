import type { Outcome } from '../schemes';
import { phrase, quantity, type Phrase } from '../units';
import { happens } from '../wiring';
import { inTime, visible, type Scene } from './scene';

/** What working something does: at once, and by itself in time. */
export interface Response {
  /** What is otherwise, in words of the panel. */
  readonly at: readonly string[];
  /** What goes on as before. */
  readonly on: readonly string[];
  readonly later: { readonly after: number; readonly then: readonly string[] } | null;
}

interface Change {
  readonly outcome: Outcome;
  readonly now: boolean;
}

/** What is otherwise than before, in the order of the panel. */
function changes(before: Scene, after: Scene): Change[] {
  const [from, to] = [before.panel(), after.panel()];
  if (!from || !to) return [];
  const [was, is] = [from.settled, to.settled];
  return from.wired.panel.outcomes.filter(visible).flatMap((outcome) => {
    const now = happens(is, outcome);
    return now === happens(was, outcome) ? [] : [{ outcome, now }];
  });
}

const said = ({ outcome, now }: Change): string => (now ? outcome.label : outcome.not);

/** What goes on though something was worked: pumps that run, what sounds. */
function goesOn(scene: Scene): string[] {
  const panel = scene.panel();
  return panel
    ? panel.wired.panel.outcomes.flatMap((o) =>
        (o.kind === 'pump' || o.kind === 'alarm') && happens(panel.settled, o) ? [o.label] : [],
      )
    : [];
}

/** Which pumps run and which stand, as far as that was not said. */
const pumpsBeside = (scene: Scene, told: readonly string[]): string[] =>
  (scene.world.panel?.outcomes ?? [])
    .filter((o) => o.kind === 'pump')
    .map((o) => (happens(scene.panel()!.settled, o) ? o.label : o.not))
    .filter((words) => !told.includes(words));

/** What it came to from one scene to the next. @param pumps that run and stand are told, changed or not */
export function response(before: Scene, after: Scene, pumps = false): Response {
  const later = inTime(after);
  const at = changes(before, after).map(said);
  return {
    at: pumps ? [...at, ...pumpsBeside(after, at)] : at,
    on: goesOn(after),
    later: later && { after: later.waited - after.waited, then: changes(after, later).map(said) },
  };
}

/** A response in words. */
export function sayResponse({ at, on, later }: Response): Phrase {
  const goes = on.length === 0 ? '' : ` (${on.join(', ')})`;
  const first = at.length > 0 ? at.join(', ') : `nothing changes${goes}`;
  return later ? phrase`${first}; after ${quantity('time', later.after)} ${later.then.join(', ')}` : phrase`${first}`;
}
