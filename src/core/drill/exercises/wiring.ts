import { withCore, withLink } from '../../editing';
import { randomFrom, type Random } from '../../numeric';
import type { Panel } from '../../schemes';
import type { Station } from '../../station';
import { asLanded, type AsLanded, type Effect } from '../../wiring';

/** How the strip is found: every core of the field loose, or something on it that does not belong there. */
export const STRIPS = { empty: 'the strip is empty', wrong: 'something is landed wrong' } as const;
export type StripKind = keyof typeof STRIPS;

const one = <T>(all: readonly T[], { even }: Random): T => all[Math.floor(even() * all.length)]!;

/** Every core off its terminal. */
const emptied = (station: Station, panel: Panel): Station =>
  panel.cores.filter((c) => c.terminal !== null).reduce((s, c) => withCore(s, c, null), station);

/** Two cores of one cable changed, one on the terminal beside, or a link out: what happens to people. */
function mistaken(station: Station, panel: Panel, random: Random): Station {
  const landed = panel.cores.filter((c) => c.terminal !== null);
  const core = one(landed, random);
  const beside = landed.filter((c) => c.cable === core.cable && c.id !== core.id && c.terminal !== core.terminal);
  const which = random.even();
  if (panel.links.length > 0 && which < 0.2) {
    const { a, b } = one(panel.links, random);
    return withLink(station, a, b, false, true);
  }
  if (beside.length > 0 && which < 0.7) {
    const other = one(beside, random);
    return withCore(withCore(station, core, other.terminal), other, core.terminal);
  }
  const place = panel.terminals.findIndex((t) => t.id === core.terminal);
  const next = panel.terminals[place + 1] ?? panel.terminals[place - 1]!;
  return withCore(station, core, next.id);
}

/** Tries until one is found that does something. */
const TRIES = 40;

const shows = ({ effects }: AsLanded): boolean => effects.some((e) => e.severity !== 'latent');

/**
 * The strip as it is found: the same by the same seed. What is landed wrong does something that the circuit can be asked of.
 * @param station as it is designed, whatever its document says of landings
 * @returns null where nothing of it can be landed wrong so
 */
export function stripFound(document: Station, panel: Panel, kind: StripKind, seed: number): Station | null {
  const station: Station = { ...document, landings: { cores: [], links: [] } };
  if (kind === 'empty') return emptied(station, panel);
  const random = randomFrom(seed);
  for (let n = 0; n < TRIES; n++) {
    const wrong = mistaken(station, panel, random);
    if (shows(asLanded(wrong, panel))) return wrong;
  }
  return null;
}

/** What is asked before it is shown: what this landing does, among things that it does not. */
export interface Question {
  readonly choices: readonly { readonly says: string; readonly is: boolean }[];
}

const WORST_FIRST: readonly Effect['severity'][] = ['danger', 'fault', 'latent'];
/** So many that are true, and that are not. */
const TRUE = 2;
const FALSE = 3;

/** What a strip that was found wrong does, to be told from what other wrong landings of the same panel do. Each answer is the circuit’s. */
export function questionOf(found: Station, panel: Panel, seed: number): Question {
  const random = randomFrom(seed + 1);
  const { effects } = asLanded(found, panel);
  const all = new Set(effects.map((e) => e.sentence));
  const is = [...effects]
    .sort((a, b) => WORST_FIRST.indexOf(a.severity) - WORST_FIRST.indexOf(b.severity))
    .slice(0, TRUE)
    .map((e) => ({ says: e.sentence, is: true }));
  const others = new Set<string>();
  const station: Station = { ...found, landings: { cores: [], links: [] } };
  for (let n = 0; n < TRIES / 4 && others.size < FALSE; n++)
    for (const e of asLanded(mistaken(station, panel, random), panel).effects.slice(0, 2))
      if (!all.has(e.sentence) && others.size < FALSE) others.add(e.sentence);
  const choices = [...is, ...[...others].map((says) => ({ says, is: false }))];
  // In an order that gives nothing away.
  return {
    choices: choices
      .map((c) => ({ c, at: random.even() }))
      .sort((a, b) => a.at - b.at)
      .map(({ c }) => c),
  };
}
