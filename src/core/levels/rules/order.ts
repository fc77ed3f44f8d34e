import { phrase, quantity, systemOf, tapeStep } from '../../units';
import { markWords } from '../marks';
import type { Condition, DrawingRef, Rule } from '../rule';

/** Each level above the one before, as far as each is fitted, by a mark of the tape at least: two that are set alike have no order. */
export const order: Rule<'order'> = {
  id: 'order',
  title: 'levels in order',
  severity: 'must',
  about: [],
  judge({ station, marks }) {
    const name = (m: (typeof marks)[number]) => markWords(m.name, station.duty);
    const all = ['floor', ...marks.map(name)].join(', ');
    const step = tapeStep(systemOf(station.profile));
    let below = { name: 'floor', level: 0, part: `level:${marks[0]!.name}` as DrawingRef };
    return marks.map((mark, i): Condition => {
      const under = below;
      below = { name: name(mark), level: mark.level, part: `level:${mark.name}` };
      return {
        sense: 'at-least',
        needs: quantity('height', i === 0 ? 0 : under.level + step),
        has: quantity('height', mark.level),
        scale: station.settings.minimumGap,
        why: phrase`From the floor up: ${all}. Closest to the wrong order: the ${below.name} at ${quantity('height', mark.level)} over the ${under.name} at ${quantity('height', under.level)}; what a tape can tell apart is ${quantity('height', step)}.`,
        about: [below.part, under.part],
      };
    });
  },
};
