'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Bench, Entry, WaterNow } from '@/core/drill';
import { quantity, say, type UnitSystem } from '@/core/units';
import { Caution } from '../parts/Caution';

/** Minutes as a clock from the moment one came. */
const at = (minutes: number): string =>
  `${Math.floor(minutes / 60)}:${String(Math.round(minutes) % 60).padStart(2, '0')}`;

/** How it stands, in a line that says it to everybody. */
export function StandingLine({ bench, system }: { bench: Bench; system: UnitSystem }) {
  const { water, minutes, setting, proved } = bench;
  const words = [
    `${at(minutes)} since you came`,
    ...(water
      ? [
          `water at ${say(quantity('height', water.level), system)}`,
          water.running.length > 0 ? `pump ${water.running.join(' and ')} runs` : 'no pump runs',
          ...(water.rings ? ['the alarm rings'] : []),
          ...(water.spilt > 1e-4 ? [`${say(quantity('volume', water.spilt), system)} over the top`] : []),
        ]
      : []),
    ...(setting === 'dead' ? [proved ? 'isolated, proved dead' : 'isolated, not proved dead'] : []),
  ];
  return (
    <Typography role="status" aria-label="how it stands" variant="body1" component="p" sx={{ m: 0, fontWeight: 650 }}>
      {words.join(' · ')}
    </Typography>
  );
}

function OneEntry({ entry }: { entry: Entry }) {
  const { title, found, incidents, evidence } = entry;
  return (
    <Box component="li" sx={{ py: 1, borderTop: 1, borderColor: 'divider' }}>
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        <Typography component="span" variant="readingSmall">
          {at(entry.at)}
        </Typography>{' '}
        {title}
      </Typography>
      {incidents.map((i) => (
        <Caution key={i.says}>
          {i.says} {i.would}
        </Caution>
      ))}
      {found.map((f) => (
        <Typography key={`${f.label} ${f.words}`} variant="body2" component="p" sx={{ m: 0 }}>
          {f.label}: <b>{f.words}</b>
        </Typography>
      ))}
      {entry.act.do === 'look' && found.length === 0 && evidence.length > 0 && (
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          nothing of it shows
        </Typography>
      )}
    </Box>
  );
}

/** What the last thing that was done showed. */
export function Latest({ entries }: { entries: readonly Entry[] }) {
  const last = entries.at(-1);
  if (!last) return null;
  return (
    <Box component="ul" aria-label="what it showed" aria-live="polite" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      <OneEntry entry={last} />
    </Box>
  );
}

const Heard = ({ heard }: { heard: { at: number; says: string } }) => (
  <Typography component="li" variant="body2" sx={{ py: 0.5, fontStyle: 'italic' }}>
    <Typography component="span" variant="readingSmall">
      {at(heard.at)}
    </Typography>{' '}
    {heard.says}
  </Typography>
);

/** What was done and what was heard meanwhile, the newest first. */
export function BenchLog({ entries, heard }: { entries: readonly Entry[]; heard: WaterNow['heard'] }) {
  if (entries.length === 0 && heard.length === 0)
    return (
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        You stand at the pit. Nothing was done yet.
      </Typography>
    );
  const all = [
    ...entries.map((entry, n) => ({ at: entry.at, line: <OneEntry key={n} entry={entry} /> })),
    ...heard.map((h, n) => ({ at: h.at, line: <Heard key={`heard ${n}`} heard={h} /> })),
  ].sort((a, b) => a.at - b.at);
  return (
    <Box component="ol" aria-label="what was done" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {all.map((x) => x.line).reverse()}
    </Box>
  );
}
