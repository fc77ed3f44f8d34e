import { leaves as leavesOf, namesOf, type Panel, type Rung } from '../../schemes';
import type { LadderScene } from './layout';
import { HALF } from './symbols';

/** Most rungs that are drawn round two probes. */
const MOST = 4;

/** Where a point of a panel is in its rungs: beside which device, and on which wire. */
interface At {
  readonly tag: string | null;
  readonly net: string | null;
}

/** @param points which wire each point is on, as the panel is wired */
function atOf(panel: Panel, point: string, points: ReadonlyMap<string, string>): At {
  const core = panel.cores.find((c) => c.terminal === point || c.pin === point);
  const own = panel.devices.find((d) => d.tag === point.split(':')[0]);
  return { tag: core?.pin.split(':')[0] ?? own?.tag ?? null, net: points.get(point) ?? null };
}

/**
 * The rungs in which two probes stand: those with the devices at whose pins or cores they are, first those on whose wires both are; where
 * neither is at a device, those that have their wires.
 */
export function probedRungs(
  panel: Panel,
  probes: { readonly a: string; readonly b: string },
  points: ReadonlyMap<string, string>,
): Rung[] {
  const ends = [atOf(panel, probes.a, points), atOf(panel, probes.b, points)];
  const scored = panel.rungs.map((rung) => {
    const leaves = leavesOf(rung.tree);
    const tags = new Set(leaves.map((leaf) => namesOf(leaf)[0]));
    const nets = new Set(leaves.flatMap((leaf) => panel.spans[leaf]!));
    const on = ends.filter((e) => e.net !== null && nets.has(e.net)).length;
    return { rung, device: ends.filter((e) => e.tag !== null && tags.has(e.tag)).length, on };
  });
  const at = scored.filter((s) => s.device > 0 && s.on > 0);
  const of = at.length > 0 ? at : scored.filter((s) => s.on > 0);
  return of
    .sort((x, y) => y.device + y.on - (x.device + x.on))
    .slice(0, MOST)
    .map((s) => s.rung)
    .sort((x, y) => x.number - y.number);
}

/** Where on a drawing a probe is held. */
export interface Spot {
  readonly probe: 'a' | 'b';
  readonly x: number;
  readonly y: number;
}

/** Where two probes are held on a drawing: at the terminal of a core, at the pin of a device, or on a wire where it is named. */
export function probeSpots(
  panel: Panel,
  scene: LadderScene,
  probes: { readonly a: string | null; readonly b: string | null },
  points: ReadonlyMap<string, string>,
): Spot[] {
  return (['a', 'b'] as const).flatMap((probe): Spot[] => {
    const point = probes[probe];
    if (point === null) return [];
    const terminal = scene.leaves.flatMap((l) => l.terminals).find((t) => t.id === point);
    if (terminal) return [{ probe, x: terminal.x, y: terminal.y }];
    const net = points.get(point);
    if (net === undefined) return [];
    const leaf = scene.leaves.find((l) => l.tag === point.split(':')[0] && panel.spans[l.id]!.includes(net));
    if (leaf) return [{ probe, x: leaf.x + (panel.spans[leaf.id]![0] === net ? -HALF : HALF), y: leaf.y }];
    const named = scene.texts.find((t) => t.net === net);
    return named ? [{ probe, x: named.x, y: named.y - 2 }] : [];
  });
}
