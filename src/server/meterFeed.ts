/*
 * Where the probes are held in a run that is under way, and what a logging meter has read there. It lives in this process alone: a reading is
 * only filled in, and becomes a finding when a person enters it.
 */

export interface Held {
  readonly stepId: string;
  readonly expectation: string;
  /** Counts up: the same place asked again is another reading. */
  readonly turn: number;
}

export interface MeterReading {
  readonly id: number;
  readonly stepId: string;
  readonly expectation: string;
  /** In SI; null: open line. */
  readonly value: number | null;
  readonly shown: string;
  readonly meter: string;
}

interface Feed {
  held: Held | null;
  readings: MeterReading[];
  count: number;
}

/** Runs whose feeds are kept, and readings of each. */
const RUNS = 200;
const READINGS = 100;

const holder = globalThis as { pitBellFeeds?: Map<number, Feed> };
const feeds = (): Map<number, Feed> => (holder.pitBellFeeds ??= new Map());

function feedOf(run: number): Feed {
  const all = feeds();
  const found = all.get(run) ?? { held: null, readings: [], count: 0 };
  all.delete(run);
  all.set(run, found);
  if (all.size > RUNS) all.delete(all.keys().next().value!);
  return found;
}

export function holdAt(run: number, at: Omit<Held, 'turn'>): Held {
  const feed = feedOf(run);
  feed.held = { ...at, turn: ++feed.count };
  return feed.held;
}

export const heldAt = (run: number): Held | null => feeds().get(run)?.held ?? null;

export function giveReading(run: number, reading: Omit<MeterReading, 'id'>): MeterReading {
  const feed = feedOf(run);
  const made = { ...reading, id: ++feed.count };
  feed.readings = [...feed.readings, made].slice(-READINGS);
  return made;
}

export const readingsAfter = (run: number, after: number): readonly MeterReading[] =>
  (feeds().get(run)?.readings ?? []).filter((r) => r.id > after);
