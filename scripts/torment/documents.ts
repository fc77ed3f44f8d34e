import { anyDocument, QUESTIONS, wrong } from '@/core/anyDocument.fixture';
import type { Torment } from './torment';

/** Any document that the check lets pass, asked everything: what throws or is not a number, and how long the slowest of each question took. */
export const documents: Torment = {
  about: 'asks everything of any document that the check lets pass (size: documents)',
  usual: 1000,
  small: 20,
  run(size, seed) {
    const found = new Map<string, number[]>();
    const slowest: Record<string, number> = {};
    for (let n = seed; n < seed + size; n++) {
      const station = anyDocument(n);
      for (const question of Object.keys(QUESTIONS)) {
        // Proposals are the dear ones: one in ten is asked for them.
        if (question === 'proposals' && n % 10 !== 0) continue;
        const began = performance.now();
        const says = wrong(station, question);
        slowest[`${question}, slowest ms`] = Math.max(
          slowest[`${question}, slowest ms`] ?? 0,
          Math.round(performance.now() - began),
        );
        if (says) found.set(says, [...(found.get(says) ?? []), n]);
      }
    }
    return Promise.resolve({
      figures: { documents: size, ...slowest },
      broken: [...found].map(([says, seeds]) => `${says} (seeds ${seeds.slice(0, 5).join(', ')})`),
    });
  },
};
