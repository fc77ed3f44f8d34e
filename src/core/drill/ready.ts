import { worldOf, type World } from '../tests';
import { askingOf, type Asking, type Row, type Suspect } from '../trace';
import { sayPhrase, systemOf } from '../units';
import type { Drill } from './drill';
import { chosenIn, hiddenIn } from './hidden';

/** A drill made ready: what is hidden, and the model that answers for it. */
export interface Ready {
  readonly drill: Drill;
  readonly asking: Asking;
  readonly hidden: Suspect;
  readonly row: Row;
  /** The station with it in, and how it is proved dead. */
  readonly world: World;
}

/** @returns why it cannot be drilled: no panel, no rehearsal, or no fault of it that fits */
export function readyFor(drill: Drill): { ok: true; ready: Ready } | { ok: false; reasons: readonly string[] } {
  const made = askingOf(drill.station);
  if (!made.ok) return { ok: false, reasons: made.reasons.map((r) => sayPhrase(r, systemOf(drill.station.profile))) };
  const { asking } = made;
  const found = drill.faults ? chosenIn(asking, drill.faults) : hiddenIn(asking, drill.level, drill.seed);
  if (!found.ok) return { ok: false, reasons: [found.why] };
  const world = worldOf(asking.station, found.suspect.faults, 'designed', asking.world);
  return { ok: true, ready: { drill, asking, hidden: found.suspect, row: found.row, world } };
}
