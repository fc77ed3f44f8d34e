'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo, useState } from 'react';
import { cableList, cableRows, DEFERENCE, partRows, partsList, wireList, wireRows } from '@/core/wiring';
import Typography from '@mui/material/Typography';
import { fileNameOf } from '../parts/download';
import { usePanel } from './PanelProvider';
import { downloadCsv } from '../parts/csv';
import { Segments } from '../parts/Segments';

const LISTS = ['wires', 'cables', 'parts'] as const;

/** Wire list, cable list and parts list, as tables and as CSV. @param first which is shown first */
export function Lists({ first = 'wires' }: { first?: (typeof LISTS)[number] }) {
  const { station, wired } = usePanel((s) => s.live!);
  const [list, setList] = useState<(typeof LISTS)[number]>(first);
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
        <Segments label="list" value={list} choices={LISTS.map((l) => [l, l] as const)} onPick={setList} />
        <Button
          variant="outlined"
          onClick={() => void downloadCsv(fileNameOf(station.identity.name, `${list} list`, 'csv'), rows)}
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
