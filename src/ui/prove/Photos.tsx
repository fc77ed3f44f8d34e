'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import * as z from 'zod';
import { ask, wentWrong } from '../parts/ask';
import { newKey } from '../parts/browserKeep';
import { Notice } from '../parts/Notice';

export interface PhotoShown {
  readonly id: number;
  readonly stepId: string;
  readonly by: string;
}

const addedSchema = z.object({ photo: z.object({ id: z.number(), stepId: z.string(), by: z.string() }) });

/** Photographs of a step: taken or chosen, sent as they are; the server keeps the picture and nothing that was written into it. */
export function Photos({
  runId,
  stepId,
  by,
  photos,
  sealed,
  onAdded,
}: {
  runId: number;
  stepId: string;
  by: string;
  photos: readonly PhotoShown[];
  sealed: boolean;
  onAdded(photo: PhotoShown): void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (file: File) => {
    setBusy(true);
    const answer = await ask(
      `/api/runs/${runId}/photos?step=${encodeURIComponent(stepId)}&by=${encodeURIComponent(by)}`,
      addedSchema,
      { method: 'POST', body: file, key: newKey() },
    );
    setBusy(false);
    if (answer.ok) {
      setFailed(null);
      onAdded(answer.value.photo);
    } else setFailed(wentWrong(answer));
  };
  if (sealed && photos.length === 0) return null;
  return (
    <Box role="group" aria-label="photographs" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      {photos.map((p) => (
        <a key={p.id} href={`/api/photos/${p.id}?size=full`} target="_blank" rel="noreferrer">
          {/* eslint-disable-next-line @next/next/no-img-element -- a picture of a person's own, already made small */}
          <img src={`/api/photos/${p.id}`} alt={`photograph by ${p.by || 'nobody named'}`} height={72} />
        </a>
      ))}
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
