import { phrase, quantity } from '../../units';
import { atLeastSoMany } from '../chance';
import { countsOf } from '../clean';
import { NO_QUESTION, unanswered, type Evidence, type Told } from '../finding';
import { meterOf } from '../meters';

const DAY = 86_400_000;
/** How far doses of a day may lie from design. */
const DOSES = 0.25;
/** Alarms are looked at over the last so many days, against all before. */
const LATELY = 28;

/** Doses that were counted against those of the design. */
export function doseFindings({ expected, readings }: Evidence): Told {
  if (expected.dosesPerDay === null) return NO_QUESTION;
  const { counts } = countsOf(meterOf('doses')!, readings.doses ?? []);
  const last = counts.slice(-4);
  const days = last.reduce((sum, c) => sum + (c.to.at - c.from.at), 0) / DAY;
  if (days < 7) return unanswered(['doses'], phrase`wants the dose counter read over a week or more`);
  const perDay = last.reduce((sum, c) => sum + c.count, 0) / days;
  const off = perDay / expected.dosesPerDay - 1;
  if (Math.abs(off) < DOSES) return { findings: [], notAsked: [], asked: ['doses'] };
  return {
    findings: [
      {
        kind: 'doses',
        pump: null,
        sentence:
          off > 0
            ? phrase`${quantity('factor', perDay)} doses a day, and ${quantity('factor', expected.dosesPerDay)} are meant: more water comes, or the timer is set otherwise.`
            : phrase`${quantity('factor', perDay)} doses a day, and ${quantity('factor', expected.dosesPerDay)} are meant: less water comes, the enable float refuses the rest, or the timer is set otherwise.`,
        figures: [
          { label: 'doses a day', value: quantity('factor', perDay) },
          { label: 'meant', value: quantity('factor', expected.dosesPerDay) },
        ],
        chance: 1e-4,
        since: last[0]!.from.at,
        next: phrase`Timer on and off with a watch, and where the enable float acts.`,
        test: 'dose',
      },
    ],
    notAsked: [],
    asked: ['doses'],
  };
}

/** Alarms lately against alarms before, as rare and independent things come (Poisson). */
export function alarmFindings({ alarms, from, to }: Evidence): Told {
  const edge = to - LATELY * DAY;
  const before = (edge - from) / DAY;
  if (before < 2 * LATELY)
    return unanswered(
      ['alarms'],
      phrase`wants a book of ${String(3 * LATELY)} days; it has ${String(Math.max(Math.floor((to - from) / DAY), 0))}`,
    );
  const lately = alarms.filter((a) => a > edge).length;
  const earlier = alarms.filter((a) => a <= edge).length;
  // Half an alarm more than there were: none in a short time does not mean that none ever comes.
  const usual = ((earlier + 0.5) * LATELY) / before;
  const chance = atLeastSoMany(lately, usual);
  if (lately < 3 || chance > 0.01) return { findings: [], notAsked: [], asked: ['alarms'] };
  return {
    findings: [
      {
        kind: 'alarms',
        pump: null,
        sentence: phrase`It rang ${String(lately)} times in the last ${String(LATELY)} days, where ${quantity('factor', usual)} would be as before.`,
        figures: [
          { label: 'lately', value: quantity('count', lately) },
          { label: 'as before', value: quantity('factor', usual) },
        ],
        chance,
        since: edge,
        next: phrase`What the pages of those alarms say; where nothing is said, the alarm float and the keep-up of the pumps.`,
        test: null,
      },
    ],
    notAsked: [],
    asked: ['alarms'],
  };
}
