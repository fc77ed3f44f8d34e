import { phrase, quantity } from '../../units';
import { meteredIn, movedIn } from '../energy';
import { NO_QUESTION, unanswered, type Evidence, type Told } from '../finding';
import { EACH_SIDE, shiftIn } from '../shift';

/** More energy for the same water by less than this share is weather and level. */
const TOLD = 0.1;
const LEAST_NOISE = 0.02;

/** Energy for each m³, as it was and as it is: what a pump that wears or a line that fouls costs. Asked only where an energy meter is read. */
export function energyFindings({ spans, readings, rolls }: Evidence): Told {
  if ((readings.energy ?? []).length === 0) return NO_QUESTION;
  const metered = meteredIn(readings, rolls.energy ?? null);
  const row = spans.flatMap((span) => {
    const [kWh, moved] = [metered(span.from, span.to), movedIn(span)];
    return kWh === null || moved === null || kWh <= 0 || moved <= 0 ? [] : [{ span, per: kWh / moved }];
  });
  if (row.length < 2 * EACH_SIDE)
    return unanswered(
      ['energy'],
      phrase`wants ${String(2 * EACH_SIDE + 1)} visits at which the energy meter is read with all counters; ${String(row.length === 0 ? 0 : row.length + 1)} there are`,
    );
  const shift = shiftIn(
    row.map((r) => Math.log(r.per)),
    LEAST_NOISE,
  );
  if (!shift || shift.by < Math.log(1 + TOLD) || shift.chance > 0.01)
    return { findings: [], notAsked: [], asked: ['energy'] };
  const per = (log: number) => quantity('specificEnergy', Math.exp(log) * 3.6e6);
  return {
    findings: [
      {
        kind: 'energy',
        pump: null,
        sentence: phrase`It takes ${quantity('share', Math.exp(shift.by) - 1)} more energy for the same water: ${per(shift.after)} where it took ${per(shift.before)}. A pump that wears, a line that fouls, water that runs back, or what else hangs on that meter.`,
        figures: [
          { label: 'took', value: per(shift.before) },
          { label: 'takes', value: per(shift.after) },
        ],
        chance: shift.chance,
        since: row[shift.at]!.span.from,
        next: phrase`A drawdown with amps read beside it; what else hangs on the meter.`,
        test: 'drawdown',
      },
    ],
    notAsked: [],
    asked: ['energy'],
  };
}
