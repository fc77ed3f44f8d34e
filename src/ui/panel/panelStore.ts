import { createStore } from 'zustand/vanilla';
import { waitingOf, type MeterMode, type Settled } from '@/core/circuit';
import { sensorTrips } from '@/core/levels';
import { panelOf, type Device, type Panel, type Scheme } from '@/core/schemes';
import type { Station } from '@/core/station';
import type { Phrase } from '@/core/units';
import { floatsAt, energised, panelSolver, wire, type Energised, type Inputs, type Wired } from '@/core/wiring';

/** A panel at work: wired, with its inputs, settled. */
export interface LivePanel {
  readonly station: Station;
  readonly panel: Panel;
  readonly scheme: Scheme;
  readonly wired: Wired;
  readonly settled: Settled;
  readonly energised: Energised;
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

export interface PanelSession {
  /** null where the scheme does not fit: the reasons say why. */
  readonly live: LivePanel | null;
  readonly reasons: readonly Phrase[];
  /** Where hands have put things, by device. */
  readonly hands: Inputs;
  /** Floats that a hand holds, by sensor. */
  readonly held: Readonly<Record<string, 'up' | 'down'>>;
  readonly meter: Meter;
  /** Devices that the load of the meter would move, as a residual-current device that it would trip. */
  readonly would: ReadonlySet<string>;
  /** The document that the panel is of, and how high the water is. */
  take(station: Station, level: number): void;
  put(tag: string, state: string): void;
  /** A hand moves it on from the position it has now, however quick the hand. */
  turn(tag: string): void;
  /** Holds a float the other way, or lets it go to the water. */
  hand(sensor: string): void;
  letTimeRun(tag: string): void;
  /** Puts everything as the inputs say, from rest. */
  pose(inputs: Inputs): void;
  setMeter(change: Partial<Meter>): void;
  setWould(devices: ReadonlySet<string>): void;
  /** Touches a point with the probe in hand. */
  touch(point: string): void;
}

/** The position that a hand moves a device to from this one; what has tripped is reset. */
export function nextPosition({ positions }: Device, state: string): string {
  if (state === 'tripped') return 'on';
  const at = positions.findIndex((p) => p.state === state);
  return positions[(at + 1) % positions.length]!.state;
}

const NOTHING: ReadonlySet<string> = new Set();
const REST: Meter = { mode: 'ac-volts', a: null, b: null, clamped: null, hand: null };

/** The state of the Panel view: what the document is wired to, how it is worked, and where the meter is. */
export function createPanelSession() {
  let solve: ReturnType<typeof panelSolver> | null = null;
  let level = 0;
  let trips: ReturnType<typeof sensorTrips> = [];

  return createStore<PanelSession>()((set, get) => {
    /** Settles the panel with what hands and water do now, from the states it has. */
    const settle = (more: Inputs = {}) => {
      const { live, hands, held } = get();
      if (!live || !solve) return;
      const { panel, wired } = live;
      const before = live.settled.states;
      const floats = floatsAt(trips, panel.devices, level, before);
      const byHand = Object.fromEntries(
        panel.devices.flatMap(({ tag, sensor }) => (sensor !== undefined && held[sensor] ? [[tag, held[sensor]]] : [])),
      );
      const known = new Set(panel.devices.map((d) => d.tag));
      const inputs = Object.fromEntries(
        Object.entries({ ...floats, ...byHand, ...hands, ...more }).filter(([tag]) => known.has(tag)),
      );
      // What protects stays as it is until a hand resets it; a hand that has once been there does not hold it.
      const settled = solve(inputs, before);
      set({ live: { ...live, settled, energised: energised(wired, settled) } });
    };

    return {
      live: null,
      reasons: [],
      hands: {},
      held: {},
      meter: REST,
      would: NOTHING,
      take(station, at) {
        const { live } = get();
        const moved = at !== level;
        level = at;
        if (live?.station === station) {
          if (moved) settle();
          return;
        }
        const made = panelOf(station);
        if (!made.ok) return set({ live: null, reasons: made.reasons });
        const wired = wire(station, made.panel);
        solve = panelSolver(wired);
        trips = sensorTrips(station);
        // What has tripped stays so, and whose turn it is: a wire moved resets nothing.
        const kept =
          live?.panel.scheme === made.panel.scheme
            ? made.panel.devices
                .filter((d) => d.behaviour.kind === 'trip' || d.behaviour.kind === 'alternator')
                .flatMap((d) =>
                  live.settled.states[d.tag] === undefined ? [] : [[d.tag, live.settled.states[d.tag]!] as const],
                )
            : [];
        const settled = solve(Object.fromEntries(kept));
        // Positions that this panel has no device or place for are let go.
        const hands = Object.fromEntries(
          Object.entries(get().hands).filter(([tag, state]) =>
            made.panel.devices.some((d) => d.tag === tag && d.positions.some((p) => p.state === state)),
          ),
        );
        set({
          live: {
            station,
            panel: made.panel,
            scheme: made.scheme,
            wired,
            settled,
            energised: energised(wired, settled),
          },
          reasons: [],
          hands,
        });
        settle();
      },
      put(tag, state) {
        const device = get().live?.panel.devices.find((d) => d.tag === tag);
        if (!device) return;
        const trips = device.behaviour.kind === 'trip';
        if (!trips) set({ hands: { ...get().hands, [tag]: state } });
        settle({ [tag]: state });
      },
      turn(tag) {
        const { live, put } = get();
        const device = live?.panel.devices.find((d) => d.tag === tag);
        if (device) put(tag, nextPosition(device, live!.settled.states[tag]!));
      },
      hand(sensor) {
        const { held, live } = get();
        const device = live?.panel.devices.find((d) => d.sensor === sensor);
        if (!live || !device) return;
        const { [sensor]: holding, ...others } = held;
        set({
          held: holding ? others : { ...held, [sensor]: live.settled.states[device.tag] === 'up' ? 'down' : 'up' },
        });
        settle();
      },
      letTimeRun(tag) {
        const { live } = get();
        const next = live && waitingOf(live.settled).find((w) => w.device === tag);
        if (next) settle({ [tag]: next.to });
      },
      pose(inputs) {
        const { live } = get();
        if (!live || !solve) return;
        const held = Object.fromEntries(
          live.panel.devices.flatMap((d) =>
            d.sensor !== undefined ? [[d.sensor, (inputs[d.tag] ?? 'down') as 'up' | 'down']] : [],
          ),
        );
        const hands = Object.fromEntries(
          Object.entries(inputs).filter(([tag]) =>
            live.panel.devices.some((d) => d.tag === tag && d.sensor === undefined),
          ),
        );
        const settled = solve({}, live.wired.states);
        set({ held, hands, live: { ...live, settled } });
        settle();
      },
      setWould: (devices) => {
        // An empty one for another empty one is no change.
        if (devices.size > 0 || get().would.size > 0) set({ would: devices });
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

export type PanelStore = ReturnType<typeof createPanelSession>;
