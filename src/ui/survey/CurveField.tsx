'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { useRef, useState, type ClipboardEvent } from 'react';
import Papa from 'papaparse';
import { setAt } from '@/core/editing';
import { readCurveRows, type CurvePoint } from '@/core/station';
import { unitOf } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { QuantityField } from './fields';

const LARGEST_CSV = 1024 * 1024;
const PATH = 'pumps.0.curve';

/** Rows of cells from CSV or from a paste out of a sheet. */
const rowsOf = (text: string): string[][] => Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data;

/** The pump's curve: points typed, pasted from a sheet, or read from a CSV file. */
export function CurveField() {
  const curve = useEditor((s) => s.document.pumps[0]!.curve);
  const problems = useEditor((s) => s.judged.problems);
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const file = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<readonly string[]>([]);

  const set = (points: readonly CurvePoint[]) => edit((d) => setAt(d, PATH, points));
  const take = (text: string) => {
    const read = readCurveRows(rowsOf(text), system);
    setRefused(read.ok ? [] : read.problems);
    if (read.ok) set(read.points);
  };
  const readFile = async (chosen: File | undefined) => {
    if (!chosen) return;
    if (chosen.size > LARGEST_CSV) return setRefused([`${chosen.name} is ${(chosen.size / 1024 / 1024).toFixed(0)} MB; a curve is a few lines`]);
    take(await chosen.text());
  };
  const paste = (e: ClipboardEvent) => {
    const text = e.clipboardData.getData('text/plain');
    if (!/[\n\t]/.test(text.trim())) return;
    e.preventDefault();
    take(text);
  };
  const addPoint = () => {
    const last = curve.at(-1) ?? { flow: 0, head: 1 };
    const before = curve.at(-2) ?? { flow: 0, head: last.head * 2 };
    set([...curve, { flow: last.flow + Math.max(last.flow - before.flow, 1e-4), head: Math.max(last.head - (before.head - last.head), last.head / 2) }]);
  };

  return (
    <Box onPaste={paste} sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Typography variant="label">curve, from shut-off on; paste two columns here, or read a CSV with the headings flow and head</Typography>
      {curve.map((_, i) => {
        const bad = problems.find((p) => p.path === `${PATH}.${i}`);
        return (
          <Box key={i}>
            <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 36px', gap: 1, alignItems: 'start' }}>
              <QuantityField path={`${PATH}.${i}.flow`} label={`flow ${i + 1}`} kind="flow" />
              <QuantityField path={`${PATH}.${i}.head`} label={`head ${i + 1}`} kind="head" />
              <IconButton aria-label={`remove point ${i + 1}`} disabled={curve.length <= 2} onClick={() => set(curve.filter((_, j) => j !== i))}>
                ×
              </IconButton>
            </Box>
            {bad && (
              <Typography variant="body2" color="error" role="alert">
                {bad.message}
              </Typography>
            )}
          </Box>
        );
      })}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button onClick={addPoint}>add a point</Button>
        <Button onClick={() => file.current?.click()}>read a CSV ({unitOf('flow', system)}, {unitOf('head', system)})</Button>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv,text/plain"
          hidden
          aria-label="curve file"
          onChange={(e) => {
            void readFile(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </Box>
      {refused.length > 0 && (
        <Alert severity="error" onClose={() => setRefused([])}>
          The curve was not changed. {refused.join('; ')}
        </Alert>
      )}
    </Box>
  );
}
