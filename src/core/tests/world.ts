import { applyFaults, heldBy, type Fault } from '../faults';
import { hydraulicsOf } from '../hydraulics';
import { geometryOf, surroundingsAfter, surroundingsOf, type LevelGeometry } from '../levels';
import { panelOf, type Panel } from '../schemes';
import type { Station } from '../station';
import type { Phrase } from '../units';
import { panelSolver, wire, type Wired } from '../wiring';

type Landings = Station['landings'];

/** A panel as it is wired at one moment, and its solver, which remembers. */
export interface Wiring {
  readonly wired: Wired;
  readonly solve: ReturnType<typeof panelSolver>;
}

/**
 * A station that can be asked what a test would find: as it is designed, or with some faults in it. Its water, its circuit and its floats are
 * those of the same model that is drawn, solved and rehearsed.
 */
export interface World {
  /** The document that it was made from. */
  readonly of: Station;
  /** With what the faults change in it: a clip that slipped, a worn impeller. */
  readonly station: Station;
  readonly levels: LevelGeometry;
  readonly faults: readonly Fault[];
  /** What its circuit is made from, as text; empty without one. */
  readonly circuit: string;
  /** Null where no panel of its scheme can be drawn, for these reasons. */
  readonly panel: Panel | null;
  readonly reasons: readonly Phrase[];
  /** Devices that neither hands nor water move. */
  readonly held: ReadonlySet<string>;
  /** Pumps, from 1, that turn and move no water. */
  readonly idle: ReadonlySet<number>;
  /** The same station as it should be. */
  sound(): World;
  /** Its wiring with cores and bridges as hands have left them. Only where there is a panel. */
  wiring(by: Landings): Wiring;
}

const NOTHING: Landings = { cores: [], links: [] };

/** What hands have landed, as a change like that of a fault: it comes after what the fault has done. */
const landing = (landings: Landings): Fault => ({
  id: 'by hand',
  group: 'control',
  part: '',
  label: '',
  cause: '',
  remedy: '',
  perYear: 0,
  buys: false,
  wears: false,
  effects: { landings },
});

/** Makes wirings of a panel, each once. @param healthy the panel as it is wired without faults */
function wirings(sound: Station, panel: Panel, faults: readonly Fault[], healthy: Wired): World['wiring'] {
  const known = new Map<string, Wiring>();
  return (by) => {
    const key = JSON.stringify(by);
    const found = known.get(key);
    if (found) return found;
    const untouched = by.cores.length === 0 && by.links.length === 0;
    const wired = applyFaults(sound, panel, healthy, untouched ? faults : [...faults, landing(by)]);
    const wiring = { wired, solve: panelSolver(wired) };
    known.set(key, wiring);
    return wiring;
  };
}

const noWiring = (): never => {
  throw new RangeError('no panel of this scheme can be drawn');
};

/** Pumps, from 1, that turn and move no water. */
const idleIn = (faults: readonly Fault[]): ReadonlySet<number> =>
  new Set(
    faults.flatMap((f) =>
      Object.entries(f.effects.pumps ?? {}).flatMap(([n, e]) => (e.moves === false ? [Number(n)] : [])),
    ),
  );

/** Levels and water, check valves that stay open among them. */
function levelsOf(station: Station, faults: readonly Fault[], before: World | null): LevelGeometry {
  const checksOpen = faults.flatMap((f) => f.effects.checksOpen ?? []);
  const surroundings =
    before && before.faults.length === 0 ? surroundingsAfter(station, before.levels) : surroundingsOf(station);
  return geometryOf(
    station,
    checksOpen.length > 0 ? { ...surroundings, hydraulics: hydraulicsOf(station, { checksOpen }) } : surroundings,
  );
}

/** What a panel is wired from, as text: where two are alike, what was solved of one is true of the other. */
const circuitOf = (panel: Panel, { wiring, landings }: Station): string => JSON.stringify([panel, wiring, landings]);

type Drawn = Pick<World, 'circuit' | 'panel' | 'wiring'>;
const UNDRAWN: Drawn = { circuit: '', panel: null, wiring: noWiring };

/** The panel of a world and its wirings: where it is the same panel, wired the same, as one that is known, what is known of it stays known. */
function drawnOf(sound: Station, panel: Panel, faults: readonly Fault[], before: World | null): Drawn {
  const circuit = panel === before?.panel ? before.circuit : circuitOf(panel, sound);
  if (!before?.panel || before.faults.length > 0 || before.circuit !== circuit)
    return { circuit, panel, wiring: wirings(sound, panel, faults, wire(sound, panel)) };
  // A worn impeller leaves its circuit as it is.
  const same = faults.every((f) => !f.effects.circuit && !f.effects.landings && !f.effects.holds);
  return {
    circuit,
    panel: before.panel,
    wiring: same ? before.wiring : wirings(sound, before.panel, faults, before.wiring(NOTHING).wired),
  };
}

/** The world of a station as it should be: the one before, where it is that. */
const soundBefore = (station: Station, before: World | null): World =>
  before?.of === station && before.sound() === before ? before : worldOf(station);

/**
 * The world of a station.
 * @param faults that are in it; none: as it should be
 * @param as landed as it is designed, or as the document says that it was found
 * @param before a world of the station before an edit: where its circuit, or its water, is still the same, what was worked out serves again
 */
export function worldOf(
  station: Station,
  faults: readonly Fault[] = [],
  as: 'designed' | 'landed' = 'designed',
  before: World | null = null,
): World {
  let healthy: World | null = null;
  const sound: Station = as === 'designed' ? { ...station, landings: NOTHING } : station;
  const changed = faults.reduce((s, f) => f.effects.station?.(s) ?? s, station);
  const made = before?.of === station && before.panel ? { ok: true as const, panel: before.panel } : panelOf(station);
  const drawn = made.ok ? drawnOf(sound, made.panel, faults, before) : UNDRAWN;
  const self: World = {
    sound: () => (faults.length === 0 && as === 'designed' ? self : (healthy ??= soundBefore(station, before))),
    station: changed,
    levels: levelsOf(changed, faults, before),
    faults,
    of: station,
    ...drawn,
    reasons: made.ok ? [] : made.reasons,
    held: new Set(Object.keys(heldBy(faults))),
    idle: idleIn(faults),
  };
  return self;
}
