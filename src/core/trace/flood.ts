import { traitsOf } from '../duties';
import { levelOf, type Setting } from '../tests';
import { quantity, say, systemOf } from '../units';
import type { Board } from './belief';
import { waysOf } from './expect';
import { settingWords } from './settingWords';

/** What the water does while one looks for the fault, and how it is pumped down first. */
export interface Flood {
  /** From where, in words, and how long until it runs over with nothing pumping: at an ordinary inflow and at the peak. */
  readonly over: readonly { readonly from: string; readonly usual: string; readonly peak: string }[];
  /** Ways to pump it down first, each with how likely it pumps, asked of every suspect; null: not asked of the model. */
  readonly ways: readonly { readonly how: string; readonly works: number | null }[];
}

/** How likely a test makes a pump run, over all suspects. */
function runs(board: Board, p: readonly number[], test: string): number {
  const i = board.place.get(`${test}/now`);
  const pumps = board.asking.panel.outcomes.flatMap((o) => (o.kind === 'pump' ? [o.id] : []));
  if (i === undefined) return 0;
  return board.rows.reduce((sum, row, k) => {
    const ways = waysOf(row?.expects[i] ?? null);
    const running = ways.filter((e) => e?.kind === 'happens' && e.which.some((id) => pumps.includes(id)));
    return sum + (running.length / ways.length) * p[k]!;
  }, 0);
}

/** From which heights it is told: while everything is dead nobody has said where the water stands. */
const from = (setting: Setting): readonly Setting[] =>
  setting === 'dead' ? ['called', 'high'] : setting === 'low' || setting === 'resting' ? [] : [setting];

/** A way that asks nothing of the station. */
const SPARE = { how: 'A spare pump, with its own hose and supply', works: null };

/** Null where nothing rises: the water is under every call, or a tank is filled. */
export function floodOf(board: Board, p: readonly number[], setting: Setting | null): Flood | null {
  const { world, station } = board.asking;
  if (setting === null || traitsOf(station).direction === 'fill') return null;
  const { vessel, overflow, inflow } = world.levels;
  const system = systemOf(station.profile);
  const words = settingWords(station);
  const over = from(setting).flatMap((at) => {
    const level = levelOf(world, at);
    if (level === null) return [];
    const room = vessel.volume(overflow) - vessel.volume(level);
    const until = (flow: number) =>
      flow > 0 ? say(quantity('span', room / flow), system) : 'never: no inflow was surveyed';
    return [{ from: words[at], usual: until(inflow.design), peak: until(inflow.peak) }];
  });
  if (over.length === 0) return null;
  const tests =
    setting === 'dead'
      ? []
      : board.asking.tests.flatMap(({ test }) =>
          /^(hand-|bypass$)/.test(test.id) ? [{ how: test.title, works: runs(board, p, test.id) }] : [],
        );
  return { over, ways: [...tests, SPARE] };
}
