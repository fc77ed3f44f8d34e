'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { PAGE_KINDS } from '@/core/book';
import { TextBox } from '../parts/TextBox';
import { day } from '../parts/when';
import { searchPages, type Hit } from './sendPage';

/** Words looked for in this book: all of them must stand on a page. */
export function Search({ stationId }: { stationId: number }) {
  const [words, setWords] = useState('');
  const [hits, setHits] = useState<readonly Hit[] | 'away' | null>(null);
  const search = async () => setHits((await searchPages(stationId, words)) ?? 'away');
  return (
    <Box component="form" role="search" onSubmit={(e) => (e.preventDefault(), void search())}>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextBox label="words in this book" value={words} onChange={(e) => setWords(e.target.value)} />
        <Button type="submit" disabled={words.trim() === ''} sx={{ minHeight: 44 }}>
          find
        </Button>
      </Box>
      {hits === 'away' && <Typography variant="body2">The server does not answer.</Typography>}
      {Array.isArray(hits) && hits.length === 0 && <Typography variant="body2">On no page.</Typography>}
      {Array.isArray(hits) && hits.length > 0 && (
        <Box component="ul" aria-label="pages found" sx={{ m: 0, pl: 2.5 }}>
          {(hits as readonly Hit[]).map((h) => (
            <Typography component="li" variant="body2" key={h.id}>
              <a href={`#page-${h.id}`}>
                {day(h.at)}, {PAGE_KINDS.find(([k]) => k === h.kind)![1]}
              </a>
              : {h.words}
            </Typography>
          ))}
        </Box>
      )}
    </Box>
  );
}
