import { phrase, quantity } from '../../units';
import type { Float } from '../faultedModel';
import { tell, type Run } from './run';
import { watchHeldShut } from './heldShut';
import { movingNow } from './state';
import { watchHeat } from './thermal';
import { switched, transition } from './transition';

function putFloat(run: Run, f: Float, state: 'up' | 'down'): void {
  const { s, compiled } = run;
  const { v } = s;
  const why = () =>
    phrase`${f.label} ${state === 'up' ? 'lifted' : 'hangs'} at ${quantity('height', compiled.prepared.vessel.height(v))}`;
  tell(run, 'float', why);
  transition(run, s.model.machine.after(s.panel, f.tag, state), why);
}

/** Floats that the water has passed. */
function passFloats(run: Run): void {
  const { s } = run;
  for (const f of s.model.floats) {
    if (s.v >= f.rise ? !(s.panel.up & f.bit) : s.v <= f.fall && s.panel.up & f.bit)
      putFloat(run, f, s.v >= f.rise ? 'up' : 'down');
  }
}

/** Air gets into a siphon at an intake, and it pulls no more. */
function passSiphon(run: Run): void {
  const { s, compiled } = run;
  const { intakes, vessel } = compiled.prepared;
  if (!s.full || movingNow(s) !== 0 || !intakes.some((i) => s.v <= i.loses)) return;
  s.full = false;
  const at = vessel.height(s.v);
  tell(run, 'dry', () => phrase`air breaks the siphon at ${quantity('height', at)}`);
}

/** Pumps that draw air, or draw water again. */
function passIntakes(run: Run): void {
  const { s, compiled } = run;
  const { intakes, vessel } = compiled.prepared;
  passSiphon(run);
  for (let i = 0; i < intakes.length; i++) {
    const bit = 1 << i;
    const { loses, primes } = intakes[i]!;
    if (s.dry & bit ? s.v < primes : !(s.panel.running & s.model.moves & bit && s.v <= loses)) continue;
    s.dry ^= bit;
    switched(run);
    const [draws, at] = [s.dry & bit, vessel.height(s.v)];
    tell(run, 'dry', () =>
      draws
        ? phrase`pump ${String(i + 1)} draws air at ${quantity('height', at)}: it runs dry`
        : phrase`pump ${String(i + 1)} draws water again at ${quantity('height', at)}`,
    );
  }
}

/** What the water has passed at once, by a start, by a fault or by what ran back; what runs back may pass more. */
export function settleWater(run: Run): void {
  const { s } = run;
  let [node, dry] = [s.panel, -1];
  while ((s.panel !== node || s.dry !== dry) && s.ended === null) {
    [node, dry] = [s.panel, s.dry];
    passFloats(run);
    passIntakes(run);
  }
  watchHeldShut(run);
  watchHeat(run);
}
