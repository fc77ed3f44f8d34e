import { byRehearsal, plantedYear, type Page, type PageSent, type Trouble } from '../book';
import type { Station } from '../station';

/*
 * A year of invented book for every demo station, made by rehearsing it week by week with one trouble in some: a pump that wears, a check valve that
 * leaks, a meter that was replaced, an alternator that stands, a wet spring. The same for a seed and a first day.
 */

const DAY = 86_400_000;
const YEAR = 365.25 * DAY;

/** Which trouble is in which station’s year, and the week in which it begins. */
const PLANTED: Readonly<Record<string, readonly [Trouble, number]>> = {
  'underpass-storm-sump.json': ['wear', 24],
  'lodge-grinder-well.json': ['runs-back', 30],
  'slipway-drainage-pit.json': ['stuck-turns', 44],
  'slip-gully-chamber.json': ['wet', 14],
  'battery-room-sump.json': ['slipped', 33],
};

/** The station whose hour meter was replaced, and the week. */
const RENEWED = { file: 'workshop-sump.json', week: 27 };

const PEOPLE = ['R. T.', 'M. O.', 'J. V.'];
const WORDS = [
  'Lid off, looked in: floats free, no rags. Hand and Auto tried, horn tried.',
  'Washed down, floats wiped. Drew down once, as ever.',
  'Read the meters only.',
  'Alarm tried on its float, lamp and horn come. Battery holds.',
];

const page = (at: number, by: string, of: Page, readings: PageSent['readings'] = []): PageSent => ({
  at: new Date(at).toISOString(),
  by,
  page: of,
  readings,
  corrects: null,
});

const part = (name: string, place: string, more: Partial<Extract<Page, { kind: 'part' }>> = {}): Page => ({
  kind: 'part',
  name,
  place,
  state: 'fitted',
  serial: '',
  years: null,
  hours: null,
  starts: null,
  warrantyTo: null,
  through: '',
  ...more,
});

/** Parts that were written in when the book was begun. */
function partsOf(station: Station, from: number): Page[] {
  const year = new Date(from).getUTCFullYear();
  return [
    ...station.pumps.map((p, i) =>
      part(p.name, station.pumps.length > 1 ? `pump ${i + 1}` : 'the pump', {
        serial: `P-${100 + i * 7}`,
        years: 12,
        hours: 8000,
        starts: 300_000,
        warrantyTo: `${year + 2}-04-30`,
        through: 'the wholesaler at the landing',
      }),
    ),
  ];
}

/** The book of one demo station. @param from ms since 1970: the first day */
export function demoBook(file: string, station: Station, seed: number, from: number): PageSent[] {
  const [trouble, begins] = PLANTED[file] ?? (['none', 20] as const);
  const { readings } = plantedYear(station, trouble, seed, from, begins, byRehearsal);
  const weeks = readings['starts-1'] ?? [];
  const by = (i: number) => PEOPLE[i % PEOPLE.length]!;
  const renewed = (meter: string, week: number) => file === RENEWED.file && meter === 'hours-1' && week >= RENEWED.week;
  const began = readings['hours-1']?.[RENEWED.week]?.value ?? 0;
  const dial = (meter: string, week: number, value: number) =>
    renewed(meter, week) && week > RENEWED.week ? Math.round((value - began) * 10) / 10 : value;
  const visits = weeks.map(({ at }, week) => {
    const read = Object.entries(readings).flatMap(([meter, list]) => {
      const found = list.find((r) => r.at === at);
      if (!found) return [];
      const newFrom = renewed(meter, week) && week === RENEWED.week ? 0 : null;
      return [{ meter, value: dial(meter, week, found.value), newFrom, corrects: null }];
    });
    // Some are looked at each quarter, some were once, some not since the book was begun.
    const whole = week % 13 === 0 && week <= [52, 13, 0][seed % 3]!;
    const said =
      file === RENEWED.file && week === RENEWED.week
        ? 'Hour meter stood; a new one put in, begun at 0.'
        : whole
          ? WORDS[(week / 13) % WORDS.length]!
          : '';
    return page(
      at,
      by(week),
      { kind: 'visit', why: whole ? 'due' : 'look', minutes: whole ? 45 : null, words: said },
      read,
    );
  });
  const rang = trouble === 'wear' ? [40, 46, 49] : trouble === 'wet' ? [16, 19] : [];
  return [
    ...partsOf(station, from).map((p) => page(from + DAY / 2, by(0), p)),
    ...(station.alarm.battery
      ? [page(from - [0.4, 3.04, 2.2][seed % 3]! * YEAR, by(1), part('alarm battery, 12 V', 'alarm', { years: 4 }))]
      : []),
    page(from + DAY / 2, by(0), {
      kind: 'site',
      access: 'Through the yard gate; the lid is under the mat.',
      keys: 'Box key on the office board, number 7.',
      gas: '',
      dog: '',
      call: station.identity.contact,
      owner: '',
    }),
    ...visits,
    ...rang.map((week) =>
      page(from + week * 7 * DAY + 22 * 3_600_000, by(week), {
        kind: 'alarm',
        rang: 'high water',
        minutes: 25,
        was:
          trouble === 'wet' ? 'Heavy rain, both days.' : 'The pump ran long; water was back below the float by itself.',
        done: '',
      }),
    ),
  ].sort((a, b) => a.at.localeCompare(b.at));
}
