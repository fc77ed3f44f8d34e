'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { cableList, cableRows, DEFERENCE, partRows, partsList, wireList, wireRows } from '@/core/wiring';
import Typography from '@mui/material/Typography';
import { downloadText, fileNameOf } from '../parts/download';
import { usePanel } from './PanelProvider';

const LISTS = ['wires', 'cables', 'parts'] as const;

/** Wire list, cable list and parts list, as tables and as CSV. */
export function Lists() {
  const { station, wired } = usePanel((s) => s.live!);
  const [list, setList] = useState<(typeof LISTS)[number]>('wires');
  const rows = useMemo(() => {
    switch (list) {
      case 'wires':
        return wireRows(wireList(station, wired));
      case 'cables':
        return cableRows(cableList(station, wired));
      case 'parts':
        return partRows(partsList(station, wired));
    }
  }, [list, station, wired]);
  const [head, ...body] = rows;
  return (
    <Box sx={{ p: 1.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 1 }}>
        <ToggleButtonGroup
          exclusive
          value={list}
          onChange={(_, v: typeof list | null) => v && setList(v)}
          aria-label="list"
        >
          {LISTS.map((l) => (
            <ToggleButton key={l} value={l}>
              {l}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Button
          variant="outlined"
          onClick={() =>
            downloadText(fileNameOf(station.identity.name, `${list} list`, 'csv'), 'text/csv', Papa.unparse(rows))
          }
        >
          write CSV
        </Button>
        <Typography variant="label">{DEFERENCE}</Typography>
      </Box>
      <Table size="small" aria-label={`${list} list`} stickyHeader>
        <TableHead>
          <TableRow>
            {head!.map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {body.map((cells, i) => (
            <TableRow key={i}>
              {cells.map((c, j) => (
                <TableCell key={j}>{c}</TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
