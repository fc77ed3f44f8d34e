'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import dynamic from 'next/dynamic';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { figures, type Rehearsable, type Scenario } from '@/core/rehearsal';
import { sayPhrase } from '@/core/units';
import { vesselOf } from '@/core/vessel';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { downloadJson, fileNameOf } from '../parts/download';
import { StationShaft } from '../shaft/StationShaft';
import { Sheets } from '../parts/Sheets';
import { timeOfDay } from '../parts/when';
import { clock } from './clock';
import { createCursor, cursorAt } from './cursor';
import { useKeptRuns, type Kept } from './keptRun';
import { AtAGlance } from './AtAGlance';
import { PlayBar } from './PlayBar';
import { ScenarioBar, ScenarioFiles } from './ScenarioBar';
import { TimeAxis, type View } from './TimeAxis';
import { useCloser, useMoments } from './useMoment';
import { useRehearsable } from './useRehearsable';
import { useRehearsal, type Ran } from './useRehearsal';
import { Notice } from '../parts/Notice';
import { downloadCsv } from '../parts/csv';

const results = () => import('./results');

// Sheets that are not seen at once are fetched when they are opened.
const Events = dynamic(() => import('./Events').then((m) => m.Events), { ssr: false });
const Learnt = dynamic(() => import('./Learnt').then((m) => m.Learnt));
const PanelThen = dynamic(() => import('./PanelThen').then((m) => m.PanelThen));
const WhatIf = dynamic(() => import('./WhatIf').then((m) => m.WhatIf));
const ChanceSheet = dynamic(() => import('./ChanceSheet').then((m) => m.ChanceSheet));
const ScenarioSheet = dynamic(() => import('./ScenarioSheet').then((m) => m.ScenarioSheet));

type Sheet = 'events' | 'figures' | 'panel' | 'if' | 'chance' | 'scenario';
const SHEETS: readonly (readonly [Sheet, string])[] = [
  ['events', 'what happened, and why'],
  ['figures', 'figures'],
  ['panel', 'panel then'],
  ['if', 'what if'],
  ['chance', 'chance'],
  ['scenario', 'scenario'],
];

/** Nothing is looked at closer than this, s. */
const CLOSEST = 1;

/** The stretch of a rehearsal that is looked at: the whole of it until one looks closer. */
function useView(length: number) {
  const [chosen, setChosen] = useState<View | null>(null);
  const view = useMemo(
    () =>
      chosen && chosen.from < length ? { from: chosen.from, to: Math.min(chosen.to, length) } : { from: 0, to: length },
    [chosen, length],
  );
  const zoom = useCallback(
    (times: number, about: number) =>
      setChosen((was) => {
        const { from, to } = was ?? { from: 0, to: length };
        const span = Math.max((to - from) / times, CLOSEST);
        if (span >= length) return null;
        const share = Math.min(Math.max((about - from) / (to - from), 0), 1);
        const start = Math.min(Math.max(about - share * span, 0), length - span);
        return { from: start, to: start + span };
      }),
    [length],
  );
  /** Goes along with a time that leaves the view. */
  const follow = useCallback(
    (time: number) =>
      setChosen((was) => {
        if (!was || (time >= was.from && time <= was.to)) return was;
        const span = was.to - was.from;
        const from = Math.min(Math.max(time - span * 0.1, 0), Math.max(length - span, 0));
        return { from, to: from + span };
      }),
    [length],
  );
  return { view, zoom, follow, whole: useCallback(() => setChosen(null), []) };
}

/** The scenario that is rehearsed: one that is ready, or one’s own, changed only by what can be read. */
function useScenario(ready: readonly Scenario[]) {
  const station = useEditor((s) => s.judged.context.station);
  const [own, setOwn] = useState<Scenario | null>(null);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const scenario = own && own.duty === station.duty.kind ? own : ready[0]!;
  const take = async (input: unknown) => {
    const { readScenario } = await import('./scenarioReader');
    const read = readScenario(input, station);
    setTrouble(read.ok ? [] : read.problems);
    if (read.ok) setOwn(read.scenario);
  };
  return {
    ready,
    scenario,
    trouble,
    choose: (name: string) => (setTrouble([]), setOwn(ready.find((s) => s.name === name) ?? own)),
    change: (more: Partial<Scenario>) =>
      void take({ ...scenario, ...more, name: scenario.name.replace(/( \(changed\))?$/, ' (changed)').slice(-80) }),
    async bring(file: File) {
      try {
        await take(JSON.parse(await file.text()));
      } catch {
        setTrouble([`${file.name} is not JSON`]);
      }
    },
  };
}

/** A run as it is kept to lay another beside it: by its scenario and the time of day. */
const keptOf = ({ of, run, scenario }: Ran): Kept => {
  const { height } = vesselOf(of.vessel);
  return {
    name: `${scenario.name}, ${timeOfDay(new Date())}`,
    figures: figures(of, run),
    trace: run.trace,
    greatest: Array.from(run.trace.greatest, (v) => (Number.isFinite(v) ? height(v) : null)),
  };
};

/** Running the station through time before there is water. */
export function RehearseView({ revision, stored }: { revision: number; stored: Rehearsable }) {
  const id = useEditor((s) => s.id);
  const context = useEditor((s) => s.judged.context);
  const { station } = context;
  const setLevel = useEditor((s) => s.setLevel);
  const system = useStationSystem();
  const { scenarios, faults, controls, of } = useRehearsable(revision, stored);
  const { ready, scenario, trouble, choose, change, bring } = useScenario(scenarios);
  const [chosenFault, setFault] = useState<string | null>(null);
  const fault = faults.find((f) => f.id === chosenFault) ?? null;
  const { rehearsed, start, stop } = useRehearsal();
  const [sheet, setSheet] = useState<Sheet>('events');
  const [cursor] = useState(createCursor);
  const { view, zoom, follow, whole } = useView(scenario.duration);
  useMoments(rehearsed, cursor);
  const closer = useCloser(rehearsed, view);
  const kept = useKeptRuns((s) => s.runs[id]);
  const keep = useKeptRuns((s) => s.keep);

  // Run once when the view opens, and whenever scenario or station is another.
  useEffect(() => {
    if (of === station) start(station, scenario);
  }, [start, station, scenario, of]);
  useEffect(() => cursor.subscribe(({ moment }) => void (moment && setLevel(moment.level))), [cursor, setLevel]);

  const go = useCallback(
    (time: number) => {
      cursor.setState({ at: time });
      follow(time);
    },
    [cursor, follow],
  );
  const rounded = (times: readonly { from: number; to: number }[]) =>
    times.map((c) => ({ from: Math.round(c.from), to: Math.round(c.to) }));
  const put = (name: string, from: number, to: number | null) =>
    change({
      faults: [...scenario.faults, { from: Math.round(from), to: to === null ? null : Math.round(to), id: name }],
    });
  const putHere = (name: string) => put(name, cursorAt(cursor, scenario.duration), null);
  const file = (what: string, kind: string) => fileNameOf(station.identity.name, what, kind);

  const typed = (
    <ScenarioSheet scenario={scenario} faults={faults} controls={controls} cursor={cursor} onChange={change} />
  );
  const there = (ran: Ran) => (
    <>
      <PlayBar cursor={cursor} length={ran.scenario.duration} view={view} onAt={go} onZoom={zoom} onWhole={whole}>
        <ScenarioFiles
          onFile={(f) => void bring(f)}
          onTakeOut={() => downloadJson(fileNameOf(station.identity.name, scenario.name), scenario)}
        />
      </PlayBar>
      <Box
        sx={{
          height: { xs: 340, md: 'auto' },
          flex: { xs: 'none', md: sheet === 'events' ? '1 1 56%' : '0 1 300px' },
          minHeight: sheet === 'events' ? 260 : 240,
        }}
      >
        <TimeAxis
          context={context}
          trace={(closer ?? ran.run).trace}
          scenario={ran.scenario}
          system={system}
          view={view}
          kept={kept}
          cursor={cursor}
          onAt={go}
          onZoom={zoom}
          faultName={(f) => faults.find((x) => x.id === f)?.label ?? f}
          onPowerCuts={(cuts) => change({ powerCuts: rounded(cuts) })}
          onFaults={(list) =>
            change({
              faults: list.map((f) => ({
                ...f,
                from: Math.round(f.from),
                to: f.to === null ? null : Math.round(f.to),
              })),
            })
          }
          onFault={(from, to) => fault && put(fault.id, from, to)}
        />
      </Box>
      {sheet === 'events' && <AtAGlance station={ran.of} run={ran.run} />}
      <Box
        sx={{
          height: { xs: 520, md: 'auto' },
          flex: { xs: 'none', md: sheet === 'events' ? '1 1 34%' : '1 1 55%' },
          minHeight: 160,
          display: 'flex',
          flexDirection: 'column',
          borderTop: 1,
          borderColor: 'divider',
        }}
      >
        <Sheets<Sheet>
          label="under the time axis"
          sheets={SHEETS}
          sheet={sheet}
          onSheet={setSheet}
          beside={
            <>
              <Button
                onClick={() =>
                  void results().then((r) => downloadCsv(file('events', 'csv'), r.eventRows(closer ?? ran.run, system)))
                }
              >
                events CSV
              </Button>
              <Button
                onClick={() =>
                  void results().then((r) => downloadCsv(file('trace', 'csv'), r.traceRows(ran.of, closer ?? ran.run)))
                }
              >
                trace CSV
              </Button>
              <Button
                onClick={() =>
                  void results().then((r) =>
                    downloadJson(
                      fileNameOf(station.identity.name, 'rehearsal'),
                      r.report(ran.of, ran.scenario, ran.run, system),
                    ),
                  )
                }
              >
                result JSON
              </Button>
            </>
          }
          sx={{ flex: 1 }}
        >
          {sheet === 'events' && <Events told={closer ?? ran.run} onAt={go} />}
          {sheet === 'figures' && (
            <Learnt
              station={ran.of}
              scenario={ran.scenario}
              run={ran.run}
              kept={kept}
              onKeep={(yes) => keep(id, yes ? keptOf(ran) : null)}
            />
          )}
          {sheet === 'panel' && <PanelThen station={ran.of} cursor={cursor} />}
          {sheet === 'if' && <WhatIf station={ran.of} scenario={ran.scenario} onPut={putHere} />}
          {sheet === 'chance' && <ChanceSheet station={ran.of} />}
          {sheet === 'scenario' && typed}
        </Sheets>
      </Box>
    </>
  );

  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '288px minmax(0, 1fr)' }, height: { md: '100%' } }}
    >
      <Box sx={{ minHeight: { xs: 420, md: 0 }, borderRight: { md: 1 }, borderColor: { md: 'divider' } }}>
        <StationShaft guess={{ width: 286, height: 660 }} beside />
      </Box>
      <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}>
        <ScenarioBar
          scenario={scenario}
          ready={ready}
          faults={faults}
          fault={fault}
          cursor={cursor}
          onFault={setFault}
          onPut={putHere}
          onChoose={(name) => {
            choose(name);
            whole();
          }}
          onChange={change}
        />
        {trouble.length > 0 && <Notice severity="error">{trouble.join('; ')}. The scenario is left as it was.</Notice>}
        {rehearsed.state === 'refused' && (
          <Notice severity="error">
            {rehearsed.problems.map((p) => (typeof p === 'string' ? p : sayPhrase(p, system))).join('; ')}
          </Notice>
        )}
        {/* A fault or a hand that this panel has no part for is taken out here. */}
        {rehearsed.state === 'refused' && controls.length > 0 && typed}
        {rehearsed.state === 'failed' && (
          <Notice severity="error">The rehearsal broke off. Change something, or open the page again.</Notice>
        )}
        {rehearsed.state === 'stopped' && (
          <Notice severity="info" action={<Button onClick={() => start(station, scenario)}>run</Button>}>
            Stopped.
          </Notice>
        )}
        {rehearsed.state === 'running' && (
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', px: 1.5, py: 1 }}>
            <LinearProgress
              variant="determinate"
              value={rehearsed.share * 100}
              aria-label="rehearsing"
              sx={{ flex: 1 }}
            />
            <Button onClick={stop}>stop</Button>
          </Box>
        )}
        {rehearsed.state === 'there' && rehearsed.run.endedEarly && (
          <Notice severity="warning">
            It ended at {clock(rehearsed.run.duration)}: {sayPhrase(rehearsed.run.endedEarly, system)}.
          </Notice>
        )}
        {rehearsed.state === 'there' && there(rehearsed)}
      </Box>
    </Box>
  );
}
