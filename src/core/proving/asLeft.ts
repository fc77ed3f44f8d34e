import { getAt, setAt } from '../editing';
import { panelOf } from '../schemes';
import { checkStation, type DocumentPath, type Station } from '../station';
import type { Format } from '../units';
import { vesselOf } from '../vessel';
import type { ProofEntry } from './entry';
import { progressOf } from './finished';
import { asksWiring, leftWires, withLeftWires, wireName, type LeftWire } from './leftWired';
import type { Step } from './step';

/** One field of the document that a run has left otherwise than the document says. */
export interface LeftChange {
  readonly path: string;
  /** What it is, in the words of the card. */
  readonly label: string;
  readonly from: unknown;
  readonly to: number | string | boolean;
  /** How a figure is written; null for a choice. */
  readonly format: Format | null;
}

export interface AsLeft {
  readonly changes: readonly LeftChange[];
  /** Cores and links that are landed otherwise than the document says, in words. */
  readonly wires: readonly string[];
  /** Fields that were measured and are as the document says. */
  readonly confirms: readonly string[];
  /** The document with the changes in it: a proposal, to be accepted; `problems` where it contradicts itself so. */
  readonly station: Station;
  readonly problems: readonly string[];
}

/** Closer than this a length is as the document says, m; other figures by this share. */
const SAME = 0.001;
const SHARE = 0.005;

const alike = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) <= Math.max(SAME, SHARE * Math.abs(a)) : a === b;

/** Where a field is in this document: a sensor by its id, for another revision may list them in another order. */
function pathOf(station: Station, { path, sensor }: NonNullable<Step['expects'][number]['sets']>): string {
  return sensor === undefined ? path : `sensors.${station.sensors.findIndex((s) => s.id === sensor)}.${path}`;
}

/** What was found of fields of the document, in SI and from the floor up. */
function foundFields(station: Station, steps: readonly Step[], entries: readonly ProofEntry[]): LeftChange[] {
  const { depth } = vesselOf(station.vessel);
  const { last } = progressOf(steps, entries);
  return steps.flatMap((step) => {
    const entry = last.get(step.id);
    if (!entry || entry.verdict === 'not done') return [];
    const figures = step.expects.flatMap((e): LeftChange[] => {
      const found = entry.found[e.id];
      if (!e.sets || typeof found !== 'number' || !e.reading) return [];
      const to = e.sets.from === 'rim' ? depth - found : found;
      const path = pathOf(station, e.sets);
      return [{ path, label: e.label, from: getAt(station, path), to, format: e.reading.format }];
    });
    const decided = step.decisions.flatMap((d): LeftChange[] => {
      const chosen = d.choices.find((c) => c.id === entry.decided[d.id]);
      if (!chosen?.sets) return [];
      const { path, value } = chosen.sets;
      return [{ path, label: d.question, from: getAt(station, path), to: value, format: null }];
    });
    return [...figures, ...decided];
  });
}

const wiresLeft = (steps: readonly Step[], entries: readonly ProofEntry[]): LeftWire[] => {
  const { last } = progressOf(steps, entries);
  return steps.filter(asksWiring).flatMap((s) => leftWires(last.get(s.id)?.decided ?? {}));
};

/** How a station is landed, whatever the order in which it was said. */
const landed = ({ landings }: Station): string =>
  JSON.stringify([landings.cores, landings.links].map((list) => list.map((x) => JSON.stringify(x)).sort()));

/** Which of the wires are otherwise than a station has them, in words. */
function wireWords(station: Station, wires: readonly LeftWire[]): string[] {
  const made = panelOf(station);
  if (!made.ok) return [];
  return wires.flatMap((w) => {
    const name = wireName(made.panel, w);
    return name !== null && landed(withLeftWires(station, [w])) !== landed(station) ? [name] : [];
  });
}

/**
 * The station as a run has left it: heights, settings and choices that were found or decided, as changes of its document.
 * @param station at the revision that the run is of, or a later one: what is the same there already is no change
 */
export function asLeft(station: Station, steps: readonly Step[], entries: readonly ProofEntry[]): AsLeft {
  // Fields that the station has no more, as of a sensor that was taken out since, are left alone.
  const found = foundFields(station, steps, entries).filter((c) => c.from !== undefined);
  const changes = found.filter((c) => !alike(c.from, c.to));
  const set = changes.reduce((s, c) => setAt(s, c.path as DocumentPath, c.to), station);
  const wires = wiresLeft(steps, entries);
  const left = withLeftWires(set, wires);
  const checked = checkStation(left);
  return {
    changes,
    wires: wireWords(set, wires),
    confirms: found.filter((c) => alike(c.from, c.to) && c.format !== null).map((c) => c.path),
    station: left,
    problems: checked.ok ? [] : checked.problems.map((p) => `${p.path}: ${p.message}`),
  };
}
