import { quantity, say, type Format, type UnitSystem } from '../units';

/** What is known of a kind of meter. */
export interface Kind {
  /** What it is called where it is read. */
  readonly label: string;
  /** What stands behind a figure as it is read off the dial; a dial is kept as it is read, not in SI. */
  readonly unit: string;
  /** How a figure is written in the units of the station; null where the dial is the same everywhere. */
  readonly format: Format | null;
  /** It only ever counts up, until it rolls over or is replaced. */
  readonly counts: boolean;
  /** Each pump has one. */
  readonly ofPump: boolean;
  /** The last digit of the dial. */
  readonly step: number;
  /** The most that one hour can add, in units of the dial; null where nobody can say. */
  readonly perHour: number | null;
}

/** Every kind of meter that is read at a station. */
export const METER_KINDS = {
  hours: { label: 'hour meter', unit: 'h', format: null, counts: true, ofPump: true, step: 0.1, perHour: 1 },
  starts: { label: 'start counter', unit: '', format: null, counts: true, ofPump: true, step: 1, perHour: 240 },
  doses: { label: 'dose counter', unit: '', format: null, counts: true, ofPump: false, step: 1, perHour: 60 },
  energy: { label: 'energy meter', unit: 'kWh', format: null, counts: true, ofPump: false, step: 0.1, perHour: null },
  volume: { label: 'flow meter', unit: 'm³', format: null, counts: true, ofPump: false, step: 0.1, perHour: null },
  rain: {
    label: 'rain since last read',
    unit: 'mm',
    format: null,
    counts: false,
    ofPump: false,
    step: 0.1,
    perHour: null,
  },
  level: { label: 'water level', unit: 'm', format: 'height', counts: false, ofPump: false, step: 0.01, perHour: null },
  pressure: { label: 'pressure', unit: 'kPa', format: null, counts: false, ofPump: false, step: 1, perHour: null },
  volts: { label: 'supply', unit: 'V', format: null, counts: false, ofPump: false, step: 1, perHour: null },
  amps: { label: 'running current', unit: 'A', format: null, counts: false, ofPump: true, step: 0.1, perHour: null },
  insulation: { label: 'insulation', unit: 'MΩ', format: null, counts: false, ofPump: true, step: 0.1, perHour: null },
  temperature: { label: 'temperature', unit: '°C', format: null, counts: false, ofPump: false, step: 1, perHour: null },
} as const satisfies Readonly<Record<string, Kind>>;

type Listed = keyof typeof METER_KINDS;
/** A kind of the list, or one of a firm’s own, which its id describes. */
export type MeterKind = Listed | 'own';
export const METER_NAMES = Object.keys(METER_KINDS) as [Listed, ...Listed[]];

/** One meter of a station. */
export interface Meter {
  /** `hours-1`: its kind, and its pump’s number where each pump has one; of a firm’s own `own:bearing:°C:figure:1`. */
  readonly id: string;
  readonly kind: MeterKind;
  /** From 0; null where it belongs to none. */
  readonly pump: number | null;
  /** Where the dial begins anew, in its units; null where that is not known. */
  readonly rollsAt: number | null;
}

/** A meter of a firm’s own, as it is registered: what it is called, its unit, whether it counts up, and its pump, from 1. */
export interface OwnMeter {
  readonly name: string;
  readonly unit: string;
  readonly counts: boolean;
  readonly pump: number | null;
}

const OWN = /^own:([^:]{1,40}):([^:]{0,12}):(counts|figure)(?::([1-9]))?$/;

/**
 * The id of a meter of a firm’s own: it says all that is known of it, so that readings mean the same wherever they are carried.
 * @returns null where no meter can be called so
 * @example ownMeterId({ name: 'bearing', unit: '°C', counts: false, pump: 1 }) // → 'own:bearing:°C:figure:1'
 * @example ownMeterId({ name: ' ', unit: '', counts: true, pump: null }) // → null
 */
export function ownMeterId({ name, unit, counts, pump }: OwnMeter): string | null {
  const said = (text: string) => text.trim().replace(/\s+/g, ' ');
  const id = `own:${said(name)}:${said(unit)}:${counts ? 'counts' : 'figure'}${pump === null ? '' : `:${pump}`}`;
  return OWN.test(id) ? id : null;
}

function ownOf(id: string): OwnMeter | null {
  const [, name, unit, counts, pump] = OWN.exec(id) ?? [];
  if (name === undefined || name.trim() === '') return null;
  return { name, unit: unit!, counts: counts === 'counts', pump: pump === undefined ? null : Number(pump) };
}

/** What is known of the kind of a meter. */
export function kindOfMeter({ id, kind }: Pick<Meter, 'id' | 'kind'>): Kind {
  if (kind !== 'own') return METER_KINDS[kind];
  const { name, unit, counts, pump } = ownOf(id)!;
  return { label: name, unit, format: null, counts, ofPump: pump !== null, step: 0.1, perHour: null };
}

/** Meters of a firm’s own among some ids. */
export const ownMetersOf = (ids: readonly string[]): Meter[] => ids.flatMap((id) => (ownOf(id) ? [meterOf(id)!] : []));

/** A meter by its id; null for what is none. */
export function meterOf(id: string, rollsAt: number | null = null): Meter | null {
  const own = ownOf(id);
  if (own) return { id, kind: 'own', pump: own.pump === null ? null : own.pump - 1, rollsAt };
  const [, kind, pump] = /^([a-z]+)(?:-([1-9]))?$/.exec(id) ?? [];
  if (kind === undefined || !Object.hasOwn(METER_KINDS, kind)) return null;
  const { ofPump } = METER_KINDS[kind as Listed];
  if (ofPump !== (pump !== undefined)) return null;
  return { id, kind: kind as Listed, pump: pump === undefined ? null : Number(pump) - 1, rollsAt };
}

/** What a meter is called. */
export function meterName(meter: Pick<Meter, 'id' | 'kind' | 'pump'>): string {
  const { pump } = meter;
  const { label } = kindOfMeter(meter);
  return pump === null ? label : `${label}, pump ${pump + 1}`;
}

/** A figure of a meter as it stands on its dial, with its unit. */
export function meterSays(meter: Pick<Meter, 'id' | 'kind'>, value: number, system: UnitSystem): string {
  const { format, unit, step } = kindOfMeter(meter);
  if (format) return say(quantity(format, value), system);
  const digits = step < 0.05 ? 2 : step < 0.5 ? 1 : 0;
  return `${value.toFixed(digits)}${unit ? ` ${unit}` : ''}`;
}
