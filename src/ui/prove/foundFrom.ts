import type { Found, Step } from '@/core/proving';
import { parseQuantity, type UnitSystem } from '@/core/units';
import type { StepDraft } from './runDraftForm';

/** What is typed, as findings; null while something typed cannot be read. */
export function foundFrom(step: Step, draft: Pick<StepDraft, 'readings' | 'seen'>, system: UnitSystem): Found | null {
  const found: Record<string, number | boolean> = {};
  for (const { id, reading } of step.expects) {
    if (reading) {
      const text = draft.readings[id]?.trim() ?? '';
      if (text === '') continue;
      const parsed = parseQuantity(reading.format, text, system);
      if (!parsed.ok) return null;
      found[id] = parsed.value;
    } else if (draft.seen[id] !== undefined) {
      found[id] = draft.seen[id];
    }
  }
  return found;
}
