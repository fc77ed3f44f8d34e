'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { Act } from '../outbox/act';
import { useActs } from '../outbox/useActs';
import { kept, keysUnder } from '../parts/browserKeep';
import { downloadText } from '../parts/download';
import { clock } from '../parts/when';

const STATE: Readonly<Record<Act['state'], string>> = {
  waiting: 'on this device only',
  sent: 'sent',
  refused: 'not taken',
  differs: 'saved elsewhere in between',
};

/** So many of those that were sent are shown. */
const SENT_SHOWN = 8;

/** Where what an act did is looked at. */
function placeOf({ kind, stationId, about, id, state }: Act): string | null {
  if (kind === 'new-station' && state !== 'sent') return `/unsent?act=${id}`;
  if (stationId === null) return null;
  const at = `/stations/${stationId}`;
  if (kind === 'station') return `${at}/levels`;
  if (kind === 'page' || kind === 'page-photo') return `${at}/book`;
  if (kind === 'run') return `${at}/prove/begun?run=${id}`;
  const run = about?.replace('run:', '') ?? '';
  return /^\d+$/.test(run) ? `${at}/prove/${run}` : `${at}/prove/begun?run=${run}`;
}

/** What a person can do with an act that is not taken. */
function Deciding({ act }: { act: Act }) {
  const [sure, setSure] = useState(false);
  const again = () =>
    void import('../outbox/store')
      .then(({ setAct }) => setAct({ ...act, state: 'waiting', why: null }))
      .then(() => import('../outbox/through'))
      .then((t) => t.sendWaiting());
  const file = () =>
    downloadText(
      `pitbell-${act.kind}-${act.id.slice(0, 8)}.json`,
      'application/json',
      typeof act.body === 'string' ? act.body : JSON.stringify({ photograph: act.what, bytes: act.body.size }),
    );
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, '& button': { minHeight: 44 } }}>
      <Button onClick={again}>send again</Button>
      {typeof act.body === 'string' && <Button onClick={file}>keep as a file</Button>}
      <Button
        color="error"
        onClick={() => (sure ? void import('../outbox/store').then(({ dropAct }) => dropAct(act)) : setSure(true))}
      >
        {sure ? 'throw it away: it is nowhere else' : 'throw away'}
      </Button>
    </Box>
  );
}

function OneAct({ act }: { act: Act }) {
  const place = placeOf(act);
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
      <Box sx={{ display: 'flex', gap: 1.5, justifyContent: 'space-between', flexWrap: 'wrap' }}>
        <Typography variant="body2" sx={{ flex: '1 1 200px', minWidth: 0 }}>
          {clock(new Date(act.at).toISOString())}, {place === null ? act.what : <Link href={place}>{act.what}</Link>}
          {act.by !== null && ` (${act.by})`}
        </Typography>
        <Typography
          variant="body2"
          sx={{
            fontWeight: act.state === 'sent' ? 400 : 700,
            color: act.state === 'refused' || act.state === 'differs' ? 'error.main' : 'text.primary',
          }}
        >
          {STATE[act.state]}
        </Typography>
      </Box>
      {act.why !== null && act.state !== 'sent' && <Typography variant="label">{act.why}</Typography>}
      {act.state === 'differs' && (
        <Typography variant="body2">
          <Link href={`/stations/${act.stationId}/levels`}>look at both versions</Link>: what differs is shown field by
          field, to pick from. Nothing was overwritten.
        </Typography>
      )}
      {(act.state === 'refused' || act.state === 'differs') && <Deciding act={act} />}
    </Box>
  );
}

/** How much is begun here and not saved or entered: it is in no outbox. */
function useDrafts(): number {
  const [drafts, setDrafts] = useState(0);
  // What the browser keeps is known only after the page.
  // eslint-disable-next-line react-hooks/set-state-in-effect
  useEffect(() => setDrafts(keysUnder('pitbell.draft.').length + keysUnder('pitbell.run.').filter(holds).length), []);
  return drafts;
}

/** Whether something is kept under a key: a run whose findings are all entered keeps an empty one. */
const holds = (key: string): boolean => (kept(key) ?? '{}') !== '{}';

/** Everything that was written on this device, and how it stands: what is not sent first. */
export function OutboxList() {
  const { acts, unread, read } = useActs();
  const here = acts.filter((a) => a.state !== 'sent');
  const sent = acts
    .filter((a) => a.state === 'sent')
    .slice(-SENT_SHOWN)
    .reverse();
  const drafts = useDrafts();
  const waiting = here.some((a) => a.state === 'waiting');
  return (
    <Box component="section" aria-label="what was written here">
      <Typography variant="h2" sx={{ mb: 1 }}>
        Written on this device
      </Typography>
      {read && here.length === 0 && unread === 0 && (
        <Typography variant="body2" component="p" sx={{ m: 0, mb: 1 }}>
          Everything that was saved or entered here is sent.
        </Typography>
      )}
      {drafts > 0 && (
        <Typography variant="body2" component="p" sx={{ m: 0, mb: 1 }}>
          Begun and not saved or entered: {drafts}. It is kept in this browser alone, at its station or its run.
        </Typography>
      )}
      {waiting && (
        <Button
          variant="contained"
          sx={{ minHeight: 44, mb: 1 }}
          onClick={() => void import('../outbox/through').then((t) => t.sendWaiting())}
        >
          send now
        </Button>
      )}
      {unread > 0 && (
        <Typography role="alert" variant="body2">
          {unread} more of another version of this program: they are kept, and sent by it.
        </Typography>
      )}
      <Box component="ul" aria-label="acts" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {[...here, ...sent].map((act) => (
          <OneAct key={act.id} act={act} />
        ))}
      </Box>
    </Box>
  );
}
