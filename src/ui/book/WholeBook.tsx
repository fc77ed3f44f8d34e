'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { shortDay } from '../parts/when';
import { BookLines } from './BookLines';
import { dueWords } from './DueList';
import { Meaning } from './Meaning';
import { Pages } from './Pages';
import type { BookProps } from './shown';

/** The whole book on paper: what the readings mean, their course, what is due, and every page. */
export function WholeBook({
  pages,
  happened,
  analysis,
  due,
  now,
}: Pick<BookProps, 'pages' | 'happened' | 'analysis' | 'due' | 'now'>) {
  const id = useEditor((s) => s.id);
  const { station } = useEditor((s) => s.judged.context);
  const system = useStationSystem();
  const { name, site } = station.identity;
  return (
    <Box sx={{ height: '100%', overflow: 'auto', p: 2, '@media print': { overflow: 'visible', height: 'auto', p: 0 } }}>
      <Box className="no-print" sx={{ display: 'flex', gap: 2, alignItems: 'center', mb: 2 }}>
        <Button variant="contained" onClick={() => window.print()}>
          print it
        </Button>
        <Link href={`/stations/${id}/book`}>back to the book</Link>
      </Box>
      <Box component="article" aria-label="the whole book" sx={{ maxWidth: 760 }}>
        <Typography variant="h1" component="h2">
          Book of {name}, {site}
        </Typography>
        <Typography variant="label" component="p">
          {pages.length} pages, printed {shortDay(new Date(now).toISOString())}; what was corrected is struck through
        </Typography>
        <Meaning analysis={analysis} stationId={id} system={system} />
        <BookLines analysis={analysis} happened={happened} station={station} system={system} />
        <Typography variant="h2" sx={{ mt: 2 }}>
          What is due
        </Typography>
        {due.map((d) => (
          <Typography key={d.id} variant="body2">
            {d.what}: {dueWords(d, now)}
          </Typography>
        ))}
        <Typography variant="h2" sx={{ mt: 2 }}>
          Pages
        </Typography>
        <Pages stationId={id} pages={pages} system={system} onWrite={null} />
      </Box>
    </Box>
  );
}
