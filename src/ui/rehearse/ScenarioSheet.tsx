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

type Subset<T, K extends keyof T> = { [P in K]: T[P] };
/** Scenario and what changes it, as each part of the sheet takes it. */
type Part<K extends keyof Props = never> = Subset<Props, 'scenario' | 'onChange' | K>;

function Span(props: { label: string; value: number | null; hint?: string; onCommit(value: number): void }) {
  return <QuantityInput format="span" system={useStationSystem()} {...props} />;
}

function Stretches({ scenario, faults, onChange }: Part<'faults'>) {
  const { powerCuts, faults: active } = scenario;
  return (
    <>
      <Typography component="h2" variant="h3" sx={{ my: 0.5 }}>
        power cuts and faults
      </Typography>
      <Box component="ul" aria-label="power cuts and faults" sx={LIST}>
        {powerCuts.map((c, i) => {
          const put = (more: Partial<typeof c>) => onChange({ powerCuts: instead(powerCuts, i, { ...c, ...more }) });
          return (
            <Row
              key={`c${i}`}
              label="power cut"
              remove={`remove power cut ${i + 1}`}
              onRemove={() => onChange({ powerCuts: without(powerCuts, i) })}
            >
              <Span label="from" value={c.from} onCommit={(from) => put({ from })} />
              <Span label="to" value={c.to} onCommit={(to) => put({ to })} />
            </Row>
          );
        })}
        {active.map((f, i) => {
          const put = (more: Partial<typeof f>) => onChange({ faults: instead(active, i, { ...f, ...more }) });
          return (
            <Row
              key={`f${i}`}
              label={faults.find((x) => x.id === f.id)?.label ?? f.id}
              remove={`remove the fault ${f.id}`}
              onRemove={() => onChange({ faults: without(active, i) })}
            >
              <Span label="from" value={f.from} onCommit={(from) => put({ from })} />
              <Span label={f.to === null ? 'to (never)' : 'to'} value={f.to} onCommit={(to) => put({ to })} />
            </Row>
          );
        })}
        {powerCuts.length + active.length === 0 && <li>none: draw one on its lane, or put one in above</li>}
      </Box>
    </>
  );
}

function Operations({ scenario, controls, cursor, onChange }: Part<'controls' | 'cursor'>) {
  const { operations } = scenario;
  const [device, setDevice] = useState('');
  const [state, setState] = useState('');
  const chosen = controls.find((d) => d.tag === device);
  const positionOf = (tag: string, position: string) =>
    controls.find((d) => d.tag === tag)?.positions.find((p) => p.state === position)?.label ?? position;
  return (
    <>
      <Typography component="h2" variant="h3" sx={{ my: 0.5 }}>
        operations by hand
      </Typography>
      <Box component="ul" aria-label="operations by hand" sx={LIST}>
        {operations.map((o, i) => (
          <Row
            key={i}
            label={`${o.device} to ${positionOf(o.device, o.position)}`}
            remove={`remove operation ${i + 1}`}
            onRemove={() => onChange({ operations: without(operations, i) })}
          >
            <Span
              label="at"
              value={o.at}
              onCommit={(at) => onChange({ operations: instead(operations, i, { ...o, at }) })}
            />
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
    </>
  );
}

function AllTheTime({ scenario, onChange }: Part) {
  const system = useStationSystem();
  const { words } = traitsOf({ duty: useEditor((s) => s.document.duty) });
  const { startLevel, responseTime, motorProtection } = scenario;
  const protect = (more: Partial<Scenario['motorProtection']>) =>
    onChange({ motorProtection: { ...motorProtection, ...more } });
  return (
    <>
      <Typography component="h2" variant="h3" sx={{ gridColumn: '1 / -1' }}>
        all the time
      </Typography>
      <InflowChoice scenario={scenario} called={words.inflow} onChange={onChange} />
      <QuantityInput
        label="begins with the water at"
        format="height"
        system={system}
        value={startLevel}
        hint={startLevel === null ? 'the stop level' : undefined}
        onCommit={(level) => onChange({ startLevel: level })}
      />
      <Span
        label="a person comes after the alarm"
        value={responseTime}
        hint={responseTime === null ? 'nobody comes' : 'repairs what failed, resets what tripped'}
        onCommit={(after) => onChange({ responseTime: after })}
      />
      <Span
        label="protector opens, rotor standing"
        value={motorProtection.lockedRotor}
        onCommit={(lockedRotor) => protect({ lockedRotor })}
      />
      <Span
        label="protector opens, in air"
        value={motorProtection.dryRunning}
        onCommit={(dryRunning) => protect({ dryRunning })}
      />
      <Span label="and cools" value={motorProtection.cooling} onCommit={(cooling) => protect({ cooling })} />
      <Box sx={{ display: 'flex', gap: 1, gridColumn: '1 / -1' }}>
        <Button disabled={responseTime === null} onClick={() => onChange({ responseTime: null })}>
          nobody comes
        </Button>
        <Button disabled={startLevel === null} onClick={() => onChange({ startLevel: null })}>
          begin at the stop
        </Button>
      </Box>
    </>
  );
}

/** A scenario typed: power cuts, faults and operations by their times, and what holds all the time. */
export function ScenarioSheet({ scenario, faults, controls, cursor, onChange }: Props) {
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
        <Stretches scenario={scenario} faults={faults} onChange={onChange} />
        <Operations scenario={scenario} controls={controls} cursor={cursor} onChange={onChange} />
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
        <AllTheTime scenario={scenario} onChange={onChange} />
      </Box>
    </Box>
  );
}
