'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import { compare, figures, type Rehearsal, type Scenario, type Comparison } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import { quantity, say, sayPhrase, type Quantity, type UnitSystem } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import type { Kept } from './keptRun';

const DENSE = { '& td': { py: 0.25 }, '& td.MuiTableCell-alignRight': { whiteSpace: 'nowrap' } } as const;

const words = (q: Quantity | null | undefined, system: UnitSystem) => (q ? say(q, system) : '–');

interface Props {
  station: Station;
  scenario: Scenario;
  run: Rehearsal;
  kept: Kept | undefined;
  onKeep(keep: boolean): void;
}

/** What the level rules say of it, beside what it came to, and why they differ. */
function BesideRules({ rules }: { rules: readonly Comparison[] }) {
  const system = useStationSystem();
  return (
    <Table size="small" aria-label="beside the rules" sx={DENSE}>
      <TableHead>
        <TableRow>
          <TableCell>beside the rules</TableCell>
          <TableCell align="right">rules say</TableCell>
          <TableCell align="right">this run</TableCell>
          <TableCell>why</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rules.map((c) => (
          <TableRow key={c.id}>
            <TableCell>{c.what}</TableCell>
            <TableCell align="right">{say(c.rules, system)}</TableCell>
            <TableCell align="right" sx={{ fontWeight: 650 }}>
              {say(c.run, system)}
            </TableCell>
            <TableCell>{sayPhrase(c.why, system)}</TableCell>
          </TableRow>
        ))}
        {rules.length === 0 && (
          <TableRow>
            <TableCell colSpan={4}>The rules say nothing here: the pump and its pipe have no common duty.</TableCell>
          </TableRow>
        )}
      </TableBody>
    </Table>
  );
}

/** Everything it comes to, beside the run that was kept; and beside what the level rules say of it. */
export function Learnt({ station, scenario, run, kept, onKeep }: Props) {
  const system = useStationSystem();
  const list = useMemo(() => figures(station, run), [station, run]);
  const rules = useMemo(() => compare(station, scenario, run), [station, scenario, run]);
  const before = new Map(kept?.figures.map((f) => [f.id, f.value]));
  return (
    <Box
      sx={{
        px: 1.5,
        py: 0.5,
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' },
        gap: 2,
        alignItems: 'start',
      }}
    >
      <Box>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Button variant="outlined" onClick={() => onKeep(true)}>
            keep this run to compare
          </Button>
          {kept && <Button onClick={() => onKeep(false)}>let the kept one go</Button>}
        </Box>
        <Table size="small" aria-label="figures" sx={DENSE}>
          <TableHead>
            <TableRow>
              <TableCell>figure</TableCell>
              <TableCell align="right">this run</TableCell>
              {kept && <TableCell align="right">kept: {kept.name}</TableCell>}
            </TableRow>
          </TableHead>
          <TableBody>
            {list.map((f) => (
              <TableRow key={f.id}>
                <TableCell>{f.what}</TableCell>
                <TableCell align="right" sx={{ fontWeight: 650 }}>
                  {words(f.value, system)}
                </TableCell>
                {kept && (
                  <TableCell
                    align="right"
                    sx={{ fontWeight: words(f.value, system) === words(before.get(f.id), system) ? 400 : 650 }}
                  >
                    {words(before.get(f.id), system)}
                  </TableCell>
                )}
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <Box component="p" sx={{ fontSize: 12.5, my: 0.5 }}>
          In less pumped less overflow differs from the change of store by{' '}
          {Math.abs(run.balance.residue * 1000).toExponential(0)} L of{' '}
          {say(quantity('volume', run.balance.inflow), system)}.
        </Box>
      </Box>
      <BesideRules rules={rules} />
    </Box>
  );
}
