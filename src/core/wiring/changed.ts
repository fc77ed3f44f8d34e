import { conducts, EARTH, potential, rms, type Component, type Settled } from '../circuit';
import { pinOf, type Core, type Panel } from '../schemes';
import type { Wired } from './wired';

/** Cores and links that are not as designed, by their part of the circuit, in words. */
export type Changed = ReadonlyMap<string, string>;

/** What of a panel as landed is there and not there by design; what is missing carries nothing, and so has no words here. */
export function changedOf({ panel, landed, links }: Wired): Changed {
  const cores = panel.cores.flatMap((c): [string, string][] => {
    const now = landed.get(c.id) ?? null;
    if (now === c.terminal || now === null) return [];
    return [[c.id, `the ${coreWords(panel, c)}, on ${now}`]];
  });
  return new Map([
    ...cores,
    ...links
      .filter((l) => !panel.links.some((d) => joins(l) === joins(d)))
      .map((l): [string, string] => [`link ${joins(l)}`, `the link from ${l.a} to ${l.b}`]),
  ]);
}

/** A core by its colour, what it goes to or comes from, and the pin there. */
export function coreWords(panel: Panel, core: Core): string {
  const [tag, pin] = pinOf(core.pin);
  const device = panel.devices.find((d) => d.tag === tag)!;
  const comes = device.function === 'supply' || device.function === 'alarm-supply';
  return `${core.colour} core ${comes ? `of the cable that ${device.label}` : `to ${device.label}`}, ${pin}`;
}

export const joins = ({ a, b }: { readonly a: string; readonly b: string }): string => [a, b].sort().join(' – ');

const endsOf = (p: Component): string[] => (p.kind === 'transformer' ? [p.a, p.b, p.c, p.d] : [p.a, p.b]);

/** A conductor: what lets nearly all of the voltage through, Ω. */
const CONDUCTOR = 2;
const isConductor = (p: Component): boolean => p.kind === 'impedance' && p.r < CONDUCTOR;

type Step = { readonly node: string; readonly part: Component } | null;

/** The way from a point to the source that it hangs on, conductors first; null where no source stands behind it. */
function wayTo({ structure, netlist }: Wired, { solution, states }: Settled, point: string): Component[] | null {
  const level = (node: string) => rms(potential(solution, node, 'ac'), potential(solution, node, 'dc'));
  const wanted = level(point);
  // A source of a few volts that only floats at this level is not where it comes from.
  const sources = new Set(
    netlist.components.flatMap((p) => (p.kind === 'source' && p.volts >= 0.5 * wanted ? [p.a, p.b] : [])),
  );
  const carries = [...structure.components.values()].filter(
    (p) => p.kind !== 'source' && p.kind !== 'capacitor' && conducts(p, states),
  );
  const from = new Map<string, Step>([[point, null]]);
  const [soon, later]: [string[], string[]] = [[point], []];
  for (;;) {
    const node = soon.shift() ?? later.shift();
    if (node === undefined) return null;
    if (sources.has(node) && level(node) >= 0.5 * wanted) {
      const way: Component[] = [];
      for (let step = from.get(node); step; step = from.get(step.node)) way.push(step.part);
      return way;
    }
    for (const part of carries) {
      const ends = endsOf(part);
      if (!ends.includes(node)) continue;
      for (const end of ends)
        if (end !== EARTH && !from.has(end) && level(end) >= 0.4 * wanted) {
          from.set(end, { node, part });
          (isConductor(part) ? soon : later).push(end);
        }
    }
  }
}

/**
 * What is not as designed on the way by which a point gets its voltage, as words to end a sentence with; empty where all of that way is as
 * designed. The way is through what conducts, from the point to the source that it hangs on; it leaves out the earth.
 */
export function carriedBy(wired: Wired, settled: Settled, point: string, changed: Changed): string {
  const words = (wayTo(wired, settled, point) ?? []).flatMap((part) => changed.get(part.id) ?? []);
  return words.length > 0 ? `, by ${[...new Set(words)].join(' and ')}` : '';
}
