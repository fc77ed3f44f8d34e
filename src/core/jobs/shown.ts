import type { Prediction } from '../tests';
import { say, sayPhrase } from '../units';

/** What a meter's display shows of a prediction: its figure, or words where it is none. @param ghost it is held up by nothing */
export function readingShown(
  found: Prediction,
  ghost: boolean,
): { ok: true; value: number | null; shown: string } | { ok: false; reason: string } {
  switch (found.kind) {
    case 'value': {
      // Under what is called none a display shows nearly nothing.
      const value = found.least === null ? 0 : found.value.value;
      return { ok: true, value, shown: `${say({ ...found.value, value }, 'metric')}${ghost ? ', a ghost' : ''}` };
    }
    case 'seen':
    case 'happening':
      return { ok: true, value: null, shown: sayPhrase(found.sentence, 'metric') };
    case 'good':
      return { ok: false, reason: 'that is looked at, and not metered' };
    case 'untold':
      return { ok: false, reason: sayPhrase(found.why, 'metric') };
  }
}
