'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useCallback } from 'react';
import { asksWiring, type Expectation, type ProofEntry, type Step } from '@/core/proving';
import { quantity, say, type UnitSystem } from '@/core/units';
import type { Station } from '@/core/station';
import { TextBox } from '../parts/TextBox';
import { DecisionField } from './DecisionField';
import { FoundField } from './FoundField';
import type { StepDraft } from './runDraftForm';
import { Stopwatch } from './Stopwatch';
import { useMeter, type MeterReading } from './useMeter';
import type { RunId } from './run';

// What asks the model of the station comes after the page, where it is wanted.
const ProbeStrip = dynamic(() => import('./ProbeStrip').then((m) => m.ProbeStrip), { ssr: false, loading: () => null });
const LeftWiring = dynamic(() => import('./LeftWiring').then((m) => m.LeftWiring), { ssr: false, loading: () => null });
const DrawdownBox = dynamic(() => import('./DrawdownBox').then((m) => m.DrawdownBox), {
  ssr: false,
  loading: () => null,
});

/** A step as it is filled in. */
export interface Filling {
  readonly runId: RunId;
  readonly station: Station;
  readonly system: UnitSystem;
  readonly step: Step;
  readonly draft: StepDraft;
  /** Nothing is entered any more. */
  readonly sealed: boolean;
  change(more: Partial<StepDraft>): void;
}

/** What is done with one expectation: its field, where the probes go, and a meter that reads it. */
export function useFields({ runId, station, system, step, draft, sealed, change }: Filling) {
  const take = useCallback(
    ({ expectation, value }: MeterReading) => {
      const e = step.expects.find((x) => x.id === expectation);
      if (e?.reading && value !== null)
        change({ readings: { ...draft.readings, [e.id]: say(quantity(e.reading.format, value), system) } });
    },
    [step, draft, change, system],
  );
  const meter = useMeter(runId, take);
  const read = (id: string, text: string) => change({ readings: { ...draft.readings, [id]: text } });
  const see = (id: string, seen: boolean | undefined) => {
    const { [id]: _, ...rest } = draft.seen;
    change({ seen: seen === undefined ? rest : { ...rest, [id]: seen } });
  };
  const beside = (e: Expectation) => (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 0.75 }}>
      {!sealed && (
        <FoundField
          key={`${step.id} ${e.id}`}
          expectation={e}
          system={system}
          text={draft.readings[e.id] ?? ''}
          seen={draft.seen[e.id]}
          onText={(text) => read(e.id, text)}
          onSeen={(seen) => see(e.id, seen)}
        />
      )}
      {e.probes && <ProbeStrip station={station} probes={e.probes} />}
      {e.probes && e.reading && !sealed && (
        <Button
          size="small"
          disabled={meter.busy}
          onClick={() => void meter.hold(step.id, e.id)}
          sx={{ alignSelf: 'flex-start', minHeight: 44 }}
        >
          read it from a meter
        </Button>
      )}
    </Box>
  );
  return { beside, told: meter.told, read };
}

/** What a step asks beside its expectations: decisions, the watch, the drawdown, a note. */
export function StepFields({
  filling,
  latest,
  told,
  onTime,
}: {
  filling: Filling;
  /** What was entered for it last. */
  latest: ProofEntry | undefined;
  told: string | null;
  onTime(id: string, text: string): void;
}) {
  const { station, system, step, draft, sealed, change } = filling;
  const timed = step.expects.filter((e) => e.reading?.format === 'time');
  const drawn = step.expects.some((e) => e.reading?.format === 'levelRate');
  return (
    <>
      {step.decisions.map((d) => (
        <DecisionField
          key={d.id}
          decision={d}
          system={system}
          value={draft.decided[d.id] ?? latest?.decided[d.id]}
          onPick={sealed ? undefined : (id) => change({ decided: { ...draft.decided, [d.id]: id } })}
        />
      ))}
      {!sealed && asksWiring(step) && (
        <LeftWiring station={station} value={draft.decided} onChange={(decided) => change({ decided })} />
      )}
      {told && (
        <Typography variant="body2" role="status">
          {told}
        </Typography>
      )}
      {!sealed && timed.length > 0 && (
        <Stopwatch
          key={step.id}
          onStop={(seconds) => {
            // Into the first time that is still asked.
            const next = timed.find((e) => (draft.readings[e.id] ?? '') === '') ?? timed[0]!;
            onTime(next.id, say(quantity('time', seconds), system));
          }}
        />
      )}
      {!sealed && drawn && (
        <DrawdownBox
          key={step.id}
          station={station}
          system={system}
          onFlow={({ drop, flow }) => change({ readings: { ...draft.readings, drop, flow } })}
        />
      )}
      {!sealed && (
        <TextBox
          label="note"
          value={draft.note}
          multiline
          minRows={1}
          onChange={(e) => change({ note: e.target.value })}
          inputProps={{ maxLength: 2000 }}
        />
      )}
    </>
  );
}
