'use client';
import Typography from '@mui/material/Typography';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { shortDay } from '../parts/when';
import { BookLines } from './BookLines';
import { dueWords } from './DueList';
import { Meaning } from './Meaning';
import { Pages } from './Pages';
import { Paper } from './Paper';
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
    <Paper label="the whole book" wide={760}>
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
    </Paper>
  );
}
