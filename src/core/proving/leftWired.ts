import { withCore, withLink } from '../editing';
import { panelOf, type Panel } from '../schemes';
import type { Station } from '../station';
import type { Decided } from './entry';
import type { Step } from './step';

/** The step at which is said what is landed otherwise than listed: the box is about to be closed. */
const AT = 'close';

/** A core or a link that is left otherwise than the design has it, as it is said with a step. */
export type LeftWire =
  | { readonly kind: 'core'; readonly core: string; readonly to: string | null }
  | { readonly kind: 'link'; readonly a: string; readonly b: string; readonly fitted: boolean };

/** Whether this step asks what is landed otherwise than listed. */
export const asksWiring = (step: Pick<Step, 'id'>): boolean => step.id === AT;

/** A wire as left, as it stands among what was decided: its word, and where it is. */
export const leftWord = (wire: LeftWire): readonly [string, string] =>
  wire.kind === 'core'
    ? [`core ${wire.core}`, wire.to ?? 'loose']
    : [`link ${wire.a} ${wire.b}`, wire.fitted ? 'fitted' : 'out'];

/** The wires as left that were said among what was decided; null of a word that is none. */
export function leftWires(decided: Decided): LeftWire[] {
  return Object.entries(decided).flatMap(([word, value]): LeftWire[] => {
    const core = /^core (.+)$/.exec(word);
    if (core) return [{ kind: 'core', core: core[1]!, to: value === 'loose' ? null : value }];
    const link = /^link (\S+) (\S+)$/.exec(word);
    return link ? [{ kind: 'link', a: link[1]!, b: link[2]!, fitted: value === 'fitted' }] : [];
  });
}

/** What a wire as left is called; null where this panel has no such core or terminal. */
export function wireName(panel: Panel, wire: LeftWire): string | null {
  const there = (id: string | null) => id === null || panel.terminals.some((t) => t.id === id);
  if (wire.kind === 'link')
    return there(wire.a) && there(wire.b) ? `link ${wire.a}–${wire.b} ${wire.fitted ? 'fitted' : 'taken out'}` : null;
  const core = panel.cores.find((c) => c.id === wire.core);
  return core && there(wire.to) ? `${core.colour} of ${core.pin} → ${wire.to ?? 'loose'}` : null;
}

const designedLink = (panel: Panel, a: string, b: string) =>
  panel.links.some((l) => (l.a === a && l.b === b) || (l.a === b && l.b === a));

/** The station with its wires as left; those that its panel has not are left out. */
export function withLeftWires(station: Station, wires: readonly LeftWire[]): Station {
  const made = panelOf(station);
  if (!made.ok) return station;
  const { panel } = made;
  return wires
    .filter((w) => wireName(panel, w) !== null)
    .reduce((s, w) => {
      if (w.kind === 'link') return withLink(s, w.a, w.b, w.fitted, designedLink(panel, w.a, w.b));
      return withCore(
        s,
        panel.cores.find((c) => c.id === w.core)!,
        w.to,
      );
    }, station);
}
