import ical from 'ical-generator';
import Papa from 'papaparse';
import { whenOf } from '@/core/book';
import { sayPhrase } from '@/core/units';
import type { DueSomewhere } from './due';

const dated = (due: readonly DueSomewhere[]) => due.filter((d) => Number.isFinite(whenOf(d)));
const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** What is due as a calendar of whole days. @param address of this server, for the links */
export function dueCalendar(due: readonly DueSomewhere[], address: string): string {
  const calendar = ical({ name: 'Pit Bell: what is due', prodId: { company: 'pit-bell', product: 'due' } });
  for (const d of dated(due))
    calendar.createEvent({
      id: `${d.stationId}-${d.id}@pit-bell`,
      start: new Date(whenOf(d)),
      allDay: true,
      summary: `${d.name}: ${d.what}`,
      description: sayPhrase(d.why, 'metric'),
      location: d.site,
      url: `${address}/stations/${d.stationId}/book`,
    });
  return calendar.toString();
}

/** What is due as rows: when, where, what, why, put off until and why. No cell is taken for a formula by whoever opens it. */
export const dueCsv = (due: readonly DueSomewhere[]): string =>
  Papa.unparse(
    [
      ['due', 'station', 'site', 'what', 'why', 'put off until', 'because', 'hours from alarm to harm'],
      ...due.map((d) => [
        d.at === null ? '' : dayOf(d.at),
        d.name,
        d.site,
        d.what,
        sayPhrase(d.why, 'metric'),
        d.later ? dayOf(d.later.until) : '',
        d.later?.why ?? '',
        d.toHarm === null ? '' : d.toHarm.toFixed(1),
      ]),
    ],
    { escapeFormulae: true },
  );
