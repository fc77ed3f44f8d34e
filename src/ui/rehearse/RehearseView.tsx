'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import TextField from '@mui/material/TextField';
import Papa from 'papaparse';
import { useEffect, useMemo, useRef, useState } from 'react';
import { eventRows, faultsOf, readScenario, readyScenarios, traceRows, type Rehearsal, type Scenario } from '@/core/rehearsal';
import { panelOf } from '@/core/schemes';
import { quantity, say, sayPhrase, type Quantity } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { downloadJson, downloadText, fileNameOf } from '../parts/download';
import { QuantityInput } from '../parts/QuantityInput';
import { Reading } from '../parts/Reading';
import { StationShaft } from '../shaft/StationShaft';
import { TimeAxis } from './TimeAxis';
import { useRehearsal } from './useRehearsal';
import { WhatIf } from './WhatIf';

/** What a rehearsal comes to: for each pump, and for the station. */
function Learnt({ run }: { run: Rehearsal }) {
  const system = useStationSystem();
  const worst = useEditor((s) => s.judged.judgement.worst);
  const figures: (readonly [string, Quantity | null, string?])[] = [
    ...run.pumps.flatMap((p, i): (readonly [string, Quantity | null, string?])[] => [
      [`pump ${i + 1} starts`, quantity('count', p.starts), `worst hour ${p.worstHour}${worst.ok ? `; rules say at most ${say(quantity('rate', worst.startsPerHour), system)}` : ''}`],
      [`pump ${i + 1} ran`, quantity('time', p.ran), `longest ${say(quantity('time', p.longestRun), system)}, rest ${say(quantity('time', p.longestRest), system)}`],
    ]),
    ['bell', quantity('time', run.bell), `${run.bells} times`],
    ['bell to overflow', run.warning === null ? null : quantity('time', run.warning)],
    ['overflow', quantity('volume', run.balance.overflow), `for ${say(quantity('time', run.overflowing), system)}`],
    ['water stays', run.age === null ? null : quantity('time', run.age), 'on the mean'],
    ['energy', quantity('count', run.pumps.reduce((sum, p) => sum + p.energy, 0) / 3.6e6), 'kWh at rated current'],
    ['water in', quantity('volume', run.balance.inflow), `balance off by ${Math.abs(run.balance.residue * 1000).toExponential(0)} L`],
  ];
  return (
    <Box role="group" aria-label="what it comes to" sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(150px, 1fr))', gap: 1.25, px: 1.5, py: 1, borderTop: 1, borderColor: 'divider' }}>
      {figures.map(([label, value, note]) => (
        <Reading key={label} label={label} value={value} system={system} note={note} />
      ))}
    </Box>
  );
}

function Events({ run, onAt }: { run: Rehearsal; onAt(time: number): void }) {
  const system = useStationSystem();
  return (
    <Box component="ol" aria-label="events" sx={{ m: 0, p: 0, listStyle: 'none', fontSize: 13 }}>
      {run.events.slice(0, 400).map((e, i) => (
        <Box component="li" key={i} sx={{ display: 'grid', gridTemplateColumns: '110px 1fr', borderBottom: 1, borderColor: 'divider', px: 1.5, py: 0.25 }}>
          <Button size="small" onClick={() => onAt(e.at)} sx={{ minHeight: 22, p: 0, justifyContent: 'flex-start' }}>
            {say(quantity('time', e.at), system)}
          </Button>
          <span style={{ fontWeight: e.kind === 'float' || e.kind === 'pump' ? 400 : 650 }}>{sayPhrase(e.says, system)}</span>
        </Box>
      ))}
      {run.events.length + run.more > 400 && <Box component="li" sx={{ px: 1.5, py: 0.5 }}>and {run.events.length + run.more - 400} more: take them out as CSV</Box>}
    </Box>
  );
}

/** Running the station through time before there is water. */
export function RehearseView() {
  const station = useEditor((s) => s.judged.judgement.context.station);
  const context = useEditor((s) => s.judged.judgement.context);
  const setLevel = useEditor((s) => s.setLevel);
  const system = useStationSystem();
  const ready = useMemo(() => readyScenarios(station), [station]);
  const [own, setOwn] = useState<Scenario | null>(null);
  const scenario = own && own.duty === station.duty.kind ? own : ready[0]!;
  const made = useMemo(() => panelOf(station), [station]);
  const faults = useMemo(() => (made.ok ? faultsOf(station, made.panel) : []), [made, station]);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [at, setAt] = useState(0);
  const { rehearsed, start, stop } = useRehearsal();
  const [sheet, setSheet] = useState<'events' | 'if'>('events');
  const file = useRef<HTMLInputElement>(null);

  // Run once when the view opens, and whenever scenario or station is another.
  useEffect(() => start(station, scenario), [start, station, scenario]);

  const change = (more: Partial<Scenario>) => {
    const next = { ...scenario, ...more, name: scenario.name.replace(/( \(changed\))?$/, ' (changed)') };
    const read = readScenario(next, station);
    setTrouble(read.ok ? [] : read.problems);
    if (read.ok) setOwn(read.scenario);
  };
  const run = rehearsed.state === 'there' ? rehearsed.run : null;
  const cursor = (time: number) => {
    setAt(time);
    if (!run) return;
    const i = Math.min(Math.floor(time / run.trace.step), run.trace.least.length - 1);
    const [least, greatest] = [run.trace.least[i]!, run.trace.greatest[i]!];
    if (Number.isFinite(least)) setLevel(context.vessel.height((least + greatest) / 2));
  };
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      const read = readScenario(JSON.parse(await chosen.text()), station);
      setTrouble(read.ok ? [] : read.problems);
      if (read.ok) setOwn(read.scenario);
    } catch {
      setTrouble([`${chosen.name} is not JSON`]);
    }
  };
  const names = ready.map((s) => s.name);
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '288px minmax(0, 1fr)' }, height: { md: '100%' } }}>
      <Box sx={{ minHeight: { xs: 420, md: 0 }, borderRight: { md: 1 }, borderColor: { md: 'divider' } }}>
        <StationShaft guess={{ width: 286, height: 660 }} beside />
      </Box>
      <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, p: 1, alignItems: 'flex-start' }}>
          <TextField select label="scenario" value={names.includes(scenario.name) ? scenario.name : 'own'} onChange={(e) => setOwn(ready.find((s) => s.name === e.target.value) ?? own)} sx={{ width: 250 }}>
            {ready.map((s) => (
              <MenuItem key={s.name} value={s.name}>
                {s.name}
              </MenuItem>
            ))}
            {!names.includes(scenario.name) && <MenuItem value="own">{scenario.name}</MenuItem>}
          </TextField>
          <Box sx={{ width: 110 }}>
            <QuantityInput label="lasts" kind="duration" system={system} value={scenario.length} onCommit={(length) => change({ length })} />
          </Box>
          {scenario.inflow.kind !== 'steps' && (
            <Box sx={{ width: 90 }}>
              <QuantityInput label="inflow times" kind="factor" system={system} value={scenario.inflow.scale} onCommit={(scale) => change({ inflow: { ...scenario.inflow, scale } as Scenario['inflow'] })} />
            </Box>
          )}
          <TextField
            select
            label="add a fault"
            value=""
            onChange={(e) => change({ faults: [...scenario.faults, { from: Math.round(at), to: null, id: e.target.value }] })}
            slotProps={{ select: { displayEmpty: true, renderValue: () => 'at the cursor…' } }}
            sx={{ width: 150 }}
          >
            {faults.map((f) => (
              <MenuItem key={f.id} value={f.id}>
                {f.says}
              </MenuItem>
            ))}
          </TextField>
          <Button variant="outlined" onClick={() => change({ powerCuts: [...scenario.powerCuts, { from: Math.round(at), to: Math.round(at) + 3600 }] })}>
            cut power for an hour
          </Button>
          {scenario.faults.map((f, i) => (
            <Button key={i} variant="outlined" aria-label={`remove the fault ${f.id}`} onClick={() => change({ faults: scenario.faults.filter((_, k) => k !== i) })}>
              {faults.find((x) => x.id === f.id)?.says ?? f.id} from {say(quantity('time', f.from), system)} ×
            </Button>
          ))}
          {scenario.powerCuts.map((c, i) => (
            <Button key={`c${i}`} variant="outlined" aria-label={`remove power cut ${i + 1}`} onClick={() => change({ powerCuts: scenario.powerCuts.filter((_, k) => k !== i) })}>
              no power {say(quantity('time', c.from), system)} – {say(quantity('time', c.to), system)} ×
            </Button>
          ))}
          <Button onClick={() => downloadJson(fileNameOf(station.identity.name, scenario.name), scenario)}>take out</Button>
          <Button onClick={() => file.current?.click()}>bring in</Button>
          <input ref={file} type="file" accept=".json,application/json" aria-label="scenario file" hidden onChange={(e) => void take(e.target.files?.[0])} />
          {run && (
            <>
              <Button onClick={() => downloadText(fileNameOf(station.identity.name, 'events', 'csv'), 'text/csv', Papa.unparse(eventRows(run, system)))}>events CSV</Button>
              <Button onClick={() => downloadText(fileNameOf(station.identity.name, 'trace', 'csv'), 'text/csv', Papa.unparse(traceRows(station, run)))}>trace CSV</Button>
            </>
          )}
        </Box>
        {trouble.length > 0 && <Alert severity="error">{trouble.join('; ')}. The scenario is left as it was.</Alert>}
        {rehearsed.state === 'refused' && <Alert severity="error">{rehearsed.problems.map((p) => (typeof p === 'string' ? p : sayPhrase(p, system))).join('; ')}</Alert>}
        {rehearsed.state === 'failed' && <Alert severity="error">The rehearsal broke off. Change something, or open the page again.</Alert>}
        {rehearsed.state === 'stopped' && (
          <Alert severity="info" action={<Button onClick={() => start(station, scenario)}>run</Button>}>
            Stopped.
          </Alert>
        )}
        {rehearsed.state === 'running' && (
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', px: 1.5, py: 1 }}>
            <LinearProgress variant="determinate" value={rehearsed.share * 100} aria-label="rehearsing" sx={{ flex: 1 }} />
            <Button onClick={stop}>stop</Button>
          </Box>
        )}
        {run?.ended && <Alert severity="warning">It ended after {say(quantity('time', run.lasted), system)}: {sayPhrase(run.ended, system)}.</Alert>}
        {run && rehearsed.state === 'there' && (
          <>
            <Box sx={{ flex: '1 1 50%', minHeight: 260 }}>
              <TimeAxis context={context} run={run} scenario={rehearsed.scenario} system={system} at={Math.min(at, rehearsed.scenario.length)} onAt={cursor} onCut={(from, to) => change({ powerCuts: [...scenario.powerCuts, { from: Math.round(from), to: Math.round(to) }] })} />
            </Box>
            <Learnt run={run} />
            <Box sx={{ flex: '1 1 30%', minHeight: 120, overflow: 'auto', borderTop: 1, borderColor: 'divider' }}>
              <Tabs value={sheet} onChange={(_, v: 'events' | 'if') => setSheet(v)} aria-label="under the time axis">
                <Tab value="events" label="what happened, and why" />
                <Tab value="if" label="what if" />
              </Tabs>
              {sheet === 'events' ? <Events run={run} onAt={cursor} /> : <WhatIf station={rehearsed.of} scenario={rehearsed.scenario} />}
            </Box>
          </>
        )}
      </Box>
    </Box>
  );
}
