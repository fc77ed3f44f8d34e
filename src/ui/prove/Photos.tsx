'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import * as z from 'zod';
import { wentWrong } from '../parts/ask';
import { newKey } from '../parts/browserKeep';
import { useActs } from '../outbox/useActs';
import { actsOfRun } from '../outbox/ofRun';
import { HereOnly } from '../outbox/HereOnly';
import { runAt, type RunId } from './run';
import { Notice } from '../parts/Notice';

export interface PhotoShown {
  readonly id: number;
  readonly stepId: string;
  readonly by: string;
}

const addedSchema = z.object({ photo: z.object({ id: z.number(), stepId: z.string(), by: z.string() }) });

interface Props {
  runId: RunId;
  stationId: number;
  stepId: string;
  by: string;
  photos: readonly PhotoShown[];
  sealed: boolean;
  onAdded(photo: PhotoShown): void;
}

/** Making a photograph smaller, and sending it or keeping it here. */
function useSending({ runId, stationId, stepId, by, onAdded }: Props) {
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (file: File) => {
    setBusy(true);
    const [{ through }, { smaller }] = await Promise.all([import('../outbox/through'), import('../parts/smaller')]);
    const { url, ...belongs } = runAt(runId);
    const answer = await through(
      {
        id: newKey(),
        kind: 'photo',
        what: `photograph: ${stepId}`,
        stationId,
        ...belongs,
        url: `${url}/photos?step=${encodeURIComponent(stepId)}&by=${encodeURIComponent(by)}`,
        method: 'POST',
        body: await smaller(file),
      },
      addedSchema,
    );
    setBusy(false);
    if (answer.ok === 'kept') return setFailed(null);
    if (!answer.ok) return setFailed(wentWrong(answer));
    setFailed(null);
    onAdded(answer.value.photo);
  };
  return { failed, busy, send };
}

/** Photographs of a step: taken or chosen, made smaller here; what was written into them (the place, as it may be) is not kept. */
export function Photos(props: Props) {
  const { runId, stepId, photos, sealed } = props;
  const input = useRef<HTMLInputElement>(null);
  const { failed, busy, send } = useSending(props);
  const { acts } = useActs();
  const here = actsOfRun(acts, runId).filter(
    (a) => a.kind === 'photo' && a.state === 'waiting' && a.url.includes(`step=${encodeURIComponent(stepId)}&`),
  );
  if (sealed && photos.length === 0) return null;
  return (
    <Box role="group" aria-label="photographs" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      {photos.map((p) => (
        <a key={p.id} href={`/api/photos/${p.id}?size=full`} target="_blank" rel="noreferrer">
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture of a person's own, already made small */}
          <img src={`/api/photos/${p.id}`} alt={`photograph by ${p.by || 'nobody named'}`} height={72} />
        </a>
      ))}
      {here.length > 0 && <HereOnly what={here.length === 1 ? 'a photograph' : `${here.length} photographs`} />}
      {!sealed && (
        <>
          <input
            ref={input}
            type="file"
            accept="image/jpeg,image/png,image/webp"
            capture="environment"
            aria-label="photograph of this step"
            hidden
            onChange={(e) => {
              const file = e.target.files?.[0];
              e.target.value = '';
              if (file) void send(file);
            }}
          />
          <Button disabled={busy} onClick={() => input.current?.click()} sx={{ minHeight: 44 }}>
            {busy ? 'sending …' : 'add a photograph'}
          </Button>
        </>
      )}
      {failed && <Notice severity="error">Not kept: {failed}</Notice>}
    </Box>
  );
}
