import type { Outcome } from '../schemes';
import { phrase, quantity, sayPhrase, type Phrase } from '../units';
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
function sayResponse({ at, on, later }: Response): Phrase {
  const goes = on.length === 0 ? '' : ` (${on.join(', ')})`;
  const first = at.length > 0 ? at.join(', ') : `nothing changes${goes}`;
  return later ? phrase`${first}; after ${quantity('time', later.after)} ${later.then.join(', ')}` : phrase`${first}`;
}

const PUMP_RUNS = /^pump (\d) runs$/;
const PUMP_STANDS = /^pump \d stands$/;
const text = (p: Phrase): string => sayPhrase(p, 'metric');

/** One answer where all are alike, else what they have in common: which pump it is depends on whose turn it is. */
export function sayResponses(answers: readonly Response[]): Phrase {
  const [first] = answers;
  const same = (of: (r: Response) => unknown) => new Set(answers.map((r) => JSON.stringify(of(r)))).size === 1;
  if (same((r) => r)) return sayResponse(first!);
  if (answers.every((r) => r.at.length === 0 && r.later === null)) return phrase`nothing changes: what runs goes on`;
  const starts = answers.flatMap((r) =>
    r.at.length === 1 && r.later === null ? (PUMP_RUNS.exec(r.at[0]!)?.[1] ?? []) : [],
  );
  if (starts.length === answers.length) return phrase`one pump starts, whose turn it is: from new pump ${starts[0]!}`;
  if (answers.every((r) => r.at.length === 1 && r.later === null && PUMP_STANDS.test(r.at[0]!)))
    return phrase`the pump that ran stands`;
  const different = answers.map(sayResponse).filter((a, i, all) => all.findIndex((b) => text(b) === text(a)) === i);
  return different.slice(1).reduce<Phrase>((all, a) => phrase`${all}, or, by whose turn it is: ${a}`, different[0]!);
}
