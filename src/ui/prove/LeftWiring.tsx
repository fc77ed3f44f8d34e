'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { leftWires, leftWord, wireName, type Decided, type LeftWire } from '@/core/proving';
import { panelOf, type Panel } from '@/core/schemes';
import type { Station } from '@/core/station';
import { Pick } from '../parts/Pick';

const LOOSE = 'loose';

/** One core that is landed otherwise than listed: which, and where. */
function OneCore({ panel, onSay }: { panel: Panel; onSay(wire: LeftWire): void }) {
  const [core, setCore] = useState('');
  const [to, setTo] = useState('');
  const cores = panel.cores.map(
    (c) => [c.id, `${c.colour} of ${c.pin}, listed on ${c.terminal ?? 'none: capped'}`] as const,
  );
  const terminals = [[LOOSE, 'loose, capped'] as const, ...panel.terminals.map((t) => [t.id, t.id] as const)];
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '2fr 1fr auto' }, gap: 1, alignItems: 'center' }}>
      <Pick label="core" value={core} empty="–" choices={cores} onPick={(id) => setCore(String(id))} />
      <Pick label="is on" value={to} empty="–" choices={terminals} onPick={(id) => setTo(String(id))} />
      <Button
        disabled={core === '' || to === ''}
        sx={{ minHeight: 44 }}
        onClick={() => {
          onSay({ kind: 'core', core, to: to === LOOSE ? null : to });
          setCore('');
          setTo('');
        }}
      >
        landed so
      </Button>
    </Box>
  );
}

/** A link that is fitted, or taken out: between which terminals. */
function OneLink({ panel, onSay }: { panel: Panel; onSay(wire: LeftWire): void }) {
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const terminals = panel.terminals.map((t) => [t.id, t.id] as const);
  const say = (fitted: boolean) => {
    onSay({ kind: 'link', a, b, fitted });
    setA('');
    setB('');
  };
  const unsaid = a === '' || b === '' || a === b;
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: '1fr 1fr auto auto' }, gap: 1 }}>
      <Pick label="link from" value={a} empty="–" choices={terminals} onPick={(id) => setA(String(id))} />
      <Pick label="to" value={b} empty="–" choices={terminals} onPick={(id) => setB(String(id))} />
      <Button disabled={unsaid} sx={{ minHeight: 44 }} onClick={() => say(true)}>
        is fitted
      </Button>
      <Button disabled={unsaid} sx={{ minHeight: 44 }} onClick={() => say(false)}>
        is taken out
      </Button>
    </Box>
  );
}

/** Cores and links left otherwise than the wire list has them, said before the box is closed: they become a change of the station. */
export function LeftWiring({
  station,
  value,
  onChange,
}: {
  station: Station;
  value: Decided;
  onChange(decided: Decided): void;
}) {
  const panel = useMemo(() => {
    const made = panelOf(station);
    return made.ok ? made.panel : null;
  }, [station]);
  const [asked, setAsked] = useState(false);
  if (!panel) return null;
  const said = leftWires(value);
  const say = (wire: LeftWire) => {
    const [word, is] = leftWord(wire);
    onChange({ ...value, [word]: is });
  };
  const unsay = (wire: LeftWire) => {
    const { [leftWord(wire)[0]]: _, ...rest } = value;
    onChange(rest);
  };
  return (
    <Box
      role="group"
      aria-label="landed otherwise than listed"
      sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}
    >
      {said.map((w) => (
        <Box key={leftWord(w)[0]} sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {wireName(panel, w)}
          </Typography>
          <Button sx={{ minHeight: 44 }} onClick={() => unsay(w)}>
            take it back
          </Button>
        </Box>
      ))}
      {asked ? (
        <>
          <OneCore panel={panel} onSay={say} />
          <OneLink panel={panel} onSay={say} />
        </>
      ) : (
        <Button sx={{ minHeight: 44, alignSelf: 'flex-start' }} onClick={() => setAsked(true)}>
          something is landed otherwise than the wire list has it
        </Button>
      )}
    </Box>
  );
}
