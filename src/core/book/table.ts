import { kindOfMeter, METER_KINDS, meterOf, ownMeterId, type MeterKind } from './meters';

/*
 * Readings from a table of text: one column says when; either each further column is a meter, or one says which meter and one its figure.
 * What was guessed is said, and may be said otherwise; either all rows are read, or every row that cannot be is named and none is taken.
 */

/** How a day is written: year first, day first, month first, or seconds or milliseconds since 1970. */
export const DATE_FORMS = ['year first', 'day first', 'month first', 'seconds', 'milliseconds'] as const;
export type DateForm = (typeof DATE_FORMS)[number];

export interface Mapping {
  readonly time: number;
  readonly dates: DateForm;
  /** Figures have a comma where others have a point. */
  readonly comma: boolean;
  /** Columns that are meters: by their place, the meter’s id. */
  readonly meters: Readonly<Record<number, string>>;
  /** In which unit a column is written, by its place, where it is another than the dial’s own. */
  readonly units?: Readonly<Record<number, string>>;
  /** In place of them: the column that names the meter, and that of its figure. */
  readonly long: { readonly meter: number; readonly value: number } | null;
}

export interface RowRead {
  readonly meter: string;
  /** ms since 1970 */
  readonly at: number;
  readonly value: number;
}

/** A row that cannot be read, by its number in the file, the head being 1. */
export interface RowProblem {
  readonly row: number;
  readonly why: string;
}

const NAMES: readonly (readonly [pattern: RegExp, kind: keyof typeof METER_KINDS])[] = [
  [/hour|h run|runtime|run time|betriebsstunden/i, 'hours'],
  [/start/i, 'starts'],
  [/dose/i, 'doses'],
  [/kwh|energy/i, 'energy'],
  [/flow ?meter|total(ised|ized)? flow|m³|m3\b/i, 'volume'],
  [/pressure|\b[kh]pa\b|\bbar\b|\bpsi\b/i, 'pressure'],
  [/rain|precip/i, 'rain'],
  [/level/i, 'level'],
  [/volt/i, 'volts'],
  [/amp|current/i, 'amps'],
  [/insul|megohm/i, 'insulation'],
  [/temp/i, 'temperature'],
];

/** The meter that a column’s head speaks of: its id, or its kind in words with the pump’s number; null for none. */
export function meterCalled(head: string): string | null {
  const id = head.trim();
  if (meterOf(id)) return id;
  if (meterOf(id.toLowerCase())) return id.toLowerCase();
  const found = NAMES.find(([pattern]) => pattern.test(head));
  if (!found) return null;
  const [, kind] = found;
  return METER_KINDS[kind].ofPump ? `${kind}-${/(?:^|\D)([1-3])(?!\d)/.exec(head)?.[1] ?? '1'}` : kind;
}

/** A meter of one’s own by what a column is called; its unit is what stands in brackets at its end. Null where no meter can be called so. */
export function ownCalled(head: string, counts: boolean): string | null {
  const [, name, unit] = /^(.*?)\s*[([]([^)\]]{1,12})[)\]]\s*$/.exec(head) ?? [];
  return ownMeterId({ name: (name ?? head).replaceAll(':', ' ').slice(0, 40), unit: unit ?? '', counts, pump: null });
}

/** A unit in which a meter’s figures may be written: a figure in it times `by`, and `plus`, is one of the dial’s own. */
interface WrittenIn {
  readonly unit: string;
  readonly by: number;
  readonly plus?: number;
  readonly said: RegExp;
}

/** Units beside the dial’s own, by kind. */
const WRITTEN_IN: Readonly<Partial<Record<keyof typeof METER_KINDS, readonly WrittenIn[]>>> = {
  hours: [
    { unit: 'min', by: 1 / 60, said: /\bmin(utes?)?\b/i },
    { unit: 's', by: 1 / 3600, said: /\b(s|sec|seconds?)\b/i },
  ],
  level: [
    { unit: 'mm', by: 0.001, said: /\bmm\b/i },
    { unit: 'cm', by: 0.01, said: /\bcm\b/i },
    { unit: 'in', by: 0.0254, said: /\b(in|inch(es)?)\b|"/i },
    { unit: 'ft', by: 0.3048, said: /\b(ft|feet|foot)\b/i },
  ],
  rain: [{ unit: 'in', by: 25.4, said: /\b(in|inch(es)?)\b|"/i }],
  energy: [
    { unit: 'Wh', by: 0.001, said: /\bWh\b/ },
    { unit: 'MWh', by: 1000, said: /\bMWh\b/ },
  ],
  volume: [
    { unit: 'L', by: 0.001, said: /\b(L|litres?|liters?)\b/ },
    { unit: 'gal', by: 0.003785411784, said: /\bgal(lons?)?\b/i },
  ],
  pressure: [
    { unit: 'bar', by: 100, said: /\bbar\b/i },
    { unit: 'psi', by: 6.894757, said: /\bpsi\b/i },
  ],
  amps: [{ unit: 'mA', by: 0.001, said: /\bmA\b/ }],
  insulation: [
    { unit: 'kΩ', by: 0.001, said: /k\s?(Ω|ohm)/i },
    { unit: 'GΩ', by: 1000, said: /G\s?(Ω|ohm)/i },
  ],
  temperature: [{ unit: '°F', by: 5 / 9, plus: -160 / 9, said: /°?\bF\b|fahrenheit/i }],
};

const writtenIn = (kind: MeterKind): readonly WrittenIn[] | undefined =>
  kind === 'own' ? undefined : WRITTEN_IN[kind];

/** In which units the figures of a meter may be written, its own first; one alone where there is no other. */
export function unitsOfMeter(id: string): readonly string[] {
  const meter = meterOf(id)!;
  return [kindOfMeter(meter).unit, ...(writtenIn(meter.kind) ?? []).map((w) => w.unit)];
}

/** The unit that a column’s head names, where it is not the dial’s own. */
function unitNamed(head: string, id: string): string | null {
  return writtenIn(meterOf(id)!.kind)?.find((w) => w.said.test(head))?.unit ?? null;
}

/** A figure as it stands on the dial, of one that was written in a unit. */
function onDial(id: string, value: number, unit: string | undefined): number {
  const way = writtenIn(meterOf(id)!.kind)?.find((w) => w.unit === unit);
  return way ? Number((value * way.by + (way.plus ?? 0)).toPrecision(12)) : value;
}

const TIME = /time|date|when|day/i;

/** How the days of a column are written; where both would do, by what the first part of any of them says. */
export function datesIn(cells: readonly string[]): DateForm {
  const some = cells.map((c) => c.trim()).filter((c) => c !== '');
  if (some.every((c) => /^\d{12,14}$/.test(c))) return 'milliseconds';
  if (some.every((c) => /^\d{9,11}$/.test(c))) return 'seconds';
  if (some.some((c) => /^\d{4}\D/.test(c))) return 'year first';
  const parts = some.map((c) => c.split(/\D+/).map(Number));
  return parts.some((p) => (p[1] ?? 0) > 12) ? 'month first' : 'day first';
}

/** What a table seems to be, by its head and its first rows. Where no column is a meter of the list, each can still be said. @returns null where no column says when */
export function guessMapping(head: readonly string[], rows: readonly (readonly string[])[]): Mapping | null {
  const time = head.findIndex((h) => TIME.test(h));
  if (time < 0) return null;
  const cells = (column: number) => rows.slice(0, 200).map((r) => r[column] ?? '');
  const meterColumn = head.findIndex((h, i) => i !== time && /^(meter|what|register|name)$/i.test(h.trim()));
  const valueColumn = head.findIndex((h, i) => i !== time && /^(value|reading|figure)$/i.test(h.trim()));
  const long = meterColumn >= 0 && valueColumn >= 0 ? { meter: meterColumn, value: valueColumn } : null;
  const meters = long
    ? {}
    : Object.fromEntries(
        head.flatMap((h, i): [number, string][] => {
          const meter = i === time ? null : meterCalled(h);
          return meter ? [[i, meter]] : [];
        }),
      );
  const taken = Object.keys(meters).map(Number);
  const others = head.flatMap((_, i) => (i === time ? [] : [i]));
  const figures = long ? cells(long.value) : (taken.length > 0 ? taken : others).flatMap(cells);
  const comma = figures.some((f) => /^\s*-?\d+,\d{1,2}\s*$/.test(f)) && !figures.some((f) => /\d\.\d/.test(f));
  const units = Object.fromEntries(
    Object.entries(meters).flatMap(([i, meter]): [string, string][] => {
      const unit = unitNamed(head[Number(i)]!, meter);
      return unit === null ? [] : [[i, unit]];
    }),
  );
  return { time, dates: datesIn(cells(time)), comma, meters, ...(Object.keys(units).length > 0 && { units }), long };
}

/** Day, month, year, and a time of day with or without halves. */
const WRITTEN = /^(\d+)\D(\d+)\D(\d+)(?:[T ,]+(\d{1,2}):(\d\d)(?::(\d\d))?(?:\.\d+)?\s*(am|pm)?)?$/i;

/** Hour of a day as it is written; noon where none is. */
function hourRead(text: string | undefined, half: string | undefined): number {
  const hour = Number(text ?? 12);
  return half === undefined ? hour : (hour % 12) + (half.toLowerCase() === 'pm' ? 12 : 0);
}

/** A day and time without a zone, as if it were UTC; null where the calendar or the clock has none such. */
function clockRead(text: string, dates: DateForm): number | null {
  const p = WRITTEN.exec(text);
  if (!p) return null;
  const [a, b, c] = [Number(p[1]), Number(p[2]), Number(p[3])];
  const [y, m, d] = dates === 'year first' ? [a, b, c] : dates === 'day first' ? [c, b, a] : [c, a, b];
  const hour = hourRead(p[4], p[7]);
  const year = y < 100 ? 2000 + y : y;
  const at = Date.UTC(year, m - 1, d, hour, Number(p[5] ?? 0), Number(p[6] ?? 0));
  const back = new Date(at);
  const same = back.getUTCFullYear() === year && back.getUTCMonth() === m - 1 && back.getUTCDate() === d;
  return same && hour < 24 ? at : null;
}

const ZONED = /\dT?\s?\d\d:.*(z|[+-]\d\d:?\d\d)$/i;

/** A time as it is written, in ms since 1970; null where it is none. Without a zone it is taken as the clock of whoever reads it in: `offset` minutes behind UTC. */
export function timeRead(cell: string, dates: DateForm, offset: number): number | null {
  const text = cell.trim();
  if (dates === 'seconds' || dates === 'milliseconds')
    return /^\d+$/.test(text) ? Number(text) * (dates === 'seconds' ? 1000 : 1) : null;
  if (dates === 'year first' && ZONED.test(text)) {
    const at = Date.parse(text.replace(' ', 'T'));
    return Number.isNaN(at) ? null : at;
  }
  const at = clockRead(text, dates);
  return at === null ? null : at + offset * 60_000;
}

/** A figure as it is written; null where it is none. */
export function figureRead(cell: string, comma: boolean): number | null {
  const text = cell.trim().replace(/^['+]/, '');
  const plain = comma ? text.replace(/[. ]/g, '').replace(',', '.') : text.replace(/[, ]/g, '');
  return /^-?\d+(\.\d+)?(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : null;
}

/** Problems that are named; beyond them their number is told. */
const NAMED = 50;

export type TableRead =
  | { readonly ok: true; readonly rows: readonly RowRead[]; readonly double: number }
  | { readonly ok: false; readonly problems: readonly RowProblem[]; readonly more: number };

/**
 * Reads all rows, or says every one that cannot be read. The same figure of the same meter at the same time is taken once.
 * @param now readings of later than a day from now are none
 * @param offset minutes that the reader’s clock is behind UTC
 */
export function readTable(rows: readonly (readonly string[])[], mapping: Mapping, now: number, offset = 0): TableRead {
  const problems: RowProblem[] = [];
  const read: RowRead[] = [];
  const seen = new Set<string>();
  let double = 0;
  const take = (row: number, meter: string | null, at: number, cell: string, unit?: string) => {
    if (cell.trim() === '') return;
    const figure = figureRead(cell, mapping.comma);
    const value = meter && figure !== null ? onDial(meter, figure, unit) : figure;
    if (!meter) problems.push({ row, why: 'names no meter that is known here' });
    else if (value === null) problems.push({ row, why: `“${cell.trim().slice(0, 40)}” is no figure` });
    else if (kindOfMeter(meterOf(meter)!).counts && value < 0) problems.push({ row, why: 'a counter below zero' });
    else {
      const key = `${meter} ${at} ${value}`;
      if (seen.has(key)) double++;
      else read.push({ meter, at, value });
      seen.add(key);
    }
  };
  for (const [i, cells] of rows.entries()) {
    const row = i + 2;
    if (cells.every((c) => c.trim() === '')) continue;
    const at = timeRead(cells[mapping.time] ?? '', mapping.dates, offset);
    if (at === null)
      problems.push({ row, why: `“${(cells[mapping.time] ?? '').slice(0, 40)}” is no time written ${mapping.dates}` });
    else if (at > now + 86_400_000) problems.push({ row, why: 'lies in the future' });
    else if (mapping.long) take(row, meterCalled(cells[mapping.long.meter] ?? ''), at, cells[mapping.long.value] ?? '');
    else
      for (const [column, meter] of Object.entries(mapping.meters))
        take(row, meter, at, cells[Number(column)] ?? '', mapping.units?.[Number(column)]);
  }
  if (problems.length > 0)
    return { ok: false, problems: problems.slice(0, NAMED), more: Math.max(problems.length - NAMED, 0) };
  return { ok: true, rows: read, double };
}
