'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Fragment, useState } from 'react';
import { meterName, meterOf, meterSays, PAGE_KINDS, VISIT_REASONS, type Page, type PageKept } from '@/core/book';
import type { UnitSystem } from '@/core/units';
import { TextBox } from '../parts/TextBox';
import { clock, day, shortDay } from '../parts/when';

const words = (list: readonly (readonly [label: string, value: string | number | null])[]): string =>
  list
    .flatMap(([label, value]) => (value === null || value === '' ? [] : [label ? `${label}: ${value}` : `${value}`]))
    .join(' · ');

/** What stands on a page, in lines. */
function linesOf(page: Page): string[] {
  switch (page.kind) {
    case 'visit':
      return [page.words];
    case 'alarm':
      return [
        words([
          ['', page.rang],
          ['min', page.minutes],
        ]),
        words([
          ['it was', page.was],
          ['done', page.done],
        ]),
      ];
    case 'part':
      return [
        words([
          ['', `${page.name}, ${page.state}`],
          ['', page.place],
          ['serial', page.serial],
        ]),
        words([
          ['life, years', page.years],
          ['hours', page.hours],
          ['starts', page.starts],
          ['warranty to', page.warrantyTo],
          ['through', page.through],
        ]),
      ];
    case 'meter':
      return [`${page.meter} ${page.rollsAt === null ? 'does not roll over' : `rolls over at ${page.rollsAt}`}`];
    case 'site':
      return [
        words([
          ['way in', page.access],
          ['keys', page.keys],
          ['gas and air', page.gas],
          ['dog', page.dog],
          ['call', page.call],
          ['owner', page.owner],
        ]),
      ];
    case 'rule':
      return [
        words([
          ['', page.what],
          ['every, days', page.days],
          ['hours run', page.hours],
          ['starts', page.starts],
          ['in month', page.month],
        ]),
      ];
    case 'later':
      return [
        words([
          ['', page.due],
          ['until', page.until],
          ['because', page.why],
        ]),
      ];
    case 'struck':
      return [page.why];
  }
}

const titleOf = (page: Page): string => {
  const name = PAGE_KINDS.find(([k]) => k === page.kind)![1];
  return page.kind === 'visit' ? `${name}: ${VISIT_REASONS.find(([w]) => w === page.why)![1]}` : name;
};

/** Readings pump by pump. */
const inOrder = (readings: PageKept['readings']) =>
  [...readings].sort(
    (a, b) => (meterOf(a.meter)?.pump ?? 9) - (meterOf(b.meter)?.pump ?? 9) || a.meter.localeCompare(b.meter),
  );

/** Striking a page out: why, and then it stands there struck. */
function Strike({ onStrike }: { onStrike(why: string): void }) {
  const [asked, setAsked] = useState(false);
  const [why, setWhy] = useState('');
  if (!asked)
    return (
      <Button onClick={() => setAsked(true)} sx={{ minHeight: 44 }}>
        strike it out
      </Button>
    );
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap' }}>
      <TextBox label="why it does not hold" value={why} onChange={(e) => setWhy(e.target.value)} sx={{ width: 240 }} />
      <Button disabled={why.trim() === ''} onClick={() => onStrike(why.trim())} sx={{ minHeight: 44 }}>
        strike it out
      </Button>
    </Box>
  );
}

function OnePage({ shown, system, onStrike }: { shown: PageKept; system: UnitSystem; onStrike(why: string): void }) {
  const { page, at, by, writtenAt, readings, correctedBy, corrects, revision } = shown;
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
        {readings.length > 0 && (
          <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 1.5, m: 0 }}>
            {inOrder(readings).map((r) => {
              const meter = meterOf(r.meter)!;
              return (
                <Fragment key={r.id}>
                  <Typography component="dt" variant="label">
                    {meterName(meter)}
                  </Typography>
                  <Typography component="dd" variant="readingSmall" sx={{ m: 0 }}>
                    {meterSays(meter, r.value, system)}
                    {r.newFrom !== null && `, a new meter from ${r.newFrom}`}
                  </Typography>
                </Fragment>
              );
            })}
          </Box>
        )}
        {(struck || corrects !== null) && (
          <Typography variant="label" component="p" sx={{ m: 0 }}>
            {struck && <a href={`#page-${correctedBy}`}>corrected by a later page</a>}
            {corrects !== null && <a href={`#page-${corrects}`}>corrects an earlier page</a>}
          </Typography>
        )}
        {open ? (
          <>
            <Typography variant="label" component="p" sx={{ m: 0 }}>
              written {clock(writtenAt)}, of revision {revision}; what is written stays
            </Typography>
            {!struck && page?.kind !== 'struck' && <Strike onStrike={onStrike} />}
          </>
        ) : (
          <Button size="small" onClick={() => setOpen(true)} aria-label={`more of this page, ${day(at)}`}>
            …
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** Pages, newest first, ruled. */
export function Pages({
  pages,
  system,
  onStrike,
}: {
  pages: readonly PageKept[];
  system: UnitSystem;
  onStrike(page: PageKept, why: string): void;
}) {
  if (pages.length === 0) return <Typography variant="body2">Nothing is written yet.</Typography>;
  return (
    <Box component="ol" aria-label="pages of the book" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {pages.map((p) => (
        <OnePage key={p.id} shown={p} system={system} onStrike={(why) => onStrike(p, why)} />
      ))}
    </Box>
  );
}
