'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from 'next/link';
import type { Problem } from '@/core/station';
import { Notice } from '../parts/Notice';
import { usePrefs } from '../theme/Surface';
import { Masthead } from './Masthead';

interface Props {
  name: string;
  id: number;
  problems: readonly Problem[];
}

/** What stands in place of every view of a station whose document cannot be read: why, and what can be done. */
export function UnreadableView({ id, name, problems }: Props) {
  const { units } = usePrefs();
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: '100dvh' }}>
      <Masthead system={units} crumbs={<h1 style={{ fontSize: 16, margin: 0 }}>{name || `Station ${id}`}</h1>} />
      <Box component="main" sx={{ p: 2, maxWidth: 720 }}>
        <Notice severity="error">
          This station cannot be read. It is kept as it is; the others are not touched by it.
          <ul>
            {problems.slice(0, 12).map((p, i) => (
              <li key={i}>
                {p.path}: {p.message}
              </li>
            ))}
          </ul>
        </Notice>
        <p>
          Export it as it is and look at the file, or restore a backup of the data folder. A file that a newer Pit Bell
          wrote is read by that program.
        </p>
        <Button component="a" href={`/api/stations/${id}/file`} variant="contained">
          export it as it is
        </Button>{' '}
        <Button component={Link} href="/">
          back to Round
        </Button>
      </Box>
    </Box>
  );
}
