'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Rehearsable, Scenario } from '@/core/rehearsal';
import { useStationSystem } from '../editor/StationProvider';
import { Pick } from '../parts/Pick';
import { QuantityInput } from '../parts/QuantityInput';
import { cursorAt, type CursorStore } from './cursor';
import { FaultField } from './FaultField';
import { FileButton, JSON_FILE } from '../parts/FileButton';

interface Props {
  scenario: Scenario;
  ready: readonly Scenario[];
  faults: Rehearsable['faults'];
  fault: Rehearsable['faults'][number] | null;
  cursor: CursorStore;
  onFault(id: string): void;
  onPut(id: string): void;
  onChoose(name: string): void;
  onChange(more: Partial<Scenario>): void;
}

/** What is rehearsed: the scenario, how long and how much water, and what is put in at the cursor. */
export function ScenarioBar({ scenario, ready, faults, fault, cursor, onFault, onPut, onChoose, onChange }: Props) {
  const system = useStationSystem();
  const { inflow, duration } = scenario;
  const named = ready.some((s) => s.name === scenario.name);
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, p: 1, pb: 0.5, alignItems: 'flex-start' }}>
      <Pick
        label="scenario"
        value={scenario.name}
        choices={[...ready.map((s) => s.name), ...(named ? [] : [scenario.name])].map((n) => [n, n] as const)}
        onPick={onChoose}
        sx={{ width: 235 }}
      />
      <Box sx={{ width: 112 }}>
        <QuantityInput
          label="lasts"
          format="span"
          system={system}
          value={duration}
          onCommit={(lasts) => onChange({ duration: lasts })}
        />
      </Box>
      {inflow.kind !== 'steps' && (
        <Box sx={{ width: 84 }}>
          <QuantityInput
            label="inflow ×"
            format="factor"
            system={system}
            value={inflow.scale}
            onCommit={(scale) => onChange({ inflow: { ...inflow, scale } })}
          />
        </Box>
      )}
      <FaultField label="fault to put in" faults={faults} value={fault} onChange={onFault} />
      <Button variant="outlined" disabled={!fault} onClick={() => fault && onPut(fault.id)}>
        at the cursor
      </Button>
      <Button
        variant="outlined"
        onClick={() => {
          const from = Math.round(cursorAt(cursor, duration));
          onChange({ powerCuts: [...scenario.powerCuts, { from, to: from + 3600 }] });
        }}
      >
        cut power for an hour
      </Button>
    </Box>
  );
}

/** The scenario as a file, out and in. */
export function ScenarioFiles({ onFile, onTakeOut }: { onFile(file: File): void; onTakeOut(): void }) {
  return (
    <>
      <Button onClick={onTakeOut}>export</Button>
      <FileButton words="import" label="scenario file" accept={JSON_FILE} onFile={onFile} />
    </>
  );
}
