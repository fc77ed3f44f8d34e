import { phrase } from '../../units';
import type { Due } from '../course';
import { attend } from './attendance';
import { stopClock } from './clocks';
import { tell, type Run } from './run';
import type { Clock } from './state';
import { protect, recover } from './thermal';
import { applyActiveFaults, transition } from './transition';
import { settleWater } from './water';

function ring(run: Run, clock: Clock): void {
  const { s } = run;
  switch (clock.kind) {
    case 'timer': {
      const { device, to } = clock;
      tell(run, 'timer', () => phrase`${device}: ${to}`);
      return transition(run, s.world.logic.after(s.node, device, to), () => phrase`${device} has run its time`);
    }
    case 'heats':
      return protect(run, clock.pump);
    case 'cools':
      return recover(run, clock.pump);
    case 'runs-on':
      s.runsOn &= ~(1 << clock.pump);
      return;
    case 'person':
      return attend(run);
  }
}

/** Something of the scenario: a fault comes or goes, power and hands put devices. */
function meet(run: Run, { kind, says, put = {}, fault }: Due): void {
  const { s } = run;
  if (fault && fault.on === s.active.has(fault.place)) return;
  tell(run, kind, () => says);
  if (fault) {
    s.active = fault.on ? new Set([...s.active, fault.place]) : new Set([...s.active].filter((x) => x !== fault.place));
    applyActiveFaults(run, () => says);
  }
  s.puts = { ...s.puts, ...put };
  for (const [tag, state] of Object.entries(put))
    if (!s.world.held.has(tag)) transition(run, s.world.logic.after(s.node, tag, state), () => says);
}

/** Everything that is due at this moment: the inflow’s next step, clocks, the scenario, and what the water then passes. */
export function happenNow(run: Run): void {
  const { s, course } = run;
  const { dues, inflowOf } = course;
  if (s.t >= s.now.until) s.now = inflowOf(s.t);
  for (const clock of [...s.clocks]) {
    // One that rang before may have stopped this one.
    if (clock.at > s.t || !s.clocks.includes(clock)) continue;
    stopClock(s, clock);
    ring(run, clock);
  }
  while (s.dueAt < dues.length && dues[s.dueAt]!.at <= s.t) meet(run, dues[s.dueAt++]!);
  settleWater(run);
}
