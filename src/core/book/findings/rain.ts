import { median, trendOf } from '../../numeric';
import { phrase, quantity } from '../../units';
import { traitsOf } from '../../duties';
import { NO_QUESTION, unanswered, type Evidence, type Told } from '../finding';

const NEEDED = 8;
const DAY = 86_400_000;

/**
 * How the inflow answers to rain: slope of the day’s water over the rain of the span and, what is left, over the rain of the span before
 * (Theil and Sen), so that what comes at once and what seeps in are told apart.
 */
export function rainFindings({ station, spans }: Evidence): Told {
  // What is drawn from a tank does not come with rain.
  if (traitsOf(station).direction === 'fill') return NO_QUESTION;
  const row = spans.flatMap((s, i) => {
    if (s.rain === null || !s.flows) return [];
    const days = (s.to - s.from) / DAY;
    const before = spans[i - 1]?.rain ?? null;
    return [
      {
        water: s.flows.inflow.value * 86400,
        rain: s.rain / days,
        before: before === null ? null : before / ((spans[i - 1]!.to - spans[i - 1]!.from) / DAY),
      },
    ];
  });
  const wet = row.filter((r) => r.rain > 0.5).length;
  if (row.length < NEEDED || wet < 3)
    return unanswered(
      ['rain'],
      phrase`wants ${String(NEEDED)} spans with the rain read, three of them wet; there are ${String(row.length)}, ${String(wet)} wet`,
    );
  const fast = trendOf(row.map((r) => [r.rain, r.water] as const));
  if (!fast || fast.slope <= 0 || fast.chance > 0.01) return { findings: [], notAsked: [], asked: ['rain'] };
  const rest = row.filter((r) => r.before !== null).map((r) => [r.before!, r.water - fast.slope * r.rain] as const);
  const slow = trendOf(rest);
  const dry = median(row.map((r) => r.water - fast.slope * r.rain));
  const seeps = slow && slow.slope > 0 && slow.chance < 0.01 ? slow.slope : null;
  return {
    findings: [
      {
        kind: 'rain',
        pump: null,
        sentence: phrase`${quantity('volume', fast.slope)} come for each millimetre of rain${seeps === null ? phrase`, at once; nothing shows that seeps in later` : phrase`, and ${quantity('volume', seeps)} more seep in after it`}. Without rain it is ${quantity('volume', dry)} a day.`,
        figures: [
          { label: 'a day without rain', value: quantity('volume', dry) },
          { label: 'for each mm', value: quantity('volume', fast.slope) },
          ...(seeps === null ? [] : [{ label: 'for each mm, later', value: quantity('volume', seeps) }]),
        ],
        chance: fast.chance,
        since: null,
        next: phrase`If no rain is meant to come here: a drain led in, a cover that leaks, ground water in the joints.`,
        test: null,
      },
    ],
    notAsked: [],
    asked: ['rain'],
  };
}
