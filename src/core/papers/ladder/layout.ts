import {
  type Circuit,
  type Device,
  type Element,
  fold,
  leaves as leavesOf,
  namesOf,
  type Panel,
  pinOf,
  type Rung,
  type Sign,
  type Tree,
} from '../../schemes';
import { CELL, HALF, isLoad } from './symbols';

/*
 * The ladder laid out by ourselves: every rung a row of cells, parallel ways under each other, the load at the right rail. A place once
 * given does not depend on states: what is live or closed is painted over it.
 */

/** A piece of wire, all of one net. */
export interface WireShape {
  readonly net: string;
  readonly d: string;
}

export interface LeafShape {
  /** `tag.element` */
  readonly id: string;
  readonly tag: string;
  readonly sign: Sign;
  readonly load: boolean;
  /** Centre of the symbol, on its wire. */
  readonly x: number;
  readonly y: number;
  readonly label: string;
  /** Under it: for a contact the rung of its coil, for a coil the rungs of its contacts. */
  readonly refs: string;
  /** Where its cores sit; `moved` ones not where the rung has them: the wire is broken there. */
  readonly terminals: readonly {
    readonly id: string;
    readonly moved: boolean;
    readonly x: number;
    readonly y: number;
    readonly anchor: 'start' | 'end';
  }[];
}

export interface TextShape {
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly role: 'label' | 'rung' | 'net' | 'rail' | 'title';
  /** The wire that it names, for those that name one. */
  readonly net?: string;
}

export interface LadderScene {
  readonly width: number;
  readonly height: number;
  readonly wires: readonly WireShape[];
  readonly leaves: readonly LeafShape[];
  readonly texts: readonly TextShape[];
}

/** A sheet of the ladder: circuits that are read together. */
export interface Sheet {
  readonly id: string;
  readonly title: string;
  readonly rungs: readonly Rung[];
}

const GROUPS: readonly (readonly [id: string, title: string, circuits: Circuit['function']])[] = [
  ['power', 'power', 'power'],
  ['control', 'control', 'control'],
  ['alarm', 'alarm', 'alarm'],
  ['outside', 'outside', 'others'],
];

/** A panel of so few rungs is read on one sheet. */
const FEW = 14;

/** The sheets of a panel, those that have rungs; one with all of them first, where they are few. */
export function sheetsOf(panel: Panel): Sheet[] {
  const all = { id: 'all', title: 'all', rungs: panel.rungs };
  const functions = new Map(panel.circuits.map((c) => [c.id, c.function]));
  const parts = GROUPS.flatMap(([id, title, circuits]): Sheet[] => {
    const rungs = panel.rungs.filter((r) => functions.get(r.circuit) === circuits);
    return rungs.length > 0 ? [{ id, title, rungs }] : [];
  });
  return panel.rungs.length <= FEW ? [all, ...parts] : parts;
}

/** A selector’s contact is called by the positions in which it is closed: two of one selector are told apart by nothing else. */
function labelOf({ tag, positions }: Device, { sign, closed }: Element): string {
  if (sign !== 'selector') return tag;
  return `${tag} ${positions
    .filter((p) => closed?.includes(p.state))
    .map((p) => p.label)
    .join('·')}`;
}

/** Terminals on a wire whose cores come from what is in no rung: the board. */
const fedBy = (panel: Panel, net: string): string => {
  const drawn = new Set(Object.keys(panel.spans).map((leaf) => namesOf(leaf)[0]));
  return panel.cores
    .flatMap((c) =>
      !drawn.has(pinOf(c.pin)[0]) && panel.terminals.some((t) => t.id === c.terminal && t.net === net)
        ? [c.terminal!]
        : [],
    )
    .join(' ');
};

interface Size {
  readonly w: number;
  readonly h: number;
}

const sum = (n: readonly number[]) => n.reduce((a, b) => a + b, 0);

const sizeOf = (tree: Tree, panel: Panel): Size =>
  fold<Size>(tree, {
    leaf: (leaf) => ({ w: panel.devices.find((d) => d.tag === namesOf(leaf)[0])?.cable ? OUTSIDE : 1, h: 1 }),
    net: () => ({ w: 0, h: 0 }),
    series: (sizes) => ({ w: sum(sizes.map((s) => s.w)), h: Math.max(1, ...sizes.map((s) => s.h)) }),
    parallel: (sizes) => ({ w: Math.max(0, ...sizes.map((s) => s.w)), h: Math.max(1, sum(sizes.map((s) => s.h))) }),
  });

const elementOf = (panel: Panel, id: string): { tag: string; element: Element } => {
  const [tag, name] = namesOf(id);
  return { tag, element: panel.devices.find((d) => d.tag === tag)!.elements[name]! };
};

/** Rungs in which each device has elements, for the references between coil and contacts. */
function whereIs(panel: Panel): Map<string, { coil: number | null; contacts: number[] }> {
  const found = new Map<string, { coil: number | null; contacts: number[] }>();
  for (const { tree, number } of panel.rungs)
    for (const leaf of leavesOf(tree)) {
      const { tag, element } = elementOf(panel, leaf);
      const at = found.get(tag) ?? { coil: null, contacts: [] };
      if (isLoad(element.sign)) at.coil ??= number;
      else at.contacts.push(number);
      found.set(tag, at);
    }
  return found;
}

const RAIL = 58;
const GAP = 18;
const TITLE = 22;
/** Cells that something from outside takes: its terminals stand beside it. */
const OUTSIDE = 1.5;

/**
 * Lays out rungs in as many columns as the width gives, read down and then across.
 * @param width px of the drawing
 * @param landed where each core really sits; by design where it is left out
 */
export function ladderScene(
  panel: Panel,
  rungs: readonly Rung[],
  width: number,
  landed?: ReadonlyMap<string, string | null>,
): LadderScene {
  const wires: WireShape[] = [];
  const leaves: LeafShape[] = [];
  const texts: TextShape[] = [];
  const where = whereIs(panel);
  const coreAt = new Map(panel.cores.map((c) => [c.pin, c]));

  const refsOf = (tag: string, load: boolean): string => {
    const at = where.get(tag);
    if (!at || at.coil === null) return '';
    return load ? [...new Set(at.contacts)].map((r) => `▸${r}`).join(' ') : `◂${at.coil}`;
  };

  function leafAt(id: string, x0: number, x1: number, y: number): void {
    const { tag, element } = elementOf(panel, id);
    const [a, b] = panel.spans[id]!;
    const load = isLoad(element.sign);
    const x = (x0 + x1) / 2;
    const device = panel.devices.find((d) => d.tag === tag)!;
    const terminals = element.pins.flatMap((pin, i) => {
      const core = device.cable ? coreAt.get(`${tag}:${pin}`) : undefined;
      if (!core?.terminal) return [];
      const now = landed?.has(core.id) ? landed.get(core.id)! : core.terminal;
      return [
        {
          id: now ?? 'loose',
          moved: now !== core.terminal,
          side: i,
          x: i === 0 ? x - HALF - 5 : x + HALF + 5,
          y,
          anchor: i === 0 ? ('end' as const) : ('start' as const),
        },
      ];
    });
    // Where a core has been taken to another terminal the rung stops short of it.
    const short = (side: number) => (terminals.some((t) => t.side === side && t.moved) ? 12 : 0);
    wires.push(
      { net: a, d: `M${x0} ${y} H${x - HALF - short(0)}` },
      { net: b, d: `M${x + HALF + short(1)} ${y} H${x1}` },
    );
    leaves.push({
      id,
      tag,
      sign: element.sign,
      load,
      x,
      y,
      label: labelOf(device, element),
      refs: refsOf(tag, load),
      terminals,
    });
  }

  /** Draws a tree between two x on row y; nets at its ends are those of its first and last leaf. */
  function draw(tree: Tree, x0: number, x1: number, y: number, from: string, to: string): void {
    if ('net' in tree) return;
    if ('leaf' in tree) return leafAt(tree.leaf, x0, x1, y);
    if ('series' in tree) {
      const steps = tree.series.filter((t) => !('net' in t));
      let x = x0;
      let net = from;
      steps.forEach((step, i) => {
        const w = sizeOf(step, panel).w;
        // Places are a cell each; what is over goes to the wire before the last one, so that loads stand in a column at the right.
        const last = i === steps.length - 1;
        const right = last && hasLoad(step);
        const start = right ? x1 - w * CELL.width : x;
        if (start > x) wires.push({ net, d: `M${x} ${y} H${start}` });
        const end = start + w * CELL.width;
        const after = last ? to : ends(step)[1];
        if (last && end < x1) wires.push({ net: to, d: `M${end} ${y} H${x1}` });
        if (i > 0) texts.push({ x: start, y: y - 5, text: net, anchor: 'middle', role: 'net', net });
        draw(step, start, end, y, net, after);
        net = after;
        x = end;
      });
      return;
    }
    let row = y;
    const inner = sizeOf(tree, panel).w * CELL.width;
    tree.parallel.forEach((branch, i) => {
      const used = sizeOf(branch, panel).w * CELL.width;
      if (i > 0) wires.push({ net: from, d: `M${x0} ${y} V${row}` }, { net: to, d: `M${x1} ${y} V${row}` });
      if (used < inner || used < x1 - x0) wires.push({ net: to, d: `M${x0 + used} ${row} H${x1}` });
      draw(branch, x0, x0 + used, row, from, to);
      row += sizeOf(branch, panel).h * CELL.height;
    });
  }

  const hasLoad = (tree: Tree): boolean =>
    'leaf' in tree
      ? isLoad(elementOf(panel, tree.leaf).element.sign)
      : 'series' in tree
        ? tree.series.some(hasLoad)
        : 'parallel' in tree && tree.parallel.some(hasLoad);

  /** Nets at the two ends of a tree. */
  function ends(tree: Tree): readonly [string, string] {
    if ('leaf' in tree) return panel.spans[tree.leaf]!;
    if ('net' in tree) return [tree.net, tree.net];
    const inner = ('series' in tree ? tree.series : tree.parallel).filter((t) => !('net' in t));
    const first = ends(inner[0]!);
    return 'series' in tree ? [first[0], ends(inner.at(-1)!)[1]] : first;
  }

  const widest = Math.max(...rungs.map((r) => sizeOf(r.tree, panel).w));
  const needs = 2 * RAIL + widest * CELL.width + GAP;
  const columns = Math.max(1, Math.floor((width + GAP) / needs));
  const column = columns === 1 ? Math.max(width, needs) : Math.floor((width + GAP) / columns);
  const heights = rungs.map((r) => sizeOf(r.tree, panel).h * CELL.height + TITLE);
  const share = heights.reduce((a, b) => a + b, 0) / columns;
  let [at, x, y, tallest] = [0, 0, 0, 0];
  rungs.forEach((rung, i) => {
    if (at < columns - 1 && y > 0 && y + heights[i]! / 2 > share) {
      at++;
      x += column;
      y = 0;
    }
    const [left, right] = [x + RAIL, x + column - GAP - RAIL];
    const wire = y + TITLE + CELL.wire;
    texts.push({ x: x + 2, y: y + 12, text: `${rung.number}`, anchor: 'start', role: 'rung' });
    if (rung.label) texts.push({ x: x + 22, y: y + 12, text: rung.label, anchor: 'start', role: 'label' });
    texts.push(
      { x: x + 4, y: wire + 4, text: rung.from, anchor: 'start', role: 'rail', net: rung.from },
      { x: right + RAIL - 4, y: wire + 4, text: rung.to, anchor: 'end', role: 'rail', net: rung.to },
    );
    const fed = [fedBy(panel, rung.from), fedBy(panel, rung.to)];
    if (fed[0]) texts.push({ x: x + 4, y: wire + 16, text: fed[0], anchor: 'start', role: 'net', net: rung.from });
    if (fed[1])
      texts.push({ x: right + RAIL - 4, y: wire + 16, text: fed[1], anchor: 'end', role: 'net', net: rung.to });
    wires.push(
      { net: rung.from, d: `M${left - 12} ${wire} H${left} M${left - 12} ${wire - 9} V${wire + 9}` },
      { net: rung.to, d: `M${right} ${wire} H${right + 12} M${right + 12} ${wire - 9} V${wire + 9}` },
    );
    draw('series' in rung.tree ? rung.tree : { series: [rung.tree] }, left, right, wire, rung.from, rung.to);
    y += heights[i]!;
    tallest = Math.max(tallest, y);
  });
  return { width: columns * column - GAP, height: tallest + 6, wires, leaves, texts };
}
