import type { Panel, Rung, Tree } from './model';

/*
 * Walking the ladder. A leaf is an element of a device, `tag.element`; a pin is `tag:pin`.
 */

/** Tag of the device and name of the element of a leaf. */
export function namesOf(leaf: string): [tag: string, element: string] {
  const dot = leaf.indexOf('.');
  return [leaf.slice(0, dot), leaf.slice(dot + 1)];
}

/** Tag of the device that a pin belongs to, and the pin’s own name. */
export function pinOf(point: string): [tag: string, pin: string] {
  const colon = point.indexOf(':');
  return [point.slice(0, colon), point.slice(colon + 1)];
}

/** What is made of a tree from what is made of its leaves and named wires; `series` and `parallel` get their own tree too, to look at. */
export interface Folding<T> {
  leaf(leaf: string): T;
  net(net: string): T;
  series(parts: readonly T[], trees: readonly Tree[]): T;
  parallel(parts: readonly T[], trees: readonly Tree[]): T;
}

export function fold<T>(tree: Tree, folding: Folding<T>): T {
  if ('leaf' in tree) return folding.leaf(tree.leaf);
  if ('net' in tree) return folding.net(tree.net);
  if ('series' in tree)
    return folding.series(
      tree.series.map((t) => fold(t, folding)),
      tree.series,
    );
  return folding.parallel(
    tree.parallel.map((t) => fold(t, folding)),
    tree.parallel,
  );
}

const flat = <T>(parts: readonly (readonly T[])[]): readonly T[] => parts.flat();

/** Every element of a tree, from left to right and from the top branch down. */
export const leaves = (tree: Tree): readonly string[] =>
  fold<readonly string[]>(tree, { leaf: (l) => [l], net: () => [], series: flat, parallel: flat });

/** Every wire that is named in a tree. */
export const nets = (tree: Tree): readonly string[] =>
  fold<readonly string[]>(tree, { leaf: () => [], net: (n) => [n], series: flat, parallel: flat });

/** The rung that an element is drawn in; of a device, the first with any of its elements. */
export const rungOf = ({ rungs }: Panel, wanted: (leaf: string) => boolean): Rung | undefined =>
  rungs.find((r) => leaves(r.tree).some(wanted));
