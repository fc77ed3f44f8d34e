import { phrase } from '../../units';
import { heatOf, stopClock } from './clocks';
import { tell, type Run } from './run';
import { applyActiveFaults, transition } from './transition';

/**
 * Motors that heat or no longer do: their clocks are set and taken away. A rotor that stands heats in seconds, a pump in air in minutes. An
 * overload relay sees the current of a rotor that stands, and opens in its own time, by the panel; it does not see heat.
 */
export function watchHeat({ s, compiled }: Run): void {
  const { motorProtection } = compiled.scenario;
  for (let pump = 0; pump < s.since.length; pump++) {
    const bit = 1 << pump;
    const stalls = s.panel.stalled & s.model.unguarded & bit;
    const heats = stalls || s.panel.running & (s.dry | s.model.air | s.shut) & bit;
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

/** The device that is hot or cool with the windings of a pump, where its cord brings their contacts; null where nothing does, or a fault holds it. */
function heatOfWindings({ s, compiled }: Run, pump: number): string | null {
  const found = compiled.prepared.panel.devices.find((d) => d.function === 'winding-heat' && d.pump === pump + 1);
  return found && !s.model.held.has(found.tag) ? found.tag : null;
}

/** A motor has heated for as long as it may: its overload or its protector opens. */
export function protect(run: Run, pump: number): void {
  const { s, compiled } = run;
  const bit = 1 << pump;
  const n = String(pump + 1);
  const sentence =
    s.panel.stalled & bit
      ? phrase`pump ${n} stood under voltage`
      : s.shut & bit
        ? phrase`pump ${n} ran against a shut line`
        : phrase`pump ${n} ran without water`;
  const felt = heatOfWindings(run, pump);
  if (felt) {
    // The thermal contact in its cord opens, and its relay stops it; the contact closes again when it has cooled.
    s.clocks.push({ kind: 'cools', at: s.t + compiled.scenario.motorProtection.cooling, pump });
    return transition(
      run,
      s.model.machine.after(s.panel, felt, 'hot'),
      () => phrase`${sentence}: its windings are too hot`,
    );
  }
  s.open |= bit;
  tell(run, 'protection', () => phrase`thermal protector of pump ${n} opens: ${sentence}`);
  s.clocks.push({ kind: 'cools', at: s.t + compiled.scenario.motorProtection.cooling, pump });
  applyActiveFaults(run, () => phrase`its thermal protector opened`);
}

/** A protector, or the thermal contact of a motor, has cooled and closes by itself. */
export function recover(run: Run, pump: number): void {
  const felt = heatOfWindings(run, pump);
  if (felt) {
    const { s } = run;
    return transition(
      run,
      s.model.machine.after(s.panel, felt, 'cool'),
      () => phrase`the windings of pump ${String(pump + 1)} have cooled`,
    );
  }
  run.s.open &= ~(1 << pump);
  tell(run, 'protection', () => phrase`thermal protector of pump ${String(pump + 1)} has cooled and closes by itself`);
  applyActiveFaults(run, () => phrase`its thermal protector closed`);
}
