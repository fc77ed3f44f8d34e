import { phrase, quantity } from '../../units';
import type { Rule } from '../rule';

/** The water that falls back after a stop must not start the pump again. */
export const drainback: Rule = {
  id: 'drainback',
  title: 'drawdown over drainback',
  severity: 'must',
  judge({ station, hydraulics, drawdown }) {
    const back = hydraulics.drainback;
    const about = ['pipe', 'level:lead', 'level:stop'] as const;
    if (back === 0) return { state: 'not-applicable', why: phrase`The check valve sits at the pump, so nothing drains back.`, about };
    const from = station.discharge.checkValve ? 'from the pipe below the check valve' : 'from the whole line, for no check valve is fitted';
    return [
      {
        sense: 'at-least',
        needs: quantity('volume', back * (1 + station.settings.drainbackMargin)),
        has: quantity('volume', drawdown),
        why: phrase`${quantity('volume', back)} comes back ${from} at every stop; with a margin of ${quantity('share', station.settings.drainbackMargin)} the drawdown must be more, or the pump starts on its own water.`,
        about,
      },
    ];
  },
};
