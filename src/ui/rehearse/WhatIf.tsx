'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useEffect } from 'react';
import type { Consequence, Scenario } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { useTask } from './useRehearsal';
import { Notice } from '../parts/Notice';

const HARM = { overflow: 'overflow', dry: 'runs dry', chatter: 'chatters' } as const;

function words(
  { alarmAfter, harmAfter, harm, timeToAct, hidden }: Consequence,
  system: UnitSystem,
): [alarm: string, harm: string, has: string] {
  const time = (t: number) => say(quantity('time', t), system);
  return [
    alarmAfter === null
      ? hidden
        ? 'silent: hides until a second fault'
        : 'silent'
      : `alarm after ${time(alarmAfter)}`,
    harmAfter === null || harm === null ? 'none in this time' : `${HARM[harm]} after ${time(harmAfter)}`,
    timeToAct === null ? '' : Number.isFinite(timeToAct) && timeToAct > 0 ? time(timeToAct) : 'no warning',
  ];
}

/** Every single fault of the station in this scenario, from its beginning, ranked by how soon it harms. */
export function WhatIf({
  station,
  scenario,
  onPut,
}: {
  station: Station;
  scenario: Scenario;
  onPut(id: string): void;
}) {
  const system = useStationSystem();
  const { share, found, failed, go, stop } = useTask<{ of: Scenario; list: readonly Consequence[] }>();
  useEffect(
    () => go((api, told) => api.whatIf(station, scenario, 0, told).then((list) => ({ of: scenario, list }))),
    [go, station, scenario],
  );
  if (failed) return <Notice severity="error">It broke off. Change something, or open the page again.</Notice>;
  if (share !== null)
    return (
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', px: 1.5, py: 1 }}>
        <LinearProgress variant="determinate" value={share * 100} aria-label="trying every fault" sx={{ flex: 1 }} />
        <Button onClick={stop}>stop</Button>
      </Box>
    );
  if (found?.of !== scenario)
    return <Notice severity="info">Stopped. Open this sheet again to try every fault.</Notice>;
  const hiding = found.list.filter((c) => c.hidden).length;
  return (
    <Box sx={{ px: 1 }}>
      <Box component="p" sx={{ fontSize: 13, my: 0.5, px: 0.5 }}>
        {found.list.length} single faults, each from the beginning of this scenario:{' '}
        {found.list.filter((c) => c.harm).length} harm in its time, {hiding} show nothing until a second one comes. Only
        a test finds those.
      </Box>
      <Table size="small" aria-label="what if" sx={{ '& td': { py: 0 } }}>
        <TableHead>
          <TableRow>
            {['fault', 'the alarm', 'harm', 'time for a person', ''].map((h) => (
              <TableCell key={h}>{h}</TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {found.list.map((c) => {
            const [alarm, harm, has] = words(c, system);
            return (
              <TableRow key={c.id}>
                <TableCell sx={{ fontWeight: 600 }} title={`remedy: ${c.remedy}`}>
                  {c.label}
                </TableCell>
                <TableCell>{alarm}</TableCell>
                <TableCell>{harm}</TableCell>
                <TableCell>{has}</TableCell>
                <TableCell padding="none">
                  <Button
                    size="small"
                    sx={{ minHeight: 24, py: 0 }}
                    onClick={() => onPut(c.id)}
                    aria-label={`put in: ${c.label}`}
                  >
                    put in
                  </Button>
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </Box>
  );
}
