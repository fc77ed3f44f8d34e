import type { Finding, FindingKind } from '../book';
import type { Evidence } from './belief';

/** What a finding of the book would look like to somebody beside the pumps: the model is asked which suspects show it. */
const SHOWS: Readonly<Partial<Record<FindingKind, string>>> = {
  'pump-weaker': 'longer',
  'line-tighter': 'longer',
  'runs-back': 'more-starts',
  'more-water': 'more-starts',
  'not-told': 'more-starts',
  'short-runs': 'short',
  turns: 'same-pump',
  'never-stops': 'never-stops',
};

/** What the meters have shown, as evidence as sure as the finding is; each symptom once, by its surest finding. */
export function fromBook(findings: readonly Pick<Finding, 'kind' | 'chance'>[]): Evidence[] {
  const sure = new Map<string, number>();
  for (const { kind, chance } of findings) {
    const symptom = SHOWS[kind];
    if (symptom) sure.set(symptom, Math.max(sure.get(symptom) ?? 0.5, Math.min(0.97, 1 - chance)));
  }
  return [...sure].map(([symptom, s]) => ({ kind: 'symptom', symptom, shown: true, sure: s }));
}
