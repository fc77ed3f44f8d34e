import { METER_KINDS, METER_NAMES, meterName, meterOf, type Meter } from '../book';

/*
 * What a panel can say over a line: what stands on its meters, which of its pumps run, whether its alarm rings, and what
 * its clock shows.
 */
export type Signal =
  | { readonly kind: 'meter'; readonly meter: Meter }
  /** From 0. */
  | { readonly kind: 'running'; readonly pump: number }
  | { readonly kind: 'alarm' }
  /** s since 1970 */
  | { readonly kind: 'clock' };

/** A signal by its id (`hours-1`, `level`, `running-2`, `alarm`); null for what is none. */
export function signalOf(id: string): Signal | null {
  if (id === 'alarm' || id === 'clock') return { kind: id };
  const running = /^running-([1-9])$/.exec(id);
  if (running) return { kind: 'running', pump: Number(running[1]) - 1 };
  const meter = meterOf(id);
  return meter && { kind: 'meter', meter };
}

/** What a signal is called. */
export function signalName(signal: Signal): string {
  switch (signal.kind) {
    case 'alarm':
      return 'alarm rings';
    case 'clock':
      return 'clock of the panel';
    case 'running':
      return `pump ${signal.pump + 1} runs`;
    case 'meter':
      return meterName(signal.meter);
  }
}

/**
 * All signals of a station of so many pumps, by id: what is watched first, then what is counted.
 * @param own ids of meters of its own that it has beside those of the list
 */
export function signalsOf(pumps: number, own: readonly string[] = []): string[] {
  const each = Array.from({ length: pumps }, (_, i) => i + 1);
  return [
    'level',
    ...each.map((n) => `running-${n}`),
    'alarm',
    ...METER_NAMES.filter((m) => m !== 'level').flatMap((m) =>
      METER_KINDS[m].ofPump ? each.map((n) => `${m}-${n}`) : [m],
    ),
    ...own,
    'clock',
  ];
}
