import { judge } from '../levels';
import type { Station } from '../station';
import { phrase, type Phrase } from '../units';
import type { Page, Rule } from './entry';
import { endOf, pumpOf } from './life';
import type { Span } from './spans';

/** A page that stands, with when it happened. */
export interface Dated {
  readonly id: number;
  /** ms since 1970 */
  readonly at: number;
  readonly page: Page | null;
}

/** Something that is to be done at a station. */
export interface Due {
  /** The same as long as it is the same thing: what was put off is known by it. */
  readonly id: string;
  readonly what: string;
  /** When it is due, ms since 1970; null: nobody can say yet. */
  readonly at: number | null;
  /** What it follows from. */
  readonly why: Phrase;
  /** The job that does it. */
  readonly job: string;
  /** Put off until then, ms since 1970, and why. */
  readonly later: { readonly until: number; readonly why: string } | null;
}

const DAY = 86_400_000;
/** A station that nobody has a rule for is looked at so often. */
const LOOK = 365;

/** A time moved on to the month that it must be in. */
function inMonth(at: number, month: number | null): number {
  if (month === null) return at;
  const d = new Date(at);
  const year = d.getUTCMonth() + 1 > month ? d.getUTCFullYear() + 1 : d.getUTCFullYear();
  return d.getUTCMonth() + 1 === month ? at : Date.UTC(year, month - 1, 1);
}

/** When a rule was followed last: a visit whose words name what is to be done, or a sealed run of its job; else when the rule was written. */
function lastDone({ what, job }: Rule, visits: readonly Dated[], since: number): number {
  const word = what.toLowerCase();
  const done = visits.filter(
    ({ page }) =>
      page?.kind === 'visit' &&
      (page.words.toLowerCase().includes(word) || (job !== undefined && page.run !== undefined && page.job === job)),
  );
  return Math.max(since, ...done.map((v) => v.at));
}

type Bare = Omit<Due, 'later'>;

/** A fitted part whose life ends. */
function ofPart({ id, at, page }: Dated, spans: readonly Span[]): Bare[] {
  if (page?.kind !== 'part' || page.state !== 'fitted') return [];
  const end = endOf(page, at, spans, pumpOf(page.place));
  if (!end) return [];
  const what = `${page.name}${page.place ? `, ${page.place}` : ''}: change it`;
  return [{ id: `part-${id}`, what, at: end.at, why: phrase`${end.by} are over then`, job: 'commission' }];
}

/** A rule of the firm or the maker: so long, so many hours or starts after it was done last, in its month. */
function ofRule({ id, at, page }: Dated, visits: readonly Dated[], spans: readonly Span[]): Bare[] {
  if (page?.kind !== 'rule') return [];
  const from = lastDone(page, visits, at);
  const lives = { years: page.days === null ? null : page.days / 365.25, hours: page.hours, starts: page.starts };
  const end = endOf(lives, from, spans, 0);
  const month = page.month === null ? null : inMonth(from + DAY, page.month);
  return [
    {
      id: `rule-${id}`,
      what: page.what,
      at: end ? inMonth(end.at, page.month) : month,
      why: end ? phrase`since it was last done, or asked for, ${end.by} are over then` : phrase`its month`,
      job: page.job ?? 'commission',
    },
  ];
}

/**
 * What is due at a station: the lives of its parts, its own rules, and a look in a year where nobody has a rule; the earliest first.
 * @param pages that stand, of all kinds
 */
export function dueOf(
  station: Pick<Station, 'sensors' | 'duty' | 'control'>,
  pages: readonly Dated[],
  spans: readonly Span[],
): Due[] {
  const visits = pages.filter((p) => p.page?.kind === 'visit');
  const list: Bare[] = [];
  for (const page of pages) list.push(...ofPart(page, spans), ...ofRule(page, visits, spans));
  // A rule of the firm for every station is none of this one’s own: its look stays due beside it.
  if (!pages.some((p) => p.page?.kind === 'rule' && p.id >= 0)) {
    const looked = visits.filter((v) => v.page?.kind === 'visit' && v.page.why !== 'look').map((v) => v.at);
    list.push({
      id: 'look',
      what: station.sensors.some((x) => x.role === 'alarm')
        ? 'look at it and try its alarm'
        : 'look at it: no alarm sensor is surveyed',
      at: looked.length > 0 ? Math.max(...looked) + LOOK * DAY : null,
      why:
        looked.length > 0
          ? phrase`a year after the last visit that was more than a look in passing; no rule of its own is written for it`
          : phrase`no visit is in the book`,
      // The yearly card is for panels that dose or that only tell; all else is proved as a whole.
      job: station.duty.kind === 'dose' || station.control.scheme === 'alarm-only' ? 'J21' : 'commission',
    });
  }
  const put = (id: string): Due['later'] => {
    const last = pages.findLast((p) => p.page?.kind === 'later' && p.page.due === id);
    return last?.page?.kind === 'later' ? { until: Date.parse(last.page.until), why: last.page.why } : null;
  };
  return list.map((d) => ({ ...d, later: put(d.id) })).sort((a, b) => whenOf(a) - whenOf(b));
}

/** When it is to be done, put off or not. */
export const whenOf = ({ at, later }: Pick<Due, 'at' | 'later'>): number =>
  Math.max(at ?? Infinity, later?.until ?? -Infinity);

/** Hours from the alarm until water is where it must not be, at design inflow and with no pump: what a station risks that fails. Null where nothing tells. */
export function hoursToHarm(station: Station): number | null {
  const { reserve } = judge(station);
  return reserve && Number.isFinite(reserve.design) ? reserve.design / 3600 : null;
}

/**
 * How pressing a thing is: days late, counted from a month ahead, for each hour that the station gives somebody who must come. A station that
 * nothing is known of counts as one that gives an hour.
 */
export function pressing(due: Pick<Due, 'at' | 'later'>, toHarm: number | null, now: number): number {
  const late = (now - whenOf(due)) / DAY + 30;
  return late <= 0 || !Number.isFinite(late) ? 0 : late / Math.max(toHarm ?? 1, 0.1);
}
