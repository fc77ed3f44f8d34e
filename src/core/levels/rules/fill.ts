import { phrase, quantity } from '../../units';
import { notAsked, type Condition, type Rule } from '../rule';
import { sayNoDuty } from '../sayNoDuty';

/** A tank that is filled stops before its overflow by what still runs in, and keeps a minimum stored. */
export const fill: Rule<'fill'> = {
  id: 'fill',
  title: 'fills without spilling or emptying',
  severity: 'must',
  about: ['level:stop', 'level:overflow'],
  judge({ station, vessel, stop, lead, overflow, atStop }) {
    const { duty } = station;
    const about = ['level:stop', 'level:overflow'] as const;
    if (duty.kind !== 'fill') return notAsked(phrase`Nothing is filled here.`, about);
    if (!atStop.ok) return { state: 'unknown', why: sayNoDuty(atStop), about: ['pump'] };
    const after = atStop.flow * duty.runOn;
    const room = vessel.volume(overflow) - vessel.volume(stop);
    const conditions: Condition[] = [
      {
        sense: 'at-least',
        needs: quantity('volume', after),
        has: quantity('volume', room),
        scale: Math.max(after, 1e-6),
        why: phrase`Filling stops at ${quantity('height', stop)}; for ${quantity('time', duty.runOn)} more ${quantity('flow', atStop.flow)} runs in, ${quantity('volume', after)}. To the overflow there is room for ${quantity('volume', room)}.`,
        about,
      },
      {
        sense: 'at-least',
        needs: quantity('height', duty.keep),
        has: quantity('height', lead),
        scale: Math.max(duty.keep, station.settings.minimumGap),
        why: phrase`Filling starts when the water is down to ${quantity('height', lead)}; at least ${quantity('height', duty.keep)}, ${quantity('volume', vessel.volume(duty.keep))}, must stay stored.`,
        about: ['level:lead'],
      },
    ];
    return conditions;
  },
};
