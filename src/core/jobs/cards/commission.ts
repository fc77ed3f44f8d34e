import { phrase, quantity } from '../../units';
import type { Job } from '../job';
import { likeIt } from '../parts';

/** Every test that a station gives rise to, in the order of practice. */
export const commission: Job = {
  id: 'commission',
  title: 'Prove the whole station',
  when: 'It is new, or was changed, or nobody knows how it stands.',
  begins: 'empty',
  against: () => null,
  make(bench) {
    const { levels, station } = bench;
    const top = Math.max(...levels.marks.map((m) => m.level).filter((l) => l < levels.overflow), levels.lead);
    return {
      bring: [
        phrase`meter, clamp, a known live source, locks; dry rod, tape, watch, hose`,
        ...station.sensors.slice(0, 1).map((s) => phrase`to have at hand: ${likeIt(bench, s)}`),
      ],
      tests: [...bench.tests.values()],
      leave: [],
      water: phrase`${quantity('volume', levels.vessel.volume(top))} to the highest level that is tried, from empty.`,
      season: null,
      owner: [phrase`What the alarm means, how it is silenced, and whom to call.`],
      next: phrase`in a year`,
    };
  },
};
