import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { Fragment, useState } from 'react';
import { meterName, meterOf, meterSays, type PageKept, type ReadingKept } from '@/core/book';
import type { UnitSystem } from '@/core/units';
import { TextBox } from '../parts/TextBox';
import { clock, day, shortDay } from '../parts/when';
import { linesOf, titleOf } from './pageLines';
import { readTyped } from './readingText';
import type { OnWrite } from './shown';

/** Readings pump by pump. */
const inOrder = (readings: PageKept['readings']) =>
  [...readings].sort(
    (a, b) => (meterOf(a.meter)?.pump ?? 9) - (meterOf(b.meter)?.pump ?? 9) || a.meter.localeCompare(b.meter),
  );

/** Asks for one line, and what is done with it. */
function Asked({
  label,
  words,
  wrong,
  onTell,
}: {
  label: string;
  words: string;
  wrong?(text: string): string | undefined;
  onTell(text: string): void;
}) {
  const [asked, setAsked] = useState(false);
  const [text, setText] = useState('');
  if (!asked)
    return (
      <Button onClick={() => setAsked(true)} sx={{ minHeight: 44 }}>
        {words}
      </Button>
    );
  const problem = text.trim() === '' ? undefined : wrong?.(text);
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap', py: 0.5 }}>
      <TextBox
        label={label}
        value={text}
        problem={problem}
        onChange={(e) => setText(e.target.value)}
        sx={{ width: 240 }}
      />
      <Button
        disabled={text.trim() === '' || problem !== undefined}
        onClick={() => onTell(text.trim())}
        sx={{ minHeight: 44 }}
      >
        {words}
      </Button>
    </Box>
  );
}

/** What stood on the meters; one that was misread is corrected by another, and both can be seen. */
function ReadingsOf({
  readings,
  system,
  onCorrect,
}: {
  readings: readonly ReadingKept[];
  system: UnitSystem;
  /** null: nothing is corrected here. */
  onCorrect: ((reading: ReadingKept, value: number) => void) | null;
}) {
  if (readings.length === 0) return null;
  return (
    <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 1.5, m: 0 }}>
      {inOrder(readings).map((r) => {
        const meter = meterOf(r.meter)!;
        return (
          <Fragment key={r.id}>
            <Typography component="dt" variant="label">
              {meterName(meter)}
            </Typography>
            <Box component="dd" sx={{ m: 0 }}>
              <Typography
                variant="readingSmall"
                component="span"
                sx={{ textDecoration: r.stands ? 'none' : 'line-through' }}
              >
                {meterSays(meter, r.value, system)}
                {r.newFrom !== null && `, a new meter from ${r.newFrom}`}
              </Typography>
              {!r.stands && <Typography variant="label"> corrected later</Typography>}
              {onCorrect && r.stands && (
                <Asked
                  label={`${meterName(meter)} stood at`}
                  words="correct it"
                  wrong={(text) => (typeof readTyped(meter, text, system) === 'number' ? undefined : 'is no figure')}
                  onTell={(text) => onCorrect(r, readTyped(meter, text, system)!)}
                />
              )}
            </Box>
          </Fragment>
        );
      })}
    </Box>
  );
}

/** Which revision of the station was found, and which was left. */
function revisions({ foundRevision, revision, page }: PageKept): string {
  const assumed = page?.kind === 'visit' && page.minutes === null ? ' (of two hours, as is assumed)' : '';
  if (foundRevision === null) return `of revision ${revision}`;
  return foundRevision === revision
    ? `revision ${revision} found and left`
    : `revision ${foundRevision} found, ${revision} left by the visit${assumed}`;
}

interface Props {
  stationId: number;
  shown: PageKept;
  system: UnitSystem;
  /** null: it is only read here. */
  onWrite: OnWrite | null;
}

/** What can be done with a page: struck out, its readings corrected. */
function More({ stationId, shown, system, onWrite }: Props & { onWrite: OnWrite }) {
  const { page, writtenAt, correctedBy, readings } = shown;
  const correct = (r: ReadingKept, value: number) => {
    const meter = meterOf(r.meter)!;
    const said = `${meterName(meter)} stood at ${meterSays(meter, value, system)}, not at ${meterSays(meter, r.value, system)}`;
    void onWrite({
      page: { kind: 'visit', why: 'look', minutes: null, words: said },
      readings: [{ meter: r.meter, value, newFrom: r.newFrom, corrects: r.id }],
    });
  };
  return (
    <>
      <Typography variant="label" component="p" sx={{ m: 0 }}>
        written {clock(writtenAt)}, {revisions(shown)}; what is written stays
      </Typography>
      <ReadingsOf readings={correctedBy === null ? readings : []} system={system} onCorrect={correct} />
      {page?.kind === 'visit' && page.run !== undefined && (
        <Link href={`/stations/${stationId}/prove/${page.run}`}>the run that was sealed</Link>
      )}
      {correctedBy === null && page?.kind !== 'struck' && (
        <Asked
          label="why it does not hold"
          words="strike it out"
          onTell={(why) => void onWrite({ page: { kind: 'struck', why }, readings: [] }, shown.id)}
        />
      )}
    </>
  );
}

const Pictures = ({ ids }: { ids: readonly number[] }) => (
  <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', py: 0.5 }}>
    {ids.map((id) => (
      <a key={id} href={`/api/photos/book/${id}?size=full`} target="_blank" rel="noreferrer">
        {/* eslint-disable-next-line @next/next/no-img-element -- a picture of a person's own, already made small */}
        <img src={`/api/photos/book/${id}`} alt="photograph of the visit" height={72} />
      </a>
    ))}
  </Box>
);

/** One page: when, what, by whom, what stood on the meters, and what can be done with it. */
export function OnePage(props: Props) {
  const { shown, system, onWrite } = props;
  const { page, at, by, readings, correctedBy, corrects, photos } = shown;
  const [open, setOpen] = useState(false);
  const struck = correctedBy !== null;
  return (
    <Box
      component="li"
      id={`page-${shown.id}`}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '92px 1fr' },
        columnGap: 1.5,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
        breakInside: 'avoid',
      }}
    >
      <Typography variant="readingSmall" component="time" dateTime={at}>
        {shortDay(at)}
      </Typography>
      <Box sx={{ minWidth: 0, opacity: struck ? 0.65 : 1 }}>
        <Typography variant="h3" component="p" sx={{ m: 0, textDecoration: struck ? 'line-through' : 'none' }}>
          {page ? titleOf(page) : 'a page that this version cannot read'}{' '}
          <Typography component="span" variant="label">
            {by}
          </Typography>
        </Typography>
        {page &&
          linesOf(page)
            .filter((l) => l !== '')
            .map((l) => (
              <Typography key={l} variant="body2" sx={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>
                {l}
              </Typography>
            ))}
        {!open && <ReadingsOf readings={readings} system={system} onCorrect={null} />}
        {photos.length > 0 && <Pictures ids={photos} />}
        {(struck || corrects !== null) && (
          <Typography variant="label" component="p" sx={{ m: 0 }}>
            {struck && <a href={`#page-${correctedBy}`}>corrected by a later page</a>}
            {corrects !== null && <a href={`#page-${corrects}`}>corrects an earlier page</a>}
          </Typography>
        )}
        {onWrite &&
          (open ? (
            <More {...props} onWrite={onWrite} />
          ) : (
            <Button size="small" onClick={() => setOpen(true)} aria-label={`more of this page, ${day(at)}`}>
              …
            </Button>
          ))}
      </Box>
    </Box>
  );
}
