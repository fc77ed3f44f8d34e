import { meterName, meterOf, PAGE_KINDS, VISIT_REASONS, type Page } from '@/core/book';

const words = (list: readonly (readonly [label: string, value: string | number | null | undefined])[]): string =>
  list
    .flatMap(([label, value]) =>
      value === null || value === undefined || value === '' ? [] : [label ? `${label}: ${value}` : `${value}`],
    )
    .join(' · ');

/** What stands on a page, in lines. */
export function linesOf(page: Page): string[] {
  switch (page.kind) {
    case 'visit':
      return [
        page.words,
        words([
          ['done', page.done],
          ['decided', page.decided],
          ['measured', page.measured],
          ['used', page.used],
          ['min', page.minutes],
        ]),
      ];
    case 'alarm':
      return [
        words([
          ['', page.rang],
          ['min', page.minutes],
        ]),
        words([
          ['it was', page.was],
          ['done', page.done],
        ]),
      ];
    case 'part':
      return [
        words([
          ['', `${page.name}, ${page.state}`],
          ['', page.place],
          ['serial', page.serial],
        ]),
        words([
          ['life, years', page.years],
          ['hours', page.hours],
          ['starts', page.starts],
          ['warranty to', page.warrantyTo],
          ['through', page.through],
        ]),
      ];
    case 'meter':
      return [
        `${meterName(meterOf(page.meter)!)}: ${page.rollsAt === null ? 'does not roll over' : `rolls over at ${page.rollsAt}`}`,
      ];
    case 'site':
      return [
        words([
          ['way in', page.access],
          ['keys', page.keys],
          ['gas and air', page.gas],
          ['dog', page.dog],
          ['call', page.call],
          ['owner', page.owner],
          ['a kWh costs', page.price],
        ]),
      ];
    case 'rule':
      return [
        words([
          ['', page.what],
          ['every, days', page.days],
          ['hours run', page.hours],
          ['starts', page.starts],
          ['in month', page.month],
          ['job', page.job],
        ]),
      ];
    case 'later':
      return [
        words([
          ['', page.due],
          ['until', page.until],
          ['because', page.why],
        ]),
      ];
    case 'struck':
      return [page.why];
  }
}

/** What a page is called. */
export const titleOf = (page: Page): string => {
  const name = PAGE_KINDS.find(([k]) => k === page.kind)![1];
  return page.kind === 'visit' ? `${name}: ${VISIT_REASONS.find(([w]) => w === page.why)![1]}` : name;
};
