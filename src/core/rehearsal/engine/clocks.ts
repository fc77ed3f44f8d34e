import type { Clock, State } from './state';

export const timerOf = (s: State, device: string): Clock | undefined =>
  s.clocks.find((c) => c.kind === 'timer' && c.device === device);

/** The clock of a motor’s protector, while it heats or cools. */
export const heatOf = (s: State, pump: number): Clock | undefined =>
  s.clocks.find((c) => (c.kind === 'heats' || c.kind === 'cools') && c.pump === pump);

export function stopClock(s: State, clock: Clock | undefined): void {
  if (clock) s.clocks.splice(s.clocks.indexOf(clock), 1);
}

/** The water of a pump runs on for so long from now, however long it was to before. */
export function runOnFor(s: State, pump: number, time: number): void {
  stopClock(
    s,
    s.clocks.find((c) => c.kind === 'runs-on' && c.pump === pump),
  );
  s.runsOn |= 1 << pump;
  s.clocks.push({ kind: 'runs-on', at: s.t + time, pump });
}

/** The alarm sends for a person, where one answers it and none is on the way. */
export function sendForPerson(s: State, answers: number | null): void {
  if (answers !== null && !s.clocks.some((c) => c.kind === 'person'))
    s.clocks.push({ kind: 'person', at: s.t + answers });
}
