'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useTheme } from '@mui/material/styles';
import type { Analysis, Span } from '@/core/book';
import { traitsOf } from '@/core/duties';
import type { Station } from '@/core/station';
import { quantity, say, type Quantity, type UnitSystem } from '@/core/units';
import { useSize } from '../shaft/useSize';
import { day } from '../parts/when';
import type { Happened } from './shown';

/** One line over the time of the book: what it is, its value in a span, how it is written. */
interface Row {
  readonly id: string;
  readonly label: string;
  readonly of: (span: Span) => { readonly value: number; readonly by: number } | null;
  readonly write: (value: number) => Quantity;
}

const rowsOf = (pumps: number, inflow: string): Row[] => [
  {
    id: 'inflow',
    label: inflow,
    of: (s) => s.flows?.inflow ?? null,
    write: (v) => quantity('flow', v),
  },
  ...Array.from({ length: pumps }, (_, i): Row => ({
    id: `pump-${i}`,
    label: `${pumps > 1 ? `flow of pump ${i + 1}` : 'flow of the pump'}, by hours and starts`,
    of: (s) => s.flows?.pumps[i] ?? null,
    write: (v) => quantity('flow', v),
  })),
  {
    id: 'starts',
    label: 'starts a day',
    of: (s) => ({ value: (s.starts.reduce((a, b) => a + b, 0) * 86_400_000) / (s.to - s.from), by: 0 }),
    write: (v) => quantity('factor', v),
  },
];

const HIGH = 44;
/** What happened, by its mark; a visit that was only that is a stroke. */
const MARKS: Readonly<Record<Happened['what'], string>> = { alarm: '▲', part: '◆', repair: '■', visit: 'ı' };
const WORDS: Readonly<Record<Happened['what'], string>> = {
  alarm: 'alarm',
  part: 'part',
  repair: 'call or job',
  visit: 'visit',
};

const when = (ms: number) => day(new Date(ms).toISOString());

/** One row over time: the band is how it was at first, the line how it went, dashed lines since when a finding is one. */
function Line({
  row,
  analysis: { spans, findings },
  x,
  width,
  system,
}: {
  row: Row;
  analysis: Analysis;
  x: (t: number) => number;
  width: number;
  system: UnitSystem;
}) {
  const { palette } = useTheme();
  const points = spans.flatMap((s) => {
    const v = row.of(s);
    return v ? [{ at: (s.from + s.to) / 2, ...v }] : [];
  });
  const values = points.map((p) => p.value);
  const first = values.slice(0, Math.max(3, Math.floor(values.length / 4))).sort((a, b) => a - b);
  const [low, high] = [first[Math.floor(first.length * 0.1)]!, first[Math.ceil(first.length * 0.9) - 1]!];
  const [top, bottom] = [Math.max(...values) * 1.05, Math.min(...values) * 0.9];
  const y = (v: number) => HIGH - 2 - ((v - bottom) / (top - bottom || 1)) * (HIGH - 4);
  const d = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.at).toFixed(1)} ${y(p.value).toFixed(1)}`).join(' ');
  const last = points.at(-1)!;
  const write = (v: number) => say(row.write(v), system);
  const marks = findings.flatMap((f) => (f.since !== null && f.since >= spans[0]!.from ? [x(f.since)] : []));
  return (
    <Box sx={{ mb: 0.75 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'baseline' }}>
        <Typography variant="label">
          {row.label} · at first {write(first[first.length >> 1]!)}
        </Typography>
        <Typography variant="readingSmall">
          {write(last.value)}
          {last.by > 0 && (
            <Typography component="span" variant="label">
              {' '}
              ± {Math.max(Math.round((100 * last.by) / last.value), 1)} %
            </Typography>
          )}
        </Typography>
      </Box>
      <svg
        role="img"
        aria-label={`${row.label}: ${write(first[first.length >> 1]!)} at first, ${write(last.value)} now`}
        width={width}
        height={HIGH}
        style={{ display: 'block' }}
      >
        <rect
          width={width}
          y={y(high)}
          height={Math.max(y(low) - y(high), 1)}
          fill={palette.text.primary}
          opacity={0.09}
        />
        {marks.map((at) => (
          <line key={at} x1={at} x2={at} y1={0} y2={HIGH} stroke={palette.error.main} strokeDasharray="3 3" />
        ))}
        <path d={d} fill="none" stroke={palette.pit.surface} strokeWidth={1.8} />
      </svg>
    </Box>
  );
}

/** Alarms, parts, repairs and visits on the axis of the lines above. */
function Events({ events, x, width }: { events: readonly Happened[]; x: (t: number) => number; width: number }) {
  const { palette } = useTheme();
  if (events.length === 0) return null;
  const many = (what: Happened['what']) => events.filter((e) => e.what === what).length;
  const told = (['alarm', 'part', 'repair', 'visit'] as const).flatMap((w) =>
    many(w) > 0 ? [`${WORDS[w]}: ${many(w)}`] : [],
  );
  return (
    <svg role="img" aria-label={`on the same axis, ${told.join(', ')}`} width={width} height={26}>
      {events.map((e) => (
        <a key={e.id} href={`#page-${e.id}`} aria-label={`${WORDS[e.what]}, ${when(e.at)}`}>
          {e.what === 'visit' ? (
            <line x1={x(e.at)} x2={x(e.at)} y1={18} y2={25} stroke={palette.text.primary} />
          ) : (
            <text
              x={Math.min(Math.max(x(e.at), 6), width - 6)}
              y={13}
              fontSize={11}
              textAnchor="middle"
              fill={e.what === 'alarm' ? palette.error.main : palette.text.primary}
            >
              {MARKS[e.what]}
            </text>
          )}
        </a>
      ))}
    </svg>
  );
}

/** Figures of the readings, and what happened, on one axis of time. */
export function BookLines({
  analysis,
  happened,
  station,
  system,
}: {
  analysis: Analysis;
  happened: readonly Happened[];
  station: Station;
  system: UnitSystem;
}) {
  const { ref, size } = useSize<HTMLDivElement>({ width: 420, height: 200 });
  const { spans, findings } = analysis;
  if (spans.length < 2) return null;
  const [from, to] = [spans[0]!.from, spans.at(-1)!.to];
  const width = Math.max(size.width, 200);
  const x = (t: number) => ((t - from) / (to - from)) * (width - 2) + 1;
  const events = happened.filter((e) => e.at >= from && e.at <= to);
  const marks = (Object.keys(MARKS) as Happened['what'][]).filter((w) => events.some((e) => e.what === w));
  return (
    <Box component="section" aria-label="figures over time" ref={ref} sx={{ minWidth: 0 }}>
      {rowsOf(station.pumps.length, traitsOf(station).words.inflow)
        .filter((r) => spans.some((s) => r.of(s)))
        .map((row) => (
          <Line key={row.id} row={row} analysis={analysis} x={x} width={width} system={system} />
        ))}
      <Events events={events} x={x} width={width} />
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
        <Typography variant="label">{when(from)}</Typography>
        <Typography variant="label" sx={{ textAlign: 'center' }}>
          band: as at first{marks.map((w) => ` · ${MARKS[w]} ${WORDS[w]}`).join('')}
          {findings.some((f) => f.since !== null) && ' · dashed: since when'}
        </Typography>
        <Typography variant="label">{when(to)}</Typography>
      </Box>
    </Box>
  );
}
