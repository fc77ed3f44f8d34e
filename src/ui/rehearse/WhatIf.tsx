'use client';
import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import type { Consequence, Scenario } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import { quantity, say, type UnitSystem } from '@/core/units';
import type { RehearseApi } from '@/workers/rehearse';
import { useStationSystem } from '../editor/StationProvider';

const HARM = { overflow: 'overflow', dry: 'runs dry' } as const;

function words({ bellAfter, harmAfter, harm, has, hides }: Consequence, system: UnitSystem): [bell: string, harm: string, has: string] {
  const time = (t: number) => say(quantity('time', t), system);
  return [
    bellAfter === null ? (hides ? 'silent: hides until a second fault' : 'silent') : `rings after ${time(bellAfter)}`,
    harmAfter === null || harm === null ? 'none in this time' : `${HARM[harm]} after ${time(harmAfter)}`,
    has === null ? '' : Number.isFinite(has) ? time(has) : 'no warning',
  ];
}

/** Every single fault of the station in this scenario, from its beginning, ranked by how soon it harms. */
export function WhatIf({ station, scenario }: { station: Station; scenario: Scenario }) {
  const system = useStationSystem();
  const [share, setShare] = useState(0);
  const [found, setFound] = useState<{ of: Scenario; list: readonly Consequence[] } | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/rehearse.ts', import.meta.url), { type: 'module' });
    const api: Remote<RehearseApi> = wrap(worker);
    let over = false;
    void api.whatIf(station, scenario, 0, proxy((s: number) => void (over || setShare(s)))).then((list) => void (over || setFound({ of: scenario, list })));
    return () => {
      over = true;
      worker.terminate();
    };
  }, [station, scenario]);
  if (found?.of !== scenario) return <LinearProgress variant="determinate" value={share * 100} aria-label="trying every fault" sx={{ m: 1.5 }} />;
  return (
    <Box sx={{ px: 1 }}>
      <Table size="small" aria-label="what if">
        <TableHead>
          <TableRow>
            {['fault', 'the bell', 'harm', 'time for a person'].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {found.list.map((c) => {
            const [bell, harm, has] = words(c, system);
            return (
              <TableRow key={c.id}>
                <TableCell sx={{ fontWeight: 600 }}>{c.says}</TableCell>
                <TableCell>{bell}</TableCell>
                <TableCell>{harm}</TableCell>
                <TableCell>{has}</TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </Box>
  );
}
