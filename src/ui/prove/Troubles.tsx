'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { downloadText } from '../parts/download';
import { Notice } from '../parts/Notice';
import type { useRunEntries } from './useRunEntries';
import type { RunId } from './run';

const RUN_KEEPING = {
  full: 'not kept in this browser, whose storage is full: enter each step before you leave',
  forbidden: 'not kept in this browser, which forbids it: enter each step before you leave',
} as const;

/** Said at once, and not by a part that is fetched first: where the signal is lost it could not come. */
const Told = ({ colour, children }: { colour: string; children: string }) => (
  <Box role="alert" sx={{ border: 1, borderColor: colour, borderLeftWidth: 5, borderRadius: '3px', px: 1.5, py: 1 }}>
    <Typography variant="body2" component="span">
      {children}
    </Typography>
  </Box>
);

/** What stands in the way of entering, and what others did meanwhile. */
export function Troubles({ runId, state }: { runId: RunId; state: ReturnType<typeof useRunEntries> }) {
  return (
    <>
      {state.failed && <Told colour="error.main">{state.failed}</Told>}
      {state.meanwhile && <Told colour="warning.main">{state.meanwhile}</Told>}
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
