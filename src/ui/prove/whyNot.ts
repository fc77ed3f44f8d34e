import type { Found, Step, Verdict } from '@/core/proving';
import type { StepDraft } from './runDraftForm';

/** What each verdict but a pass wants said. */
const WANTS: Readonly<Record<Exclude<Verdict, 'pass'>, string>> = {
  'not done': 'say in the note why it is not done',
  outside: 'say in the note why it is left so',
  fail: 'say in the note what was wrong',
};

interface Asked {
  readonly step: Step;
  readonly draft: Pick<StepDraft, 'note' | 'decided'>;
  /** Null while something typed cannot be read. */
  readonly found: Found | null;
  readonly proposal: 'pass' | 'fail' | null;
  readonly who: string;
}

/** Why a step cannot be entered with this verdict yet, in a line; null when it can. */
export function whyNot(verdict: Verdict, { step, draft, found, proposal, who }: Asked): string | null {
  if (!found) return 'one figure cannot be read';
  if (who.trim() === '') return 'say who enters it';
  if (draft.note.trim() !== '') return null;
  if (verdict !== 'pass') return WANTS[verdict];
  const undecided = step.decisions.find((d) => draft.decided[d.id] === undefined);
  if (undecided) return `decide first: ${undecided.question}`;
  if (proposal === 'fail') return 'a finding differs from what is expected: to pass it, say why in the note';
  return proposal === 'pass' ? null : 'not everything is entered: to pass it so, say why in the note';
}
