import { phrase } from '../../units';
import { heatOf, stopClock } from './clocks';
import { tell, type Run } from './run';
import { applyActiveFaults, transition } from './transition';

/** Motors that heat or no longer do: their clocks are set and taken away. A rotor that stands heats in seconds, a pump in air in minutes. */
export function watchHeat({ s, compiled }: Run): void {
  const { motorProtection } = compiled.scenario;
  for (let pump = 0; pump < s.since.length; pump++) {
    const bit = 1 << pump;
    const stalls = s.panel.running & s.model.stalls & bit;
    const heats = stalls || s.panel.running & (s.dry | s.model.air) & bit;
    const clock = heatOf(s, pump);
    if (!heats) {
      if (clock?.kind === 'heats') stopClock(s, clock);
    } else if (!clock)
      s.clocks.push({
        kind: 'heats',
        at: s.t + (stalls ? motorProtection.lockedRotor : motorProtection.dryRunning),
        pump,
      });
  }
}

/** A motor has heated for as long as it may: its overload or its protector opens. */
export function protect(run: Run, pump: number): void {
  const { s, compiled } = run;
  const { panel } = compiled.prepared;
  const bit = 1 << pump;
  const n = String(pump + 1);
  const sentence = s.model.stalls & bit ? phrase`pump ${n} stood under voltage` : phrase`pump ${n} ran without water`;
  // An overload relay sees the current of a rotor that stands, and waits for a hand; it does not see heat.
  const overload = panel.devices.find((d) => d.function === 'overload' && d.pump === pump + 1);
  if (s.model.stalls & bit && overload && !s.model.held.has(overload.tag))
    return transition(run, s.model.machine.after(s.panel, overload.tag, 'tripped'), () => sentence);
  s.open |= bit;
  tell(run, 'protection', () => phrase`thermal protector of pump ${n} opens: ${sentence}`);
  s.clocks.push({ kind: 'cools', at: s.t + compiled.scenario.motorProtection.cooling, pump });
  applyActiveFaults(run, () => phrase`its thermal protector opened`);
}

/** A protector has cooled and closes by itself. */
export function recover(run: Run, pump: number): void {
  run.s.open &= ~(1 << pump);
  tell(run, 'protection', () => phrase`thermal protector of pump ${String(pump + 1)} has cooled and closes by itself`);
  applyActiveFaults(run, () => phrase`its thermal protector closed`);
}
