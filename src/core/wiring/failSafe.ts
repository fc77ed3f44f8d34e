import type { Device, Outcome, Panel } from '../schemes';
import type { Station } from '../station';
import { phrase } from '../units';
import { afterCutFigures } from './afterCut';
import { told, type WiringCheck } from './check';
import { happens, solveWith, type Inputs } from './inputs';
import { wire, type Wired } from './wired';

/** What ought to tell or stop when the water is high: an alarm, a report of it, or what makes the water standing still. */
const safeWhen = (o: Outcome): boolean | null =>
  o.kind === 'alarm' || o.kind === 'lamp' ? true : o.makesWater ? false : null;

/** Outcomes that are as they should be at high water, of those that are so in health. */
function kept(
  panel: Panel,
  healthy: Wired,
  hurt: Wired,
  inputs: Inputs,
  loss: Inputs,
): { lost: Outcome[]; kept: Outcome[] } {
  const watched = panel.outcomes.filter((o) => safeWhen(o) !== null);
  const [well, is] = [solveWith(healthy, inputs), solveWith(hurt, { ...inputs, ...loss })];
  const right = watched.filter((o) => happens(well, o) === safeWhen(o));
  return {
    lost: right.filter((o) => happens(is, o) !== safeWhen(o)),
    kept: right.filter((o) => happens(is, o) === safeWhen(o)),
  };
}

const words = (list: readonly Outcome[]) => list.map((o) => (safeWhen(o) ? o.not : o.label)).join(', ');

/** A cord of a float that tells of high water, cut through. */
function cutCord(station: Station, panel: Panel, wired: Wired, device: Device, inputs: Inputs): WiringCheck[] {
  const cores = panel.cores.filter((c) => c.pin.startsWith(`${device.tag}:`)).map((c) => ({ core: c.id, to: null }));
  const cut = wire(station, panel, {
    cores: [...station.landings.cores, ...cores],
    links: station.landings.links,
  });
  const { lost, kept: still } = kept(panel, wired, cut, inputs, {});
  if (lost.length === 0 && still.length === 0) return [];
  return [
    told(
      `fails-${device.tag}`,
      lost.length > 0
        ? `a cut cord of the ${device.label} is not told`
        : `a cut cord of the ${device.label} is on the safe side`,
      lost.length > 0
        ? phrase`With it cut, high water does not act: ${words(lost)}. A contact that is closed while all is well (opens on rise) would act when its cord is cut, and now and then without need.`
        : phrase`With it cut, it acts as if the water were high. Asked with the water over every float.`,
    ),
  ];
}

/** A circuit of the board lost, one at a time, with the water high. */
function lostSupply(panel: Panel, wired: Wired, device: Device, inputs: Inputs): WiringCheck[] {
  const { lost, kept: still } = kept(panel, wired, wired, inputs, { [device.tag]: 'cut' });
  if (lost.length === 0 && still.length === 0) return [];
  return [
    told(
      `fails-${device.tag}`,
      lost.length > 0
        ? `without ${device.tag} (${device.label}) high water is not told`
        : `without ${device.tag} (${device.label}) high water still acts`,
      lost.length > 0
        ? phrase`With that circuit of the board gone: ${words(lost)}. A supply of its own, a battery behind it, or a contact that is held closed while the power is there, would act all the same.`
        : phrase`With that circuit of the board gone, what should act at high water does. Asked with the water over every float and the battery charged, where there is one.`,
    ),
  ];
}

/**
 * What a cut cord or a lost supply does to what should tell or stop at high water: asked of the circuit with the water over every float, one
 * loss at a time.
 */
export function failSafeFigures(station: Station, wired: Wired): WiringCheck[] {
  const { panel } = wired;
  const inputs: Inputs = Object.fromEntries(
    panel.devices.flatMap((d) => (d.sensor === undefined ? [] : [[d.tag, 'up'] as const])),
  );
  const tells = new Set(station.sensors.filter((s) => s.role === 'alarm' || s.role === 'cutoff').map((s) => s.id));
  const losses = panel.devices.flatMap((d) => {
    if (d.sensor !== undefined && tells.has(d.sensor) && d.cable) return cutCord(station, panel, wired, d, inputs);
    return d.function === 'supply' || d.function === 'alarm-supply' ? lostSupply(panel, wired, d, inputs) : [];
  });
  return [...afterCutFigures(wired), ...losses];
}
