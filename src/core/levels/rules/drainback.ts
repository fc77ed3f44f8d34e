import { phrase, quantity } from '../../units';
import { notAsked, type Rule } from '../rule';

/** The water that falls back after a stop must not start the pump again. */
export const drainback: Rule<'drainback'> = {
  id: 'drainback',
  title: 'drawdown over drainback',
  severity: 'must',
  settings: ['drainbackMargin'],
  about: ['pipe', 'level:lead', 'level:stop'],
  judge({ station, hydraulics, drawdown, stop }) {
    const about = ['pipe', 'level:lead', 'level:stop'] as const;
    const back = hydraulics.drainback(hydraulics.count, stop).volume;
    if (back === 0) return notAsked(phrase`The check valve sits at the pump, so nothing drains back.`, about);
    const { checkValve, highPoint } = station.discharge;
    const from = checkValve
      ? 'from the pipe below the check valve'
      : highPoint
        ? 'from the pipe before the high point, for no check valve is fitted'
        : 'from the whole line, for no check valve is fitted';
    const many = hydraulics.count > 1 ? ` of all ${hydraulics.count} pumps` : '';
    return [
      {
        sense: 'at-least',
        needs: quantity('volume', back * (1 + station.settings.drainbackMargin)),
        has: quantity('volume', drawdown),
        why: phrase`${quantity('volume', back)} comes back ${from}${many} at every stop; with a margin of ${quantity('share', station.settings.drainbackMargin)} the drawdown must be more, or the pump starts on its own water.`,
        about,
      },
    ];
  },
};
