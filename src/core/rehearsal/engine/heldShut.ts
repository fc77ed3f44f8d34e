import { phrase } from '../../units';
import { tell, type Run } from './run';
import { movingNow } from './state';

/**
 * Pumps that run and deliver nothing because the others hold the line over their shut-off head: they run against a closed valve, and heat.
 * Asked whenever something happens, at the level that the water has then; only unlike pumps can do that to each other.
 */
export function watchHeldShut(run: Run): void {
  const { s, compiled } = run;
  const before = s.shut;
  s.shut = 0;
  const set = s.since.map((_, i) => i).filter((i) => movingNow(s) & (1 << i));
  const { hydraulics } = s.model;
  if (set.length < 2 || hydraulics.likeness.every((l) => l === 0)) return;
  const point = hydraulics.at(compiled.prepared.vessel.height(s.v), set);
  if (!point.ok) return;
  for (const [k, i] of set.entries()) {
    if (point.pumps[k]!.flow > 0) continue;
    s.shut |= 1 << i;
    if (!(before & (1 << i)))
      tell(
        run,
        'protection',
        () => phrase`pump ${String(i + 1)} is held shut by the stronger: it runs against a closed valve, and heats`,
      );
  }
}
