import { createStore } from 'zustand/vanilla';
import { clamp, due, METER_MODES, read, type MeterMode, type Reading, type Settled } from '@/core/circuit';
import { sensorTrips } from '@/core/levels';
import { panelOf, type Device, type Panel, type Scheme } from '@/core/schemes';
import type { Station } from '@/core/station';
import type { Phrase } from '@/core/units';
import { floatsAt, energised, panelSolver, wire, type Energised, type Inputs, type Wired } from '@/core/wiring';

/** A panel on the bench: wired, in a posture, settled. */
export interface Bench {
  readonly station: Station;
  readonly panel: Panel;
  readonly scheme: Scheme;
  readonly wired: Wired;
  readonly settled: Settled;
  readonly lit: Energised;
}

export interface Meter {
  readonly mode: MeterMode | 'amps';
  /** Points of the two probes, or the core in the clamp. */
  readonly a: string | null;
  readonly b: string | null;
  readonly clamped: string | null;
  /** The probe that the next touch sets; null while none is in hand. */
  readonly hand: 'a' | 'b' | null;
}

export interface BenchState {
  /** null where the scheme does not fit: the reasons say why. */
  readonly bench: Bench | null;
  readonly reasons: readonly Phrase[];
  /** Where hands have put things, by device. */
  readonly hands: Inputs;
  /** Floats that a hand holds, by sensor. */
  readonly held: Readonly<Record<string, 'up' | 'down'>>;
  readonly meter: Meter;
  /** The document that the bench stands on, and how high the water is. */
  take(station: Station, level: number): void;
  put(tag: string, state: string): void;
  /** Holds a float the other way, or lets it go to the water. */
  hand(sensor: string): void;
  letTimeRun(tag: string): void;
  /** Puts everything as a posture says, from rest. */
  pose(posture: Inputs): void;
  setMeter(change: Partial<Meter>): void;
  /** Touches a point with the probe in hand. */
  touch(point: string): void;
}

/** The position that a hand moves a device to from this one; what has tripped is reset. */
export function nextPosition({ positions }: Device, state: string): string {
  if (state === 'tripped') return 'on';
  const at = positions.findIndex((p) => p.state === state);
  return positions[(at + 1) % positions.length]!.state;
}

const REST: Meter = { mode: 'ac-volts', a: null, b: null, clamped: null, hand: null };

/** What the meter shows now; null until both probes (or the clamp) are on something. */
export function meterReading({ bench, meter }: Pick<BenchState, 'bench' | 'meter'>): Reading | null {
  if (!bench) return null;
  const { wired, settled } = bench;
  if (meter.mode === 'amps') return meter.clamped === null ? null : clamp(settled.solution, [meter.clamped]);
  if (meter.a === null || meter.b === null) return null;
  const [a, b] = [meter.a, meter.b].map((p) => (p === 'earth' ? '0' : (wired.points.get(p) ?? `${p}?`)));
  const reading = read(wired.structure, settled.states, a!, b!, meter.mode);
  return !reading.ok && reading.reason === 'no-such-point'
    ? { ...reading, at: reading.at.replace(/\?$/, '') }
    : reading;
}

export const METER_FUNCTIONS = [...METER_MODES, 'amps'] as const;

/** The state of the Panel view: what the document is wired to, how it is worked, and where the meter is. */
export function createBench() {
  let stand: ReturnType<typeof panelSolver> | null = null;
  let level = 0;
  let trips: ReturnType<typeof sensorTrips> = [];

  return createStore<BenchState>()((set, get) => {
    /** Settles the bench with what hands and water do now, from the states it has. */
    const settle = (more: Inputs = {}) => {
      const { bench, hands, held } = get();
      if (!bench || !stand) return;
      const { panel, wired } = bench;
      const before = bench.settled.states;
      const floats = floatsAt(trips, panel.devices, level, before);
      const byHand = Object.fromEntries(
        panel.devices.flatMap(({ tag, sensor }) => (sensor !== undefined && held[sensor] ? [[tag, held[sensor]]] : [])),
      );
      const known = new Set(panel.devices.map((d) => d.tag));
      const posture = Object.fromEntries(
        Object.entries({ ...floats, ...byHand, ...hands, ...more }).filter(([tag]) => known.has(tag)),
      );
      // What protects stays as it is until a hand resets it; a hand that has once been there does not hold it.
      const settled = stand(posture, before);
      set({ bench: { ...bench, settled, lit: energised(wired, settled) } });
    };

    return {
      bench: null,
      reasons: [],
      hands: {},
      held: {},
      meter: REST,
      take(station, at) {
        const { bench } = get();
        const moved = at !== level;
        level = at;
        if (bench?.station === station) {
          if (moved) settle();
          return;
        }
        const made = panelOf(station);
        if (!made.ok) return set({ bench: null, reasons: made.reasons });
        const wired = wire(station, made.panel);
        stand = panelSolver(wired);
        trips = sensorTrips(station);
        // What has tripped stays so, and whose turn it is: a wire moved resets nothing.
        const kept =
          bench?.panel.scheme === made.panel.scheme
            ? made.panel.devices
                .filter((d) => d.behaviour.kind === 'trip' || d.behaviour.kind === 'alternator')
                .flatMap((d) =>
                  bench.settled.states[d.tag] === undefined ? [] : [[d.tag, bench.settled.states[d.tag]!] as const],
                )
            : [];
        const settled = stand(Object.fromEntries(kept));
        // Positions that this panel has no device or place for are let go.
        const hands = Object.fromEntries(
          Object.entries(get().hands).filter(([tag, state]) =>
            made.panel.devices.some((d) => d.tag === tag && d.positions.some((p) => p.state === state)),
          ),
        );
        set({
          bench: { station, panel: made.panel, scheme: made.scheme, wired, settled, lit: energised(wired, settled) },
          reasons: [],
          hands,
        });
        settle();
      },
      put(tag, state) {
        const device = get().bench?.panel.devices.find((d) => d.tag === tag);
        if (!device) return;
        const trips = device.behaviour.kind === 'trip';
        if (!trips) set({ hands: { ...get().hands, [tag]: state } });
        settle({ [tag]: state });
      },
      hand(sensor) {
        const { held, bench } = get();
        const device = bench?.panel.devices.find((d) => d.sensor === sensor);
        if (!bench || !device) return;
        const { [sensor]: holding, ...others } = held;
        set({
          held: holding ? others : { ...held, [sensor]: bench.settled.states[device.tag] === 'up' ? 'down' : 'up' },
        });
        settle();
      },
      letTimeRun(tag) {
        const { bench } = get();
        const device = bench?.panel.devices.find((d) => d.tag === tag);
        const next = device && due(device.behaviour, bench!.settled.states[tag]!);
        if (next) settle({ [tag]: next.to });
      },
      pose(posture) {
        const { bench } = get();
        if (!bench || !stand) return;
        const held = Object.fromEntries(
          bench.panel.devices.flatMap((d) =>
            d.sensor !== undefined ? [[d.sensor, (posture[d.tag] ?? 'down') as 'up' | 'down']] : [],
          ),
        );
        const hands = Object.fromEntries(
          Object.entries(posture).filter(([tag]) =>
            bench.panel.devices.some((d) => d.tag === tag && d.sensor === undefined),
          ),
        );
        const settled = stand({}, bench.wired.states);
        set({ held, hands, bench: { ...bench, settled } });
        settle();
      },
      setMeter: (change) => set({ meter: { ...get().meter, ...change } }),
      touch(point) {
        const { meter } = get();
        if (meter.hand === null) return;
        set({ meter: { ...meter, [meter.hand]: point, hand: meter.hand === 'a' ? 'b' : 'a' } });
      },
    };
  });
}

export type BenchStore = ReturnType<typeof createBench>;
