'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useState } from 'react';
import { chancesSchema, usualChances, type Chance, type Chances } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import { quantity, say, sayPhrase, type Phrase, type Format } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { QuantityInput } from '../parts/QuantityInput';
import { Reading } from '../parts/Reading';
import { useTask } from './useRehearsal';
import { Notice } from '../parts/Notice';

type Answer = { ok: true; chance: Chance } | { ok: false; problems: readonly (Phrase | string)[] };

interface Field {
  readonly label: string;
  readonly format: Format;
  get(c: Chances): number;
  set(c: Chances, value: number): Chances;
}

const fields = (storm: boolean): Field[] => [
  {
    label: 'a person comes after',
    format: 'span',
    get: (c) => c.responseTime,
    set: (c, responseTime) => ({ ...c, responseTime }),
  },
  {
    label: 'visits every',
    format: 'span',
    get: (c) => c.visitInterval,
    set: (c, visitInterval) => ({ ...c, visitInterval }),
  },
  {
    label: storm ? 'storms a year' : 'wet days a year',
    format: 'count',
    get: (c) => c.storms.perYear,
    set: (c, perYear) => ({ ...c, storms: { ...c.storms, perYear } }),
  },
  {
    label: 'middle one, × surveyed',
    format: 'factor',
    get: (c) => c.storms.middle,
    set: (c, middle) => ({ ...c, storms: { ...c.storms, middle } }),
  },
  {
    label: 'spread of its logarithm',
    format: 'factor',
    get: (c) => c.storms.spread,
    set: (c, spread) => ({ ...c, storms: { ...c.storms, spread } }),
  },
  {
    label: 'power cuts a year',
    format: 'count',
    get: (c) => c.powerCuts.perYear,
    set: (c, perYear) => ({ ...c, powerCuts: { ...c.powerCuts, perYear } }),
  },
  {
    label: 'middle cut lasts',
    format: 'span',
    get: (c) => c.powerCuts.middle,
    set: (c, middle) => ({ ...c, powerCuts: { ...c.powerCuts, middle } }),
  },
  {
    label: 'storms that cut power',
    format: 'share',
    get: (c) => c.powerCuts.withStorm,
    set: (c, withStorm) => ({ ...c, powerCuts: { ...c.powerCuts, withStorm } }),
  },
  { label: 'faults, × assumed', format: 'factor', get: (c) => c.faults, set: (c, faults) => ({ ...c, faults }) },
  { label: 'years', format: 'count', get: (c) => c.years, set: (c, years) => ({ ...c, years: Math.round(years) }) },
  { label: 'seed', format: 'count', get: (c) => c.seed, set: (c, seed) => ({ ...c, seed: Math.round(seed) }) },
];

/** How often it floods, how sure that is, and what had a part in it. */
function Found({ chance }: { chance: Chance }) {
  const system = useStationSystem();
  const percent = (p: number) => say(quantity('drop', p), system);
  return (
    <Box
      role="group"
      aria-label="chance of an overflow"
      sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 4, rowGap: 1 }}
    >
      <Reading
        label="overflow in a year"
        value={quantity('drop', chance.share)}
        system={system}
        big
        note={`between ${percent(chance.low)} and ${percent(chance.high)}, as sure as 95 % (${chance.yearsWithOverflow} of ${chance.years} years)`}
      />
      <Reading label="mean overflow a year" value={quantity('volume', chance.overflow)} system={system} />
      <Reading label="alarms a year" value={quantity('factor', chance.alarms)} system={system} />
      <Reading
        label="floods that no alarm told of, in all these years"
        value={quantity('count', chance.floodsWithoutAlarm)}
        system={system}
      />
      <Box sx={{ flexBasis: '100%', fontSize: 13 }}>
        <b>What had a part in the floods:</b>{' '}
        {chance.causes.length === 0
          ? 'nothing: there were none.'
          : chance.causes
              .slice(0, 12)
              .map((c) => `${c.label} (${c.floods})`)
              .join(' · ')}
      </Box>
    </Box>
  );
}

/** Chance of an overflow in a year, with storms, power cuts and faults that come by chance. */
export function ChanceSheet({ station }: { station: Station }) {
  const system = useStationSystem();
  const [chances, setChances] = useState(usualChances);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { share, found, failed, go, stop } = useTask<{ of: Chances; by: Station; answer: Answer }>();
  const change = (next: Chances) => {
    const read = chancesSchema.safeParse(next);
    setTrouble(read.success ? null : read.error.issues.map((i) => i.message).join('; '));
    if (read.success) setChances(read.data);
  };
  const answer = found && found.of === chances && found.by === station ? found.answer : null;
  return (
    <Box sx={{ px: 1.5, py: 1, display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(135px, 1fr))', gap: 1 }}>
        {fields(station.inflow.source.kind === 'storm').map((f) => (
          <QuantityInput
            key={f.label}
            label={f.label}
            format={f.format}
            system={system}
            value={f.get(chances)}
            onCommit={(v) => change(f.set(chances, v))}
          />
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <Button
          variant="contained"
          disabled={share !== null}
          onClick={() =>
            go((api, told) => api.chance(station, chances, told).then((a) => ({ of: chances, by: station, answer: a })))
          }
        >
          draw the years
        </Button>
        {share !== null && (
          <>
            <LinearProgress variant="determinate" value={share * 100} aria-label="drawing years" sx={{ flex: 1 }} />
            <Button onClick={stop}>stop</Button>
          </>
        )}
      </Box>
      {trouble && <Notice severity="error">{trouble}. What was there stays.</Notice>}
      {failed && <Notice severity="error">It broke off. Try fewer years.</Notice>}
      {answer && !answer.ok && (
        <Notice severity="error">
          {answer.problems.map((p) => (typeof p === 'string' ? p : sayPhrase(p, system))).join('; ')}
        </Notice>
      )}
      {answer?.ok && <Found chance={answer.chance} />}
      <Box component="p" sx={{ fontSize: 12.5, m: 0 }}>
        How often things come and fail is assumed, not measured here: it weighs one arrangement against another, and
        promises nothing. Each storm, cut and fault is rehearsed whole, with what hides by then; whoever comes to the
        alarm repairs everything.
      </Box>
    </Box>
  );
}
