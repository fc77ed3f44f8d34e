'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Bench } from '@/core/drill';
import { format, quantity, say, type UnitSystem } from '@/core/units';

/** How long the whole takes to be shown, ms. */
const SHOWN_IN = 12_000;

type Water = NonNullable<Bench['water']>;

/** Where the water stood at a minute, m. */
function levelAt({ line, level }: Water, minute: number): number {
  const i = line.findIndex(([m]) => m >= minute);
  if (i < 0) return level;
  const [after, before] = [line[i]!, line[Math.max(i - 1, 0)]!];
  const span = after[0] - before[0];
  return span <= 0 ? after[1] : before[1] + ((minute - before[0]) / span) * (after[1] - before[1]);
}

/** What was done or heard last by a minute. */
function lastBy(bench: Bench, water: Water, minute: number): string {
  const all = [
    ...bench.entries.map((e) => ({ at: e.at, says: e.title })),
    ...water.heard.map((h) => ({ at: h.at, says: h.says })),
  ];
  return all
    .filter((x) => x.at <= minute)
    .reduce((last, x) => (x.at >= last.at ? x : last), { at: -1, says: 'you come' }).says;
}

/** Time moves on by itself while it is played. */
function usePlayed(whole: number) {
  const [minute, setMinute] = useState(0);
  const [plays, setPlays] = useState(false);
  useEffect(() => {
    if (!plays) return;
    let frame = 0;
    let before: number | null = null;
    const step = (now: number) => {
      const by = before === null ? 0 : now - before;
      before = now;
      setMinute((m) => Math.min(whole, m + (by / SHOWN_IN) * whole));
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [plays, whole]);
  const playing = plays && minute < whole;
  return {
    minute,
    playing,
    play: () => {
      if (!playing && minute >= whole) setMinute(0);
      setPlays(!playing);
    },
    to: (m: number) => {
      setPlays(false);
      setMinute(m);
    },
  };
}

interface Props {
  bench: Bench;
  water: Water;
  system: UnitSystem;
  /** The water of the drawing, where it is drawn. */
  onLevel(level: number): void;
}

/** The drill on its time axis: the water, what was done, what was heard. */
export function Replay({ bench, water, system, onLevel }: Props) {
  const { pit } = useTheme().palette;
  const whole = Math.max(bench.minutes, 1);
  const { minute, playing, play, to } = usePlayed(whole);
  const level = levelAt(water, minute);
  useEffect(() => onLevel(level), [level, onLevel]);
  const axis = { stroke: pit.quiet, fontSize: 11, tick: { fill: pit.quiet } };
  return (
    <Box component="section" aria-label="replay">
      <Typography variant="h2">Replay</Typography>
      <Box sx={{ height: 150 }}>
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 520, height: 150 }}>
          <LineChart
            data={water.line.map(([m, l]) => ({ minute: m, level: l }))}
            margin={{ top: 8, right: 12, bottom: 12, left: 4 }}
          >
            <XAxis
              dataKey="minute"
              type="number"
              domain={[0, whole]}
              tickFormatter={(t: number) => t.toFixed(0)}
              label={{ value: 'minutes', position: 'insideBottomRight', offset: -6, fontSize: 11, fill: pit.quiet }}
              {...axis}
            />
            <YAxis
              domain={['auto', 'auto']}
              width={64}
              tickFormatter={(v: number) =>
                system === 'us' ? format(quantity('height', v), 'us').number : String(Math.round(v * 1000))
              }
              {...axis}
            />
            {bench.entries.map((e, i) => (
              <ReferenceLine key={i} x={e.at} stroke={e.incidents.length > 0 ? pit.vermilion : pit.rule} />
            ))}
            <ReferenceLine x={minute} stroke={pit.brass} strokeWidth={2} />
            <Line dataKey="level" type="linear" dot={false} stroke={pit.ink} isAnimationActive={false} />
          </LineChart>
        </ResponsiveContainer>
      </Box>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button variant="outlined" onClick={play} sx={{ minHeight: 44, minWidth: 84 }}>
          {playing ? 'hold' : 'play'}
        </Button>
        <Slider
          aria-label="minute of the drill"
          value={minute}
          min={0}
          max={whole}
          step={whole / 200}
          getAriaValueText={(m) => `${Math.round(m)} minutes`}
          onChange={(_, m) => to(m as number)}
        />
      </Box>
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        {Math.floor(minute)} min: water at {say(quantity('height', level), system)} · {lastBy(bench, water, minute)}
      </Typography>
    </Box>
  );
}
