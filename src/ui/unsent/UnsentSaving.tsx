'use client';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { useEditor, useEditorStore } from '../editor/StationProvider';
import { numberOf, type Act } from '../outbox/act';
import { notify } from '../parts/notify';

/** So long the hands rest before what they wrote is kept, ms. */
const REST = 400;

/** Keeps what is written as it is written. @returns why it was not kept; null where it was */
function useKeeping(act: Act, sent: boolean): string | null {
  const store = useEditorStore();
  const document = useEditor((s) => s.document);
  const sound = useEditor((s) => s.judged.problems.length === 0 && Object.keys(s.typed).length === 0);
  const kept = useEditor((s) => s.saved.station === s.document);
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => {
    if (sent || kept || !sound) return;
    const save = () =>
      void import('./unsentAct')
        .then(({ saveUnsent }) => saveUnsent(act, document))
        .then(
          () => {
            setFailed(null);
            const { saved, setSaved } = store.getState();
            setSaved({ ...saved, station: document });
          },
          (error: unknown) => setFailed((error as Error).message),
        );
    const timer = setTimeout(save, REST);
    return () => clearTimeout(timer);
  }, [act, document, kept, sent, sound, store]);
  return failed;
}

/** Once the station is sent, goes on at its own address. */
function useGoingOn(act: Act, sent: boolean, view: string): void {
  const store = useEditorStore();
  const going = useRef(false);
  useEffect(() => {
    const number = sent ? numberOf(act) : null;
    if (number === null || going.current) return;
    going.current = true;
    void import('../editor/saving').then(async ({ saveDocument }) => {
      const { document, saved } = store.getState();
      // What the hand wrote while it was being sent goes after it.
      if (document !== saved.station) await saveDocument(number, saved.revision, document);
      void notify('This station is sent: it hangs on the wall');
      location.replace(`/stations/${number}/${view}`);
    });
  }, [act, sent, store, view]);
}

/** How it stands with a station that is on this device only. */
export function UnsentSaving({ act, view }: { act: Act; view: string }) {
  const sent = act.state === 'sent';
  const failed = useKeeping(act, sent);
  useGoingOn(act, sent, view);
  const unsaved = useEditor((s) => s.saved.station !== s.document || Object.keys(s.typed).length > 0);
  const words =
    failed !== null
      ? `not kept: ${failed}`
      : act.state === 'refused'
        ? 'not taken: see “to look at”'
        : unsaved
          ? 'being kept…'
          : 'on this device only';
  return (
    <Typography variant="body2" role="status" aria-label="save state" sx={{ fontWeight: 700 }}>
      {words}
    </Typography>
  );
}
