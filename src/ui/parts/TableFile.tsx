'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState, type ClipboardEvent, type ReactNode } from 'react';
import { readRows } from './csv';
import { Notice } from './Notice';
import { FileButton } from './FileButton';

const LARGEST_CSV = 1024 * 1024;

interface Props {
  /** What the figures are, as `curve`: names the file field. */
  what: string;
  units: string;
  /** Takes the rows, or says what is wrong with them; nothing is changed then. */
  onRows(rows: string[][]): readonly string[];
  /** Left out where the list has a fixed length. */
  onAdd?(): void;
  addLabel?: string;
  /** More buttons. */
  more?: ReactNode;
  children: ReactNode;
}

/** A list of figures that can be typed, pasted from a sheet, or read from a CSV file. */
export function TableFile({ what, units, onRows, onAdd, addLabel, more, children }: Props) {
  const [refused, setRefused] = useState<readonly string[]>([]);
  const take = async (text: string) => setRefused(onRows(await readRows(text)));
  const readFile = async (chosen: File) => {
    if (chosen.size > LARGEST_CSV)
      return setRefused([`${chosen.name} is ${(chosen.size / 1024 / 1024).toFixed(0)} MB; a ${what} is a few lines`]);
    await take(await chosen.text());
  };
  const paste = (e: ClipboardEvent) => {
    const text = e.clipboardData.getData('text/plain');
    if (!/[\n\t]/.test(text.trim())) return;
    e.preventDefault();
    void take(text);
  };
  return (
    <Box onPaste={paste} sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
      {children}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {onAdd && <Button onClick={onAdd}>{addLabel}</Button>}
        <FileButton
          words={`read a CSV (${units})`}
          label={`${what} file`}
          accept=".csv,text/csv,text/plain"
          onFile={(file) => void readFile(file)}
        />
        {more}
      </Box>
      {refused.length > 0 && (
        <Notice severity="error" onClose={() => setRefused([])}>
          The {what} was not changed. {refused.join('; ')}
        </Notice>
      )}
    </Box>
  );
}
