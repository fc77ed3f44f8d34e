import { waitingOf, type Settled } from '../circuit';
import { panelOf, type Outcome } from '../schemes';
import type { Station } from '../station';
import { phrase, quantity, type Phrase } from '../units';
import { happens, panelSolver, wire, type Inputs, type Wired } from '../wiring';

/** The panel of a station as it stands while a person works it: everything said of it is asked of its solved circuit. */
export interface PanelWorld {
  readonly wired: Wired;
  readonly settled: Settled;
  /** Settles it with inputs from states, and remembers: the steps of a plan ask much the same. */
  readonly solve: ReturnType<typeof panelSolver>;
}

/** The panel at rest, landed as designed: supplies there, all floats hanging, every hand as it is left. Null with why where no panel of the scheme can be made. */
export function panelAtRest(station: Station): PanelWorld | { readonly reasons: readonly Phrase[] } {
  const made = panelOf(station);
  if (!made.ok) return { reasons: made.reasons };
  // As it should be: what is landed otherwise is told beside the panel, and found by this very comparison.
  const wired = wire(station, made.panel, { cores: [], links: [] });
  const solve = panelSolver(wired);
  return { wired, settled: solve({}), solve };
}

/** What it comes to when something is worked, from the states it was in. */
export const worked = (world: PanelWorld, change: Inputs): PanelWorld => ({
  ...world,
  settled: world.solve(change, world.settled.states),
});

/** Most timers that are let run out one after the other until something happens: a rest may end in a rest. */
const TIMERS = 4;

/** What time alone will do next that a person can see, and after how long; null where nothing that runs leads to anything. */
export function inTime(world: PanelWorld): { readonly after: number; readonly world: PanelWorld } | null {
  let now = world;
  let after = 0;
  for (let n = 0; n < TIMERS; n++) {
    const runs = waitingOf(now.settled).filter((w) => w.to !== 'tripped');
    if (runs.length === 0) return null;
    const next = runs.reduce((a, b) => (b.after < a.after ? b : a));
    after += next.after;
    now = worked(now, { [next.device]: next.to });
    if (changes(world, now).length > 0) return { after, world: now };
  }
  return null;
}

/** What a person at the pit can see or hear of a panel; what a relay inside is told they cannot. */
const seen = (o: Outcome): boolean => o.kind !== 'call';

interface Change {
  readonly outcome: Outcome;
  readonly now: boolean;
}

/** What is otherwise than before, in the order of the panel. */
function changes(before: PanelWorld, after: PanelWorld): Change[] {
  return before.wired.panel.outcomes.filter(seen).flatMap((outcome) => {
    const now = happens(after.settled, outcome);
    return now === happens(before.settled, outcome) ? [] : [{ outcome, now }];
  });
}

const said = ({ outcome, now }: Change): string => (now ? outcome.label : outcome.not);

/** What goes on though something was worked: pumps that run, what sounds. */
const goesOn = ({ wired, settled }: PanelWorld): string[] =>
  wired.panel.outcomes.flatMap((o) =>
    seen(o) && (o.kind === 'pump' || o.kind === 'alarm') && happens(settled, o) ? [o.label] : [],
  );

/** What working something does: at once, and by itself in time. */
export interface Response {
  /** What is otherwise, in words of the panel. */
  readonly at: readonly string[];
  /** What goes on as before. */
  readonly on: readonly string[];
  readonly later: { readonly after: number; readonly then: readonly string[] } | null;
}

export function response(before: PanelWorld, after: PanelWorld): Response {
  const later = inTime(after);
  return {
    at: changes(before, after).map(said),
    on: goesOn(after),
    later: later && { after: later.after, then: changes(after, later.world).map(said) },
  };
}

/** A response in words. */
export function sayResponse({ at, on, later }: Response): Phrase {
  const goes = on.length === 0 ? '' : ` (${on.join(', ')})`;
  const first = at.length > 0 ? at.join(', ') : `nothing changes${goes}`;
  return later ? phrase`${first}; after ${quantity('time', later.after)} ${later.then.join(', ')}` : phrase`${first}`;
}
