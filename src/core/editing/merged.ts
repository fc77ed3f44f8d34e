import type { Sensor } from '../sensors';
import type { Station } from '../station';
import { changesBetween, isPartList } from '../surveyed';
import { getAt } from './setAt';

/*
 * One document made of two that were edited apart: mine, with what is picked of theirs. What can be picked is what `changesBetween` lists.
 */

type Node = Readonly<Record<string, unknown>>;

/** A part with something put in its place, or taken out where there is nothing. */
function put(node: unknown, steps: readonly string[], value: unknown): unknown {
  const [step, ...rest] = steps;
  if (step === undefined) return value;
  if (!Array.isArray(node)) {
    const { [step]: was, ...others } = node as Node;
    return rest.length === 0 && value === undefined ? others : { ...(node as Node), [step]: put(was, rest, value) };
  }
  const i = Math.min(Number(step), node.length);
  if (rest.length === 0 && value === undefined) return node.filter((_, j) => j !== i);
  return [...node.slice(0, i), put(node[i], rest, value), ...node.slice(i + 1)];
}

/** Sensors are known by their ids: what is picked of one is put to the one of that id, wherever it stands. */
function sensorsBy(mine: Station, theirs: Station, paths: readonly string[]): readonly Sensor[] {
  return paths.reduce<readonly Sensor[]>((list, path) => {
    const [, index, ...field] = path.split('.');
    const [was, now] = [mine.sensors[Number(index)], theirs.sensors[Number(index)]];
    if (field.length > 0)
      return list.map((s) => (s.id === now?.id ? (put(s, field, getAt(now, field.join('.'))) as Sensor) : s));
    const without = list.filter((s) => s.id !== was?.id || theirs.sensors.some((t) => t.id === s.id));
    if (!now || mine.sensors.some((s) => s.id === now.id && s.kind === now.kind)) return without;
    return without.some((s) => s.id === now.id) ? without.map((s) => (s.id === now.id ? now : s)) : [...without, now];
  }, mine.sensors);
}

/** How the figures that are picked stand comes with them. */
function standings(mine: Station, theirs: Station, paths: readonly string[]): Station['surveyed'] {
  const of = (path: string) => paths.some((p) => path === p || path.startsWith(`${p}.`));
  const { figures } = theirs.surveyed;
  return {
    ...mine.surveyed,
    figures: {
      ...Object.fromEntries(Object.entries(mine.surveyed.figures).filter(([path]) => !of(path))),
      ...Object.fromEntries(Object.entries(figures).filter(([path]) => of(path))),
    },
  };
}

/**
 * Mine with what is picked of theirs.
 * @param paths of changes between mine and theirs, as `changesBetween` says them; what is no such path is left
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * mergedBy(sump, { ...sump, cordRun: 9 }, ['cordRun']).cordRun // → 9
 */
export function mergedBy(mine: Station, theirs: Station, paths: readonly string[]): Station {
  const known = new Set(changesBetween(mine, theirs).map((c) => c.path));
  const picked = paths.filter((p) => known.has(p));
  const ofSensors = picked.filter((p) => p.startsWith('sensors.'));
  // Of a list the last first where something is taken out, the first first where something comes.
  const others = picked
    .filter((p) => !p.startsWith('sensors.'))
    .map((path) => ({ path, value: getAt(theirs, path) as unknown }));
  const out = others.filter(
    ({ path, value }) => value === undefined && isPartList(path.split('.').slice(0, -1).join('.')),
  );
  const rest = others.filter((o) => !out.includes(o));
  const made = [...rest, ...out.reverse()].reduce<unknown>(
    (node, { path, value }) => put(node, path.split('.'), value),
    mine,
  ) as Station;
  return {
    ...made,
    sensors: [...sensorsBy(mine, theirs, ofSensors)],
    surveyed: standings(mine, theirs, picked),
  };
}
