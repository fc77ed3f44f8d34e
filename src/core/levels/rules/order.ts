import { phrase, quantity } from '../../units';
import type { Condition, Part, Rule } from '../rule';

/** Floor, stop, lead, high alarm, overflow, rim: each above the one before, as far as each is fitted. */
export const order: Rule = {
  id: 'order',
  title: 'levels in order',
  severity: 'must',
  judge({ station, stop, lead, alarm, overflow }) {
    const marks: { name: string; level: number; part: Part }[] = [
      { name: 'stop', level: stop, part: 'level:stop' },
      { name: 'lead', level: lead, part: 'level:lead' },
      ...(alarm ? [{ name: 'alarm', level: alarm.rise, part: 'level:alarm' as const }] : []),
      { name: 'overflow', level: overflow, part: 'level:overflow' },
    ];
    let below = { name: 'floor', level: 0, part: 'level:stop' as Part };
    return marks.map((mark): Condition => {
      const under = below;
      below = mark;
      return {
        sense: 'at-least',
        needs: quantity('height', under.level),
        has: quantity('height', mark.level),
        scale: station.settings.minimumGap,
        why: phrase`From the floor up: floor, stop, lead, ${alarm ? 'alarm, ' : ''}overflow. Closest to the wrong order: the ${mark.name} at ${quantity('height', mark.level)} over the ${under.name} at ${quantity('height', under.level)}.`,
        about: [mark.part, under.part],
      };
    });
  },
};
