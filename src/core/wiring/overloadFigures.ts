import { ampsAt, IN_AIR, powerOf } from '../hydraulics';
import { levelContext } from '../levels';
import { panelOf } from '../schemes';
import type { Station } from '../station';
import { phrase, quantity } from '../units';
import { atMost, told, type WiringCheck } from './check';

/**
 * The setting of each overload relay, its plate's current, against what its pump draws at the flows it runs at: alone from the stop to the last
 * call, and beside the others. And what the relay does not see: a pump that moves no water, or air, draws less, not more.
 */
export function overloadFigures(station: Station): WiringCheck[] {
  const made = panelOf(station);
  if (!made.ok) return [];
  const guarded = made.panel.devices.flatMap((d) => (d.function === 'overload' && d.pump ? [d.pump - 1] : []));
  if (guarded.length === 0) return [];
  const { hydraulics, stop, calls, lead } = levelContext(station);
  const levels = [...new Set([stop, lead, ...calls])];
  const all = station.pumps.map((_, i) => i);
  return guarded.map((i) => {
    const pump = station.pumps[i]!;
    const name = station.pumps.length > 1 ? `, pump ${i + 1}` : '';
    const power = powerOf(pump, station.supply);
    const amps = (watts: number) => quantity('current', ampsAt(pump, station.supply, watts));
    const points = levels.flatMap((level) =>
      [[i], all].map((set) => ({ point: hydraulics.at(level, set), at: set.indexOf(i) })),
    );
    const flows = points.flatMap(({ point, at }) => (point.ok ? [point.pumps[at]!.pumpFlow] : []));
    const unseen = phrase`Shut off it draws ${amps(power(0))}, with air in it about ${amps(IN_AIR * power(0))}: the relay sees neither.`;
    const by = pump.power === null ? ' By an assumed power curve.' : '';
    const id = `overload-${i + 1}`;
    const title = `overload relay at the pump’s flow${name}`;
    if (points.some(({ point }) => !point.ok && point.reason === 'run-out'))
      return told(
        id,
        title,
        phrase`At some level the pump runs past the last point of its curve: what it draws there is not known, and may be more than its plate. ${unseen}`,
      );
    if (flows.length === 0) return told(id, title, phrase`The pump lifts nothing at these levels. ${unseen}`);
    const drawn = flows.map((flow) => ampsAt(pump, station.supply, power(flow)));
    return atMost(
      id,
      title,
      quantity('current', pump.ratedCurrent),
      quantity('current', Math.max(...drawn)),
      phrase`Set to the plate, ${quantity('current', pump.ratedCurrent)}; at its flows the pump draws ${quantity('current', Math.min(...drawn))} to ${quantity('current', Math.max(...drawn))}.${by} ${unseen}`,
    );
  });
}
