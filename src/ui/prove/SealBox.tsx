'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import * as z from 'zod';
import { HereOnly } from '../outbox/HereOnly';
import { jsonOf } from '../outbox/act';
import { actsOfRun } from '../outbox/ofRun';
import { useActs } from '../outbox/useActs';
import { newKey } from '../parts/browserKeep';
import { Notice } from '../parts/Notice';
import { useWorks } from '../people/Works';
import { TextBox } from '../parts/TextBox';
import { clock } from '../parts/when';
import { runAt, type OfRun } from './run';

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
function Words({ run, who, before, open }: { run: OfRun; who: string; before: readonly WordsShown[]; open: boolean }) {
  const [words, setWords] = useState(before);
  const [text, setText] = useState('');
  const { acts } = useActs();
  const here = actsOfRun(acts, run.id).filter((a) => a.kind === 'words' && a.state === 'waiting');
  const [failed, setFailed] = useState<string | null>(null);
  const add = async () => {
    const { through } = await import('../outbox/through');
    const { url, ...belongs } = runAt(run.id);
    const answer = await through(
      {
        id: newKey(),
        kind: 'words',
        what: `words to a run: ${text.slice(0, 60)}`,
        stationId: run.stationId,
        ...belongs,
        url: `${url}/words`,
        method: 'POST',
        body: JSON.stringify({ by: who, words: text }),
      },
      wordsSchema,
    );
    if (!answer.ok) return setFailed(problems(answer));
    if (answer.ok === true) setWords([...words, answer.value.words]);
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
      {here.map((w) => (
        <HereOnly key={w.id} what={w.what} />
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

/** Setting the seal, here or at the server, and hearing of one that was set here and has been sent. */
function useSealing(run: OfRun, who: string, seal: SealShown | null, onSealed: (seal: SealShown) => void) {
  const [failed, setFailed] = useState<string | null>(null);
  const { acts } = useActs();
  const here = actsOfRun(acts, run.id).filter((a) => a.state === 'waiting');
  const sealing = here.some((a) => a.kind === 'seal');
  // Sealed while it was looked at: the seal that was kept here has been sent.
  useEffect(() => {
    if (seal) return;
    const sent = actsOfRun(acts, run.id).find((a) => a.kind === 'seal' && a.state === 'sent');
    const read = sent && sealSchema.safeParse(jsonOf(sent.answer));
    if (read?.success) onSealed(read.data.seal);
  }, [acts, run.id, seal, onSealed]);
  const send = async () => {
    const { through } = await import('../outbox/through');
    const { url, ...belongs } = runAt(run.id);
    const answer = await through(
      {
        id: newKey(),
        kind: 'seal',
        what: 'seal of a run',
        stationId: run.stationId,
        ...belongs,
        url: `${url}/seal`,
        method: 'POST',
        body: JSON.stringify({ by: who }),
      },
      sealSchema,
    );
    setFailed(null);
    if (answer.ok === true) onSealed(answer.value.seal);
    else if (!answer.ok) setFailed(problems(answer));
  };
  return { failed, sealing, send };
}

/** The seal of a finished run: set once, shown with its word; later words stand beside it. */
export function SealBox({
  run,
  who,
  against,
  seal,
  words: before,
  onSealed,
}: {
  run: OfRun;
  who: string;
  /** Why it cannot be sealed yet; null when it can. */
  against: string | null;
  seal: SealShown | null;
  words: readonly WordsShown[];
  onSealed(seal: SealShown): void;
}) {
  const works = useWorks();
  const { failed, sealing, send } = useSealing(run, who, seal, onSealed);
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
          {sealing && <HereOnly what="the seal" />}
          <Button
            variant="contained"
            disabled={against !== null || who.trim() === '' || sealing}
            onClick={() => void send()}
            sx={{ minHeight: 48, alignSelf: 'flex-start' }}
          >
            seal this run
          </Button>
        </>
      )}
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap' }}>
        {typeof run.id === 'number' && <a href={`/api/runs/${run.id}/report`}>report (PDF)</a>}
        {seal && <a href={`/api/runs/${run.id}/file`}>the sealed run as a file</a>}
      </Box>
      <Words run={run} who={who} before={before} open={seal !== null && works} />
      {failed && <Notice severity="error">Not done: {failed}</Notice>}
    </Box>
  );
}
