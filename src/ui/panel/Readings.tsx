'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { readingsSentence } from '@/core/dependence';
import { cautions, DEFERENCE, expectedReadings, readingWords, usualInputs, type ExpectedReading } from '@/core/wiring';
import { useEditor } from '../editor/StationProvider';
import { usePanel } from './PanelProvider';

const MODE = { 'ac-volts': 'V alternating', 'dc-volts': 'V direct' } as const;

const shown = (reading: ExpectedReading['rest']) => {
  const { shown: figure, means } = readingWords(reading);
  return means ? `${figure} (${means})` : figure;
};

/** What the meter should show over every field input at rest and with that one worked, for the panel’s door. */
export function Readings() {
  const { wired, station, panel } = usePanel((s) => s.live!);
  const setMeter = usePanel((s) => s.setMeter);
  const revision = useEditor((s) => s.saved.revision);
  const rows = useMemo(() => expectedReadings(wired, usualInputs(station, wired)), [station, wired]);
  const rests = useMemo(() => readingsSentence(station), [station]);
  const low = station.sensors.some((s) => s.role === 'low');
  return (
    <Box sx={{ p: 1.5, '@media print': { p: 0 } }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', mb: 1 }}>
        <Typography component="h2" variant="h2" sx={{ flex: 1 }}>
          {station.identity.name}: expected readings,{' '}
          {low ? 'low float lifted, the others hanging' : 'all floats hanging'}, power on
        </Typography>
        <Button
          className="no-print"
          variant="outlined"
          onClick={() => window.print()}
          sx={{ '@media print': { display: 'none' } }}
        >
          print for the door
        </Button>
      </Box>
      {rests !== null && (
        <Typography variant="body2" role="note" sx={{ mb: 1 }}>
          {rests}
        </Typography>
      )}
      <Table size="small" aria-label="expected readings">
        <TableHead>
          <TableRow>
            {['input', 'between', 'meter', 'at rest', 'worked', 'try it'].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((r) => (
            <TableRow key={`${r.device}${r.a}${r.b}`}>
              <TableCell>{r.label}</TableCell>
              <TableCell>
                {r.a} – {r.b}
              </TableCell>
              <TableCell>{MODE[r.mode]}</TableCell>
              <TableCell>{shown(r.rest)}</TableCell>
              <TableCell>{shown(r.worked)}</TableCell>
              <TableCell>
                <Button
                  className="no-print"
                  sx={{ minHeight: 24, py: 0, '@media print': { display: 'none' } }}
                  onClick={() => setMeter({ mode: r.mode, a: r.a, b: r.b, hand: null })}
                >
                  put the meter there
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Box component="ul" aria-label="cautions" sx={{ mt: 2, pl: 2.5 }}>
        {cautions(station, panel).map((c) => (
          <li key={c.sentence}>{c.sentence}</li>
        ))}
        <li>{DEFERENCE}</li>
      </Box>
      <Typography variant="label">revision {revision}</Typography>
    </Box>
  );
}
