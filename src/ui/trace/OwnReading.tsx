'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import type { Told } from '@/core/trace';
import { parseQuantity, type Format } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { Pick as Choose } from '../parts/Pick';
import { TextBox } from '../parts/TextBox';

/** What may be dialled, in which unit it reads, and whether it may read open. */
const MODES = {
  'ac-volts': { words: 'volts, AC', format: 'voltage', open: false, help: 'V' },
  'dc-volts': { words: 'volts, DC', format: 'voltage', open: false, help: 'V' },
  'low-z-volts': { words: 'volts, low impedance', format: 'voltage', open: false, help: 'V' },
  ohms: { words: 'ohms', format: 'resistance', open: true, help: 'Ω, or OL for an open line' },
  insulation: { words: 'insulation', format: 'resistance', open: true, help: 'as 500 MΩ, or OL over its end' },
  amps: { words: 'amps, clamp', format: 'current', open: false, help: 'A, round the one core alone' },
} as const satisfies Record<string, { words: string; format: Format; open: boolean; help: string }>;
type Mode = keyof typeof MODES;
const CHOICES = (Object.keys(MODES) as Mode[]).map((m) => [m, MODES[m].words] as const);

const named = (list: readonly string[]) => list.map((one): readonly [string, string] => [one, one]);

/** What was read: a figure, an open line, or nothing that can be read. */
function readingOf(mode: Mode, text: string, system: ReturnType<typeof useStationSystem>) {
  const { format, open } = MODES[mode];
  if (text.trim() === '') return { found: null };
  if (open && /^(ol|open)$/i.test(text.trim())) return { found: 'open' as const };
  const parsed = parseQuantity(format, text, system);
  return parsed.ok ? { found: parsed.value } : { found: null, problem: parsed.reason };
}

interface Props {
  told: Told;
  tell(next: Told): void;
  station: Station;
}

/** A reading that was taken already: between any two points, or with the clamp round any core. */
export function OwnReading({ told, tell, station }: Props) {
  const system = useStationSystem();
  const { points, cores } = useMemo(() => {
    const made = panelOf(station);
    if (!made.ok) return { points: [], cores: [] };
    const pins = made.panel.devices.flatMap((d) =>
      Object.values(d.elements).flatMap((e) => e.pins.map((p) => `${d.tag}:${p}`)),
    );
    return {
      points: [...new Set([...made.panel.terminals.map((t) => t.id), ...pins, 'earth'])],
      cores: made.panel.cores.map((c) => c.id),
    };
  }, [station]);
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const [core, setCore] = useState('');
  const [mode, setMode] = useState<Mode>('ac-volts');
  const [text, setText] = useState('');
  const { found, problem } = readingOf(mode, text, system);
  const { setting } = told;
  const round = mode === 'amps';
  const where = round ? core !== '' : a !== '' && b !== '' && a !== b;
  const put = () => {
    if (setting === null || found === null) return;
    const one = round
      ? ({ kind: 'clamp', core, setting, found } as const)
      : ({ kind: 'probe', a, b, mode, setting, found } as const);
    tell({ ...told, evidence: [...told.evidence, one] });
    setText('');
  };
  return (
    <Box sx={GRID}>
      <Choose label="dialled" value={mode} choices={CHOICES} onPick={(v) => setMode(v)} />
      {round ? (
        <Choose label="round" value={core} choices={named(cores)} onPick={(v) => setCore(v)} empty="" />
      ) : (
        <>
          <Choose label="red on" value={a} choices={named(points)} onPick={(v) => setA(v)} empty="" />
          <Choose label="black on" value={b} choices={named(points)} onPick={(v) => setB(v)} empty="" />
        </>
      )}
      <TextBox
        label="it read"
        value={text}
        onChange={(e) => setText(e.target.value)}
        problem={problem}
        help={setting === null ? 'say first where the water stood' : MODES[mode].help}
      />
      <Button
        variant="outlined"
        disabled={!where || setting === null || found === null}
        onClick={put}
        sx={{ minHeight: 40 }}
      >
        it was so
      </Button>
    </Box>
  );
}

const GRID = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(120px, 1fr))',
  gap: 1.25,
  alignItems: 'start',
  mt: 1,
} as const;
