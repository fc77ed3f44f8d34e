import { useMemo } from 'react';
import { judgeContext, type Judgement } from '@/core/levels';
import { useEditor } from '../editor/StationProvider';

/** The whole judgement of the document on the screen, or of its last state that held together. */
export function useJudgement(): Judgement {
  const { context, judgement } = useEditor((s) => s.judged);
  return useMemo(() => judgement ?? judgeContext(context), [context, judgement]);
}
