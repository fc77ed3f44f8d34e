'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { traitsOf } from '@/core/duties';
import type { Rehearsable, Scenario } from '@/core/rehearsal';
import { readStormRows, stormRows } from '@/core/station';
import { unitOf } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { fileNameOf } from '../parts/download';
import { Pick } from '../parts/Pick';
import { QuantityInput } from '../parts/QuantityInput';
import { TableFile } from '../parts/TableFile';
import { clock } from './clock';
import { useCursorAt, type CursorStore } from './cursor';
import { downloadCsv } from '../parts/csv';

interface Props {
  scenario: Scenario;
  faults: Rehearsable['faults'];
  controls: Rehearsable['controls'];
  /** Where the cursor stands, s. */
  cursor: CursorStore;
  onChange(more: Partial<Scenario>): void;
}

const without = <T,>(list: readonly T[], i: number): T[] => list.filter((_, k) => k !== i);
const instead = <T,>(list: readonly T[], i: number, item: T): T[] => list.map((x, k) => (k === i ? item : x));

function Row({
  label,
  remove,
  onRemove,
  children,
}: {
  label: string;
  remove: string;
  onRemove(): void;
  children: ReactNode;
}) {
  return (
    <Box
      component="li"
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(140px, 1fr) 130px 130px 84px', gap: 1, alignItems: 'center' }}
    >
      <span>{label}</span>
      {children}
      <Button aria-label={remove} onClick={onRemove}>
        remove
      </Button>
    </Box>
  );
}

const LIST = {
  m: 0,
  p: 0,
  listStyle: 'none',
  display: 'flex',
  flexDirection: 'column',
  gap: 0.75,
  fontSize: 13,
} as const;

const INFLOWS = [
  ['survey', 'as surveyed, through the day'],
  ['low', 'low, steady'],
  ['design', 'design, steady'],
  ['peak', 'peak, steady'],
] as const;

/** What comes in: a kind of the survey, or a table of one’s own. */
function InflowChoice({
  scenario: { inflow },
  called,
  onChange,
}: {
  scenario: Scenario;
  /** What comes in, or is drawn. */
  called: string;
  onChange(more: Partial<Scenario>): void;
}) {
  const system = useStationSystem();
  const name = useEditor((s) => s.document.identity.name);
  const scale = inflow.kind === 'steps' ? 1 : inflow.scale;
  const choose = (kind: string) =>
    kind !== 'steps' &&
    onChange({
      inflow:
        kind === 'survey'
          ? { kind: 'survey', scale }
          : { kind: 'level', which: kind as 'low' | 'design' | 'peak', scale },
    });
  const take = (rows: string[][]) => {
    const read = readStormRows(rows, system);
    if (read.ok) onChange({ inflow: { kind: 'steps', rows: read.rows, repeatEvery: null } });
    return read.ok ? [] : read.problems;
  };
  return (
    <Box sx={{ gridColumn: '1 / -1' }}>
      <TableFile
        what="inflow"
        units={`min, ${unitOf('flow', system)}`}
        onRows={take}
        more={
          inflow.kind === 'steps' && (
            <Button onClick={() => void downloadCsv(fileNameOf(name, 'inflow', 'csv'), stormRows(inflow.rows, system))}>
              write it as CSV
            </Button>
          )
        }
      >
        <Pick
          label={called}
          value={inflow.kind === 'level' ? inflow.which : inflow.kind}
          choices={
            inflow.kind === 'steps'
              ? [...INFLOWS, ['steps', `a table of ${inflow.rows.length} rows, each until the next`] as const]
              : INFLOWS
          }
          onPick={choose}
          sx={{ width: 260 }}
        />
      </TableFile>
    </Box>
  );
}

/** Puts something in where the cursor stands, to the second. */
function AtCursor(props: { cursor: CursorStore; length: number; disabled: boolean; onAt(at: number): void }) {
  const at = useCursorAt(props.cursor, props.length);
  return (
    <Button variant="outlined" disabled={props.disabled} onClick={() => props.onAt(Math.round(at))}>
      at {clock(at)}
    </Button>
  );
}

/** A scenario typed: power cuts, faults and hands by their times, and what holds all the time. */
export function ScenarioSheet({ scenario, faults, controls, cursor, onChange }: Props) {
  const system = useStationSystem();
  const { words } = traitsOf({ duty: useEditor((s) => s.document.duty) });
  const [device, setDevice] = useState('');
  const [state, setState] = useState('');
  const chosen = controls.find((d) => d.tag === device);
  const time = (label: string, value: number | null, onCommit: (value: number) => void) => (
    <QuantityInput label={label} format="span" system={system} value={value} onCommit={onCommit} />
  );
  const { powerCuts, operations, motorProtection } = scenario;
  return (
    <Box
      sx={{
        px: 1.5,
        py: 1,
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' },
        gap: 2,
        alignItems: 'start',
      }}
    >
      <Box>
        <Typography component="h2" variant="h3" sx={{ my: 0.5 }}>
          power cuts and faults
        </Typography>
        <Box component="ul" aria-label="power cuts and faults" sx={LIST}>
          {powerCuts.map((c, i) => (
            <Row
              key={`c${i}`}
              label="power cut"
              remove={`remove power cut ${i + 1}`}
              onRemove={() => onChange({ powerCuts: without(powerCuts, i) })}
            >
              {time('from', c.from, (from) => onChange({ powerCuts: instead(powerCuts, i, { ...c, from }) }))}
              {time('to', c.to, (to) => onChange({ powerCuts: instead(powerCuts, i, { ...c, to }) }))}
            </Row>
          ))}
          {scenario.faults.map((f, i) => (
            <Row
              key={`f${i}`}
              label={faults.find((x) => x.id === f.id)?.label ?? f.id}
              remove={`remove the fault ${f.id}`}
              onRemove={() => onChange({ faults: without(scenario.faults, i) })}
            >
              {time('from', f.from, (from) => onChange({ faults: instead(scenario.faults, i, { ...f, from }) }))}
              {time(f.to === null ? 'to (never)' : 'to', f.to, (to) =>
                onChange({ faults: instead(scenario.faults, i, { ...f, to }) }),
              )}
            </Row>
          ))}
          {powerCuts.length + scenario.faults.length === 0 && <li>none: draw one on its lane, or put one in above</li>}
        </Box>
        <Typography component="h2" variant="h3" sx={{ my: 0.5 }}>
          operations by hand
        </Typography>
        <Box component="ul" aria-label="operations by hand" sx={LIST}>
          {operations.map((h, i) => (
            <Row
              key={i}
              label={`${h.device} to ${controls.find((d) => d.tag === h.device)?.positions.find((p) => p.state === h.position)?.label ?? h.position}`}
              remove={`remove operation ${i + 1}`}
              onRemove={() => onChange({ operations: without(operations, i) })}
            >
              {time('at', h.at, (when) => onChange({ operations: instead(operations, i, { ...h, at: when }) }))}
              <span />
            </Row>
          ))}
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1, alignItems: 'center' }}>
          <Pick
            label="operate"
            value={chosen ? device : ''}
            empty={chosen ? undefined : 'choose…'}
            choices={controls.map((d) => [d.tag, `${d.tag}: ${d.label}`] as const)}
            onPick={(tag) => (setDevice(tag), setState(''))}
            sx={{ width: 210 }}
          />
          <Pick
            label="to position"
            value={state}
            empty={state === '' ? 'choose…' : undefined}
            disabled={!chosen}
            choices={(chosen?.positions ?? []).map((p) => [p.state, p.label] as const)}
            onPick={(to) => setState(to)}
            sx={{ width: 120 }}
          />
          <AtCursor
            cursor={cursor}
            length={scenario.duration}
            disabled={!chosen || state === ''}
            onAt={(at) =>
              onChange({ operations: [...operations, { at, device, position: state }].sort((a, b) => a.at - b.at) })
            }
          />
        </Box>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <Typography component="h2" variant="h3" sx={{ gridColumn: '1 / -1' }}>
          all the time
        </Typography>
        <InflowChoice scenario={scenario} called={words.inflow} onChange={onChange} />
        <QuantityInput
          label="begins with the water at"
          format="height"
          system={system}
          value={scenario.startLevel}
          hint={scenario.startLevel === null ? 'the stop level' : undefined}
          onCommit={(startLevel) => onChange({ startLevel })}
        />
        <QuantityInput
          label="a person comes after the alarm"
          format="span"
          system={system}
          value={scenario.responseTime}
          hint={scenario.responseTime === null ? 'nobody comes' : 'repairs what failed, resets what tripped'}
          onCommit={(responseTime) => onChange({ responseTime })}
        />
        <QuantityInput
          label="protector opens, rotor standing"
          format="span"
          system={system}
          value={motorProtection.lockedRotor}
          onCommit={(lockedRotor) => onChange({ motorProtection: { ...motorProtection, lockedRotor } })}
        />
        {time('protector opens, in air', motorProtection.dryRunning, (dryRunning) =>
          onChange({ motorProtection: { ...motorProtection, dryRunning } }),
        )}
        {time('and cools', motorProtection.cooling, (cooling) =>
          onChange({ motorProtection: { ...motorProtection, cooling } }),
        )}
        <Box sx={{ display: 'flex', gap: 1, gridColumn: '1 / -1' }}>
          <Button disabled={scenario.responseTime === null} onClick={() => onChange({ responseTime: null })}>
            nobody comes
          </Button>
          <Button disabled={scenario.startLevel === null} onClick={() => onChange({ startLevel: null })}>
            begin at the stop
          </Button>
        </Box>
      </Box>
    </Box>
  );
}
