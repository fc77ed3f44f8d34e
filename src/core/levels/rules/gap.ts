import { phrase, quantity } from '../../units';
import type { Condition, Part, Rule } from '../rule';

/** Neighbouring trips that must act in order stay far enough apart, on the rise and on the fall, that waves do not swap them. */
export const gap: Rule = {
  id: 'gap',
  title: 'room between trips',
  severity: 'should',
  judge({ station, stop, lead, alarm }) {
    const pairs: { upper: string; lower: string; apart: number; about: Part[] }[] = [
      { upper: 'lead', lower: 'stop', apart: lead - stop, about: ['level:lead', 'level:stop'] },
    ];
    if (alarm) {
      pairs.push({ upper: 'alarm', lower: 'lead', apart: alarm.rise - lead, about: ['level:alarm', 'level:lead'] });
      pairs.push({ upper: 'alarm clearing', lower: 'stop', apart: alarm.fall - stop, about: ['level:alarm', 'level:stop'] });
    }
    return pairs.map(
      ({ upper, lower, apart, about }): Condition => ({
        sense: 'at-least',
        needs: quantity('height', station.settings.minimumGap),
        has: quantity('height', apart),
        why: phrase`Closest pair: ${upper} over ${lower}, ${quantity('height', apart)} apart. Waves and swing can swap trips that are closer than ${quantity('height', station.settings.minimumGap)}.`,
        about,
      }),
    );
  },
};
