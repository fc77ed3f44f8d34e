import { phrase } from '../../units';
import { resetting } from '../../wiring';
import { heatOf, sendForPerson, stopClock } from './clocks';
import { tell, type Run } from './run';
import { applyActiveFaults, transition } from './transition';
import { settleWater } from './water';

/** A person mends every fault, and resets what has tripped and what latched. */
export function attend(run: Run): void {
  const { s, compiled } = run;
  const { prepared, scenario } = compiled;
  const { devices } = prepared.panel;
  const mended = [...s.active].map((i) => prepared.faults.find((f) => f.id === scenario.faults[i]!.id)!.label);
  tell(run, 'person', () => phrase`a person is there${mended.length > 0 ? `, and repairs: ${mended.join(', ')}` : ''}`);
  // Who changes a motor leaves one that is cold.
  for (const i of s.active) {
    const mended = prepared.faults.find((f) => f.id === scenario.faults[i]!.id)!;
    const pump = mended.group === 'motor' ? devices.find((d) => d.tag === mended.part)?.pump : undefined;
    if (pump === undefined) continue;
    s.open &= ~(1 << (pump - 1));
    stopClock(s, heatOf(s, pump - 1));
  }
  s.active = new Set();
  const why = () => phrase`a person reset it`;
  applyActiveFaults(run, why);
  const put = (tag: string, state: string) => transition(run, s.model.machine.after(s.panel, tag, state), why);
  for (const [tag, state] of resetting(devices, s.panel.states)) put(tag, state);
  // Who is there and hears it still ring comes again.
  settleWater(run);
  if (s.panel.alarm) sendForPerson(s, scenario.responseTime);
}
