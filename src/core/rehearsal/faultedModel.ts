import { traitsOf } from '../duties';
import { applyFaults, faultId, faultsOf, heldBy, THERMAL, type Fault } from '../faults';
import { hydraulicsOf, IN_AIR, powerOf, type Hydraulics } from '../hydraulics';
import { sensorTrips } from '../levels';
import { panelOf, type Panel } from '../schemes';
import type { Station } from '../station';
import type { Phrase } from '../units';
import { vesselOf, type Vessel } from '../vessel';
import { wire, type Wired } from '../wiring';
import { floatsOf, panelMachine, type PanelMachine } from './panelMachine';
import { deliveries, type Delivery } from './pumping';

/** A float as the water meets it: volumes at which it lifts and hangs, m³. */
export interface Float {
  readonly tag: string;
  /** Where a node of the logic tells whether it is up. */
  readonly bit: number;
  readonly label: string;
  readonly rise: number;
  readonly fall: number;
}

/** The station with some faults in it, as the engine needs it. */
export interface FaultedModel {
  readonly faults: readonly string[];
  /** Devices that neither water nor hands move, and the states that they are put in. */
  readonly held: ReadonlySet<string>;
  readonly puts: Readonly<Record<string, string>>;
  readonly machine: PanelMachine;
  /** Floats that move. */
  readonly floats: readonly Float[];
  readonly delivery: (set: number) => Delivery;
  readonly hydraulics: Hydraulics;
  /** Once full the line goes on by itself, until air gets in. */
  readonly siphons: boolean;
  readonly inflow: number;
  /** Pumps, as bits, that move water when they turn; that no overload relay guards; that turn in air. */
  readonly moves: number;
  /** Electrical input of a pump that turns and moves nothing: against a shut line, or in air, W. */
  readonly idle: (pump: number, inAir: boolean) => number;
  readonly unguarded: number;
  readonly air: number;
}

/** One lane of the trace: an outcome of the panel, `alarm` or `overflow`. */
export interface Lane {
  readonly id: string;
  readonly kind: 'pump' | 'alarm' | 'interlock' | 'report' | 'overflow';
  readonly label: string;
}

/** What a station is to every rehearsal of it. */
export interface Prepared {
  readonly station: Station;
  readonly panel: Panel;
  readonly faults: readonly Fault[];
  readonly vessel: Vessel;
  /** At the overflow, m³. */
  readonly top: number;
  readonly lanes: readonly Lane[];
  /** Volume under which each pump draws air, and over which it draws water again, m³. */
  readonly intakes: readonly { readonly loses: number; readonly primes: number }[];
  /** The fault that an open thermal protector of each pump is. */
  readonly protectors: readonly string[];
  /** The station with these faults, by id; made once for each set. */
  withFaults(faults: readonly string[]): FaultedModel;
  /** The same station, which can have these faults as well: other sizes, landings as they were found. */
  andFaults(more: readonly Fault[]): Prepared;
}

/** A pump that has drawn air needs the water so much over its intake at least to draw water again, m. */
const PRIMES = 0.005;
/** Sets of faults kept at once: a long chance has thousands. */
const KEPT = 300;

const lanesOf = ({ outcomes }: Panel): Lane[] => [
  ...outcomes.flatMap((o): Lane[] => (o.kind === 'pump' ? [{ id: o.id, kind: o.kind, label: `pump ${o.pump}` }] : [])),
  { id: 'alarm', kind: 'alarm', label: 'alarm' },
  ...outcomes.flatMap(({ id, kind, label }): Lane[] =>
    kind === 'interlock' || kind === 'report' ? [{ id, kind, label }] : [],
  ),
  { id: 'overflow', kind: 'overflow', label: 'overflow' },
];

/** The station without a fault: what every world of it is made from. */
type Sound = Pick<Prepared, 'station' | 'panel' | 'vessel' | 'top' | 'lanes'> & { readonly wired: Wired };

/** @param healthy the world without faults, whose parts serve again where the faults leave them alone; null while it is made itself */
function faultedModel(
  { station, panel, vessel, top, lanes, wired }: Sound,
  faults: readonly Fault[],
  healthy: FaultedModel | null,
): FaultedModel {
  const changed = faults.reduce((s, f) => f.effects.station?.(s) ?? s, station);
  const held = heldBy(faults);
  const checksOpen = faults.flatMap((f) => f.effects.checksOpen ?? []);
  const samePipe =
    healthy !== null &&
    changed.pumps === station.pumps &&
    changed.discharge === station.discharge &&
    checksOpen.length === 0;
  const hydraulics = samePipe ? healthy.hydraulics : hydraulicsOf(changed, { checksOpen });
  const sameCircuit =
    healthy !== null && faults.every((f) => !f.effects.circuit && !f.effects.landings && !f.effects.holds);
  const tags = floatsOf(panel);
  const mask = (of: (n: number) => boolean) => station.pumps.reduce((m, _, i) => (of(i + 1) ? m | (1 << i) : m), 0);
  return {
    faults: faults.map((f) => f.id),
    held: new Set(Object.keys(held)),
    puts: Object.fromEntries(Object.entries(held).filter((e): e is [string, string] => e[1] !== null)),
    machine: sameCircuit
      ? healthy.machine
      : panelMachine(
          applyFaults(station, panel, wired, faults),
          lanes.map((l) => l.id),
        ),
    floats: sensorTrips(changed).flatMap(({ sensor, rise, fall }): Float[] => {
      const device = panel.devices.find((d) => d.sensor === sensor.id);
      return device && !(device.tag in held)
        ? [
            {
              tag: device.tag,
              bit: 1 << tags.indexOf(device.tag),
              label: device.label,
              rise: vessel.volume(rise),
              fall: vessel.volume(fall),
            },
          ]
        : [];
    }),
    delivery: samePipe ? healthy.delivery : deliveries(changed, vessel, top, { checksOpen }, hydraulics),
    hydraulics,
    siphons: hydraulics.siphons && hydraulics.flowsStill(vessel.height(top)),
    inflow: faults.reduce((product, f) => product * (f.effects.inflow ?? 1), 1),
    idle: (pump, inAir) => powerOf(changed.pumps[pump]!, station.supply)(0) * (inAir ? IN_AIR : 1),
    moves: mask((n) => faults.every((f) => f.effects.pumps?.[n]?.moves !== false)),
    unguarded: mask((n) => !panel.devices.some((d) => d.function === 'overload' && d.pump === n && !(d.tag in held))),
    air: mask((n) => faults.some((f) => f.effects.pumps?.[n]?.air)),
  };
}

/** Makes worlds with some of these faults, each once. */
function worldsOf(sound: Sound, faults: readonly Fault[], healthy: FaultedModel): Prepared['withFaults'] {
  const byId = new Map(faults.map((f) => [f.id, f]));
  const worlds = new Map<string, FaultedModel>();
  return (names) => {
    if (names.length === 0) return healthy;
    const key = [...new Set(names)].sort().join('|');
    const there = worlds.get(key);
    if (there) return there;
    if (worlds.size >= KEPT) worlds.clear();
    const world = faultedModel(
      sound,
      key.split('|').map((id) => byId.get(id)!),
      healthy,
    );
    worlds.set(key, world);
    return world;
  };
}

const known = new WeakMap<Station, Prepared>();

/** Made once for a document: a thousand storms on one station solve its panel and its pipe but once. */
export function prepare(
  station: Station,
): { ok: true; prepared: Prepared } | { ok: false; reasons: readonly Phrase[] } {
  const found = known.get(station);
  if (found) return { ok: true, prepared: found };
  const made = panelOf(station);
  if (!made.ok) return made;
  const { panel } = made;
  const vessel = vesselOf(station.vessel);
  const sound: Sound = {
    station,
    panel,
    vessel,
    top: vessel.volume(station.vessel.overflow),
    lanes: lanesOf(panel),
    wired: wire(station, panel),
  };
  const faults = faultsOf(station, panel);
  const healthy = faultedModel(sound, [], null);
  const { mover } = traitsOf(station);
  const inVessel = mover.kind === 'pump' && mover.stands === 'in-vessel';
  const rest = {
    ...sound,
    intakes: station.pumps.map(({ intake, volute }) =>
      inVessel
        ? { loses: vessel.volume(intake), primes: vessel.volume(Math.max(volute, intake + PRIMES)) }
        : { loses: -Infinity, primes: -Infinity },
    ),
    protectors: station.pumps.map((_, i) => {
      const motor = panel.devices.find((d) => d.function === 'motor' && d.pump === i + 1);
      return motor ? faultId(motor.tag, THERMAL) : '';
    }),
  };
  const able = (all: readonly Fault[]): Prepared => {
    // The same faults are rehearsed at one inflow after another.
    const abler = new WeakMap<readonly Fault[], Prepared>();
    return {
      ...rest,
      faults: all,
      withFaults: worldsOf(sound, all, healthy),
      andFaults(more) {
        const made = abler.get(more) ?? able([...all, ...more]);
        abler.set(more, made);
        return made;
      },
    };
  };
  const prepared = able(faults);
  known.set(station, prepared);
  return { ok: true, prepared };
}
