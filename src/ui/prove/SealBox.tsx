'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import * as z from 'zod';
import { ask } from '../parts/ask';
import { newKey } from '../parts/browserKeep';
import { Notice } from '../parts/Notice';
import { TextBox } from '../parts/TextBox';
import { clock } from '../parts/when';

export interface SealShown {
  readonly sealedAt: string;
  readonly sealedBy: string;
  readonly hash: string;
  readonly previous: string | null;
}

export interface WordsShown {
  readonly id: number;
  readonly addedAt: string;
  readonly by: string;
  readonly words: string;
}

const sealSchema = z.object({
  seal: z.object({ sealedAt: z.string(), sealedBy: z.string(), hash: z.string(), previous: z.string().nullable() }),
});
const wordsSchema = z.object({
  words: z.object({ id: z.number(), addedAt: z.string(), by: z.string(), words: z.string() }),
});

const problems = (answer: { ok: false | null; why?: string; problems?: readonly { message: string }[] }): string =>
  answer.ok === null ? answer.why! : answer.problems!.map((p) => p.message).join('; ');

/** Words that came after the seal, and where more are added. */
function Words({
  runId,
  who,
  before,
  open,
}: {
  runId: number;
  who: string;
  before: readonly WordsShown[];
  open: boolean;
}) {
  const [words, setWords] = useState(before);
  const [text, setText] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  const add = async () => {
    const answer = await ask(`/api/runs/${runId}/words`, wordsSchema, {
      method: 'POST',
      body: JSON.stringify({ by: who, words: text }),
      key: newKey(),
    });
    if (!answer.ok) return setFailed(problems(answer));
    setWords([...words, answer.value.words]);
    setText('');
    setFailed(null);
  };
  return (
    <>
      {words.map((w) => (
        <Typography key={w.id} variant="body2" component="p" sx={{ m: 0 }}>
          {clock(w.addedAt)}, {w.by}: {w.words}
        </Typography>
      ))}
      {open && (
        <Box
          component="form"
          onSubmit={(e) => (e.preventDefault(), void add())}
          sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}
        >
          <TextBox
            label="add words"
            value={text}
            onChange={(e) => setText(e.target.value)}
            inputProps={{ maxLength: 2000 }}
          />
          <Button type="submit" disabled={text.trim() === '' || who.trim() === ''} sx={{ minHeight: 40 }}>
            add
          </Button>
        </Box>
      )}
      {failed && <Notice severity="error">Not added: {failed}</Notice>}
    </>
  );
}

/** The seal of a finished run: set once, shown with its word; later words stand beside it. */
export function SealBox({
  runId,
  who,
  against,
  seal,
  words: before,
  onSealed,
}: {
  runId: number;
  who: string;
  /** Why it cannot be sealed yet; null when it can. */
  against: string | null;
  seal: SealShown | null;
  words: readonly WordsShown[];
  onSealed(seal: SealShown): void;
}) {
  const [failed, setFailed] = useState<string | null>(null);
  const send = async () => {
    const answer = await ask(`/api/runs/${runId}/seal`, sealSchema, {
      method: 'POST',
      body: JSON.stringify({ by: who }),
    });
    if (answer.ok) onSealed(answer.value.seal);
    else setFailed(problems(answer));
  };
  return (
    <Box
      component="section"
      aria-label="seal"
      sx={{ borderTop: 1, borderColor: 'text.primary', pt: 1, display: 'flex', flexDirection: 'column', gap: 1 }}
    >
      {seal ? (
        <Typography variant="body2" component="p" sx={{ m: 0, overflowWrap: 'anywhere' }}>
          <b>Sealed</b> {clock(seal.sealedAt)} by {seal.sealedBy}. Word of the seal: <code>{seal.hash}</code>
          {seal.previous ? ', after the run sealed before it' : ', the first of this station'}. Nothing of it changes
          any more.
        </Typography>
      ) : (
        <>
          <Typography variant="body2" component="p" sx={{ m: 0 }}>
            {against ??
              'Every step is entered. Sealed, nothing of it changes any more; later words are added beside it.'}
          </Typography>
          <Button
            variant="contained"
            disabled={against !== null || who.trim() === ''}
            onClick={() => void send()}
            sx={{ minHeight: 48, alignSelf: 'flex-start' }}
          >
            seal this run
          </Button>
        </>
      )}
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
        <a href={`/api/runs/${runId}/report`}>report (PDF)</a>
        {seal && <a href={`/api/runs/${runId}/file`}>the sealed run as a file</a>}
      </Box>
      <Words runId={runId} who={who} before={before} open={seal !== null} />
      {failed && <Notice severity="error">Not done: {failed}</Notice>}
    </Box>
  );
}
