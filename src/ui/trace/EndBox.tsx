'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import type { Bar, KeptPart, Mend, Spare, Thought, Told } from '@/core/trace';
import { useEditor } from '../editor/StationProvider';
import { keep, kept, newKey } from '../parts/browserKeep';
import { TextBox } from '../parts/TextBox';
import { useUnsent } from '../unsent/unsent';

interface Props {
  thought: Thought | null;
  told: Told;
  tell(next: Told): void;
  mend(id: string): Promise<Mend | null>;
}

const WHO = 'pitbell.who';

/** How likely it is, by itself and with something else beside it. */
const shareOf = ({ probability }: Bar, { beside }: Thought): string =>
  beside < 0.005
    ? `${Math.round(probability * 100)} %`
    : `${Math.round(probability * 100)} % by itself, ${Math.round(beside * 100)} % with something else beside it`;

/** What is written in the book of it. */
const wordsOf = (bar: Bar, thought: Thought): string =>
  [
    `Fault traced: ${bar.label} (${shareOf(bar, thought)}).`,
    `Told: ${thought.told.join('; ')}.`,
    ...(bar.like.length > 0 ? [`No test was sure to tell it from: ${bar.like.join('; ')}.`] : []),
  ].join(' ');

/** A line in the book, with the fault that was confirmed. */
function BookLine({ bar, thought, told, tell }: { bar: Bar; thought: Thought } & Pick<Props, 'told' | 'tell'>) {
  const id = useEditor((s) => s.id);
  const unsent = useUnsent();
  const [who, setWho] = useState(() => kept(WHO) ?? '');
  const [said, setSaid] = useState<string | null>(null);
  const key = useRef(newKey());
  const write = async () => {
    const { sendPage } = await import('../book/sendPage');
    keep(WHO, who);
    const sent = await sendPage(
      unsent === null ? id : { after: unsent },
      {
        page: {
          kind: 'visit',
          why: 'call',
          minutes: null,
          words: wordsOf(bar, thought).slice(0, 10_000),
          faults: bar.faults.map((f) => ({ ...f })),
        },
        readings: [],
        at: new Date().toISOString(),
        by: who.trim(),
        corrects: null,
      },
      true,
      key.current,
    );
    setSaid(sent.ok ? null : sent.why);
    if (sent.ok) tell({ ...told, confirmed: bar.id });
  };
  if (told.confirmed === bar.id)
    return (
      <Typography role="status" variant="body1" component="p" sx={{ m: 0 }}>
        {unsent === null ? (
          <>
            It stands in <Link href={`/stations/${id}/book`}>the book</Link>, and counts from now on here and in the
            whole firm.
          </>
        ) : (
          'It goes into the book with the station: on this device only until then.'
        )}
      </Typography>
    );
  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'flex-start', flexWrap: 'wrap' }}>
        <TextBox label="who" value={who} onChange={(e) => setWho(e.target.value)} sx={{ width: 150 }} />
        <Button variant="contained" disabled={who.trim() === ''} onClick={() => void write()} sx={{ minHeight: 44 }}>
          it was so: write it in the book
        </Button>
      </Box>
      {said && (
        <Typography role="alert" variant="body2" color="error">
          Not written: {said}. What was told stands here; try again where there is a signal.
        </Typography>
      )}
    </Box>
  );
}

/** A part of the book in a line: which, since when, how far through its life, and until when it is under warranty. */
const partWords = ({ name, serial, since, gone, warrantyTo, at, place }: KeptPart): string =>
  [
    `${name}${serial ? ` (${serial})` : ''}`,
    at === null ? '' : `in the book of ${at}`,
    at === null && place ? place : '',
    `since ${since}`,
    gone ? `${gone.by} gone` : '',
    warrantyTo ? `warranty to ${warrantyTo}` : '',
  ]
    .filter((w) => w !== '')
    .join(', ');

/** What is asked for in a shop for one device, what sits there, and what lies on a shelf. */
function SpareLine({ of }: { of: Spare }) {
  return (
    <Box component="li" sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        <b>{of.tag}</b> {of.does}: {of.asks}
      </Typography>
      {of.fitted.map((p) => (
        <Typography key={partWords(p)} variant="body2" component="p" sx={{ m: 0 }}>
          Fitted there, by the book: {partWords(p)}.
        </Typography>
      ))}
      {of.shelf.map((p) => (
        <Typography key={partWords(p)} variant="body2" component="p" sx={{ m: 0 }}>
          On the shelf: {partWords(p)}.
        </Typography>
      ))}
      {of.shelf.length === 0 && (
        <Typography variant="body2" component="p" sx={{ m: 0, color: 'text.secondary' }}>
          No book of a station that is looked after has one on its shelf by a name like it.
        </Typography>
      )}
    </Box>
  );
}

/** What may be opened or changed for it, and whether one is at hand. */
function Spares({ all }: { all: readonly Spare[] }) {
  if (all.length === 0) return null;
  const found = all.some((s) => s.shelf.length > 0);
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="label">parts</Typography>
      <Box component="ul" aria-label="parts for the mend" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {all.map((s) => (
          <SpareLine key={s.tag} of={s} />
        ))}
      </Box>
      {found && (
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          What lies on a shelf is found by its name alone: compare its figures with what is asked for.
        </Typography>
      )}
    </Box>
  );
}

/** How it is mended, by which job, and what is tested again. */
function TheMend({ is, id, sure }: { is: Mend; id: number; sure: boolean }) {
  const unsent = useUnsent();
  return (
    <Box component="section" aria-label="the mend" sx={{ borderTop: 1, borderColor: 'text.primary', pt: 1.5 }}>
      <Typography variant="h2">{sure ? 'The mend' : 'The mend, if it is that'}</Typography>
      {is.remedies.map((r) => (
        <Typography key={r} variant="body1" component="p" sx={{ m: 0 }}>
          {r}
        </Typography>
      ))}
      <Typography variant="body2" component="p" sx={{ m: 0, mt: 0.5 }}>
        {is.buys
          ? 'A housing is opened or a part is bought: have one at hand before it is opened.'
          : 'Nothing is bought for it.'}{' '}
        Isolate, lock and prove dead first, as the card of the job says.
      </Typography>
      <Spares all={is.spares} />
      {is.job && (
        <Typography variant="body1" component="p" sx={{ m: 0, mt: 1 }}>
          Job card:{' '}
          {unsent === null ? (
            <Link href={`/stations/${id}/prove?job=${is.job.id}`}>{is.job.title}</Link>
          ) : (
            `${is.job.title}, once the station is sent`
          )}
        </Typography>
      )}
      <Typography variant="body1" component="p" sx={{ m: 0, mt: 1 }}>
        <b>Test again after it:</b>{' '}
        {is.repeat.length === 0
          ? 'no test of the proof would have shown it, each asked.'
          : `${is.repeat.map((r) => r.title).join('; ')}: each would have shown it.`}
      </Typography>
    </Box>
  );
}

/** What it is, why it is believed, what remained open, how it is mended and what is tested again. */
export function EndBox({ thought, told, tell, mend }: Props) {
  const id = useEditor((s) => s.id);
  const [first] = thought?.bars ?? [];
  const [made, setMade] = useState<{ of: string; is: Mend | null } | null>(null);
  const of = first?.id;
  useEffect(() => {
    let over = false;
    if (of !== undefined) void mend(of).then((is) => void (!over && setMade({ of, is })));
    return () => void (over = true);
  }, [of, mend]);
  if (!thought || !first)
    return (
      <Typography variant="body1" sx={{ px: 2.5, pt: 2 }}>
        Nothing is known yet.
      </Typography>
    );
  const is = made?.of === first.id ? made.is : null;
  const open = thought.bars.slice(1).filter((b) => b.probability >= 0.01);
  return (
    <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2, display: 'flex', flexDirection: 'column', gap: 1.75, maxWidth: 720 }}>
      <Box>
        <Typography variant="label">{thought.sure ? 'sure enough to act on' : 'not sure enough yet'}</Typography>
        <Typography variant="h1" component="h2">
          {first.label}
        </Typography>
        <Typography variant="body1" component="p" sx={{ m: 0 }}>
          {shareOf(first, thought)}, of {thought.asked} suspects asked. {first.why}.
        </Typography>
        {first.like.length > 0 && (
          <Typography variant="body1" component="p" sx={{ m: 0 }}>
            No test here is sure to tell it from: {first.like.join('; ')}.
          </Typography>
        )}
      </Box>
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        <b>Still open:</b>{' '}
        {open.length === 0
          ? 'no other suspect over 1 %; what is not in the catalogue was not asked.'
          : `${open.map((b) => `${b.label} (${Math.round(b.probability * 100)} %)`).join('; ')}.`}
      </Typography>
      {is && <TheMend is={is} id={id} sure={thought.sure} />}
      {thought.putBack.length > 0 && (
        <Typography
          role="note"
          variant="body1"
          component="p"
          sx={{ m: 0, borderLeft: 3, borderColor: 'text.primary', pl: 1 }}
        >
          <b>Before anybody leaves:</b> {thought.putBack.join('; ')}.
        </Typography>
      )}
      <BookLine bar={first} thought={thought} told={told} tell={tell} />
    </Box>
  );
}
