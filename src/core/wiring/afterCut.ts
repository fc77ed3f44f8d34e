import { waitingOf, type Settled } from '../circuit';
import { phrase } from '../units';
import type { WiringCheck } from './check';
import { happens, solveWith, type Inputs } from './inputs';
import type { Wired } from './wired';

/** Timers that are let run out one after the other before a pump is said to stand. */
const TIMERS = 12;

/** Whether each pump has run, now or as the timers that wait run out. */
function ran(wired: Wired, first: Settled): Set<string> {
  const pumps = wired.panel.outcomes.filter((o) => o.kind === 'pump');
  const found = new Set<string>();
  let now = first;
  for (let n = 0; n <= TIMERS; n++) {
    for (const o of pumps) if (happens(now, o)) found.add(o.id);
    const [next] = waitingOf(now)
      .filter((w) => w.to !== 'tripped')
      .sort((a, b) => a.after - b.after);
    if (!next) break;
    now = solveWith(wired, { [next.device]: next.to }, now.states);
  }
  return found;
}

/**
 * Whether pumps that are called run again by themselves when the power was gone and is back: asked of the circuit with every float up, and with
 * every float down, all supplies cut and there again, what waits let run out. Nothing is said where no pump is called in either.
 */
export function afterCutFigures(wired: Wired): WiringCheck[] {
  const { devices } = wired.panel;
  const supplies = devices.filter((d) => d.function === 'supply' || d.function === 'alarm-supply');
  const all = (state: string): Inputs => Object.fromEntries(supplies.map((d) => [d.tag, state]));
  const floats = (state: string): Inputs =>
    Object.fromEntries(devices.flatMap((d) => (d.sensor === undefined ? [] : [[d.tag, state] as const])));
  const checks = ['up', 'down'].flatMap((state) => {
    const called = solveWith(wired, floats(state));
    const before = ran(wired, called);
    if (before.size === 0) return [];
    const back = solveWith(wired, all('there'), solveWith(wired, all('cut'), called.states).states);
    const stand = [...before].filter((id) => !ran(wired, back).has(id));
    if (stand.length === 0) return [{ stand, by: [] as string[] }];
    const by = devices
      .filter((d) => d.springs !== undefined)
      .filter((d) => {
        const way = d.positions.find((p) => p.state !== d.initial)!;
        const pressed = solveWith(wired, { [d.tag]: way.state }, back.states);
        const after = ran(wired, solveWith(wired, { [d.tag]: d.initial }, pressed.states));
        return stand.some((id) => after.has(id));
      })
      .map((d) => d.tag);
    return [{ stand, by }];
  });
  if (checks.length === 0) return [];
  const stand = checks.flatMap((c) => c.stand);
  const by = [...new Set(checks.flatMap((c) => c.by))];
  const whom = by.length > 0 ? phrase` until somebody presses ${by.join(', ')}` : phrase``;
  return [
    {
      id: 'after-cut',
      title: 'Running again after a power cut',
      state: stand.length === 0 ? 'holds' : 'broken',
      sense: null,
      needs: null,
      has: null,
      why:
        stand.length === 0
          ? phrase`Pumps that are called run again by themselves when the power is back. Asked with every float up and every float down, all supplies cut and there again.`
          : phrase`When the power was gone and is back, ${[...new Set(stand)].join(', ')} that ran before stands${whom}: the water rises meanwhile. A protection that remembers by itself, or that comes back by itself, does not wait for a person.`,
    },
  ];
}
