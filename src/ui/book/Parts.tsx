import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Page, PageKept } from '@/core/book';
import { TextBox } from '../parts/TextBox';
import { shortDay } from '../parts/when';
import { linesOf } from './pageLines';
import type { OnWrite } from './shown';

type Part = Extract<Page, { kind: 'part' }>;
type Kept = PageKept & { readonly page: Part };

/** Puts a part that lies on the shelf into its place. */
function Fit({ part, onFit }: { part: Kept; onFit(place: string): void }) {
  const [asked, setAsked] = useState(false);
  const [place, setPlace] = useState(part.page.place);
  if (!asked)
    return (
      <Button onClick={() => setAsked(true)} sx={{ minHeight: 44 }}>
        fit it
      </Button>
    );
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start', width: '100%' }}>
      <TextBox label="where" value={place} onChange={(e) => setPlace(e.target.value)} sx={{ width: 200 }} />
      <Button disabled={place.trim() === ''} onClick={() => onFit(place.trim())} sx={{ minHeight: 44 }}>
        fit it there
      </Button>
    </Box>
  );
}

/** Parts that are fitted or on the shelf: taken out, fitted, and which of them went in together. What was before is kept beneath. */
export function Parts({
  parts,
  together,
  onWrite,
}: {
  parts: readonly PageKept[];
  together: readonly (readonly number[])[];
  onWrite: OnWrite;
}) {
  const there = parts.filter((p): p is Kept => p.page?.kind === 'part' && p.page.state !== 'taken out');
  if (there.length === 0) return null;
  const move = (p: Kept, state: Part['state'], place = p.page.place) =>
    void onWrite({ page: { ...p.page, state, place }, readings: [] }, p.id);
  const names = (ids: readonly number[]) =>
    ids.flatMap((id) => there.find((p) => p.id === id) ?? []).map((p) => p.page.place || p.page.name);
  const pairs = together.map(names).filter((n) => n.length > 1);
  return (
    <Box component="details" sx={{ mb: 1 }}>
      <Typography component="summary" variant="body2" sx={{ minHeight: 32, cursor: 'pointer' }}>
        Parts: {there.length} fitted or on the shelf{pairs.length > 0 && ', some of one age'}
      </Typography>
      {pairs.map((n) => (
        <Typography key={n.join()} variant="body2">
          {n.join(' and ')} went in together: where one goes, look at {n.length > 2 ? 'the others' : 'the other'}.
        </Typography>
      ))}
      <Box component="ul" aria-label="parts" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {there.toReversed().map((p) => (
          <Box
            component="li"
            key={p.id}
            sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, py: 0.75, borderTop: 1, borderColor: 'divider' }}
          >
            <Box sx={{ flex: '1 1 220px', minWidth: 0 }}>
              {linesOf(p.page)
                .filter((l) => l !== '')
                .map((l) => (
                  <Typography key={l} variant="body2">
                    {l}
                  </Typography>
                ))}
              <Typography variant="label">since {shortDay(p.at)}</Typography>
            </Box>
            {p.page.state === 'fitted' ? (
              <Button onClick={() => move(p, 'taken out')} sx={{ minHeight: 44 }}>
                it was taken out
              </Button>
            ) : (
              <Fit part={p} onFit={(place) => move(p, 'fitted', place)} />
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
