'use client';
import Button from '@mui/material/Button';
import { downloadText } from '../parts/download';
import { Notice } from '../parts/Notice';
import type { useRunEntries } from './useRunEntries';

const RUN_KEEPING = {
  full: 'not kept in this browser, whose storage is full: enter each step before you leave',
  forbidden: 'not kept in this browser, which forbids it: enter each step before you leave',
} as const;

/** What stands in the way of entering, and what others did meanwhile. */
export function Troubles({ runId, state }: { runId: number; state: ReturnType<typeof useRunEntries> }) {
  return (
    <>
      {state.failed && <Notice severity="error">{state.failed}</Notice>}
      {state.meanwhile && <Notice severity="warning">{state.meanwhile}</Notice>}
      {state.keeping !== 'kept' && <Notice severity="error">What you type is {RUN_KEEPING[state.keeping]}.</Notice>}
      {state.aside.map((one) => (
        <Notice key={one.key} severity="warning">
          What was typed in this run and kept in this browser cannot be read by this version; it is set aside.{' '}
          <Button onClick={() => downloadText(`test-run-${runId}-kept.json`, 'application/json', one.text)}>
            download it
          </Button>
          <Button onClick={() => state.throwAway(one)}>throw it away</Button>
        </Notice>
      ))}
    </>
  );
}
