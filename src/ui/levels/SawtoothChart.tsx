'use client';
import { useTheme } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { markWords, sawtooth, type Judgement } from '@/core/levels';
import { format, quantity, say, unitOf, type UnitSystem } from '@/core/units';
import { CASE_LINES } from './caseLines';

const CASES = ['low', 'design', 'worst'] as const;

/** Two cycles of each case, so that the tooth is seen; a cycle that is long beside the others is cut at the end of the axis. */
function traces({ context, cycles, worst }: Judgement) {
  const inflow = { low: cycles.low, design: cycles.design, worst };
  const span = Math.max(
    ...(['design', 'worst'] as const).map((n) => (inflow[n].ok && inflow[n].keepsUp ? inflow[n].cycle * 2 : 0)),
  );
  return CASES.map((name) => {
    const cycle = inflow[name];
    const one = cycle.ok ? sawtooth(context, cycle.inflow) : [];
    const period = one.at(-1)?.time ?? 0;
    const repeats = period > 0 ? Math.min(Math.ceil(span / period), 6) : 0;
    const points = Array.from({ length: repeats }, (_, k) =>
      one.map((p) => ({ time: (p.time + k * period) / 60, level: p.level })),
    ).flat();
    return { name, ...CASE_LINES[name], points, span };
  });
}

/** The level through time as it fills and runs, at low, design and worst inflow. */
export function SawtoothChart({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const { pit } = useTheme().palette;
  const series = traces(judgement);
  const span = series[0]!.span / 60;
  if (span === 0)
    return <Typography sx={{ p: 1.5 }}>There is no cycle to draw: the water is not brought to its stop.</Typography>;
  const { stop, lead, calls, station } = judgement.context;
  const drawn = series.flatMap((x) => x.points.map((q) => q.level));
  const [low, high] = [Math.min(stop, lead, ...drawn), Math.max(stop, lead, ...drawn)];
  const called = calls.slice(1).filter((c) => c >= low && c <= high);
  const axis = { stroke: pit.quiet, fontSize: 11, tick: { fill: pit.quiet } };
  const height = (v: number) =>
    system === 'us' ? format(quantity('height', v), 'us').number : String(Math.round(v * 1000));
  return (
    <ResponsiveContainer width="100%" height="100%" minHeight={120} initialDimension={{ width: 520, height: 180 }}>
      <LineChart margin={{ top: 8, right: 68, bottom: 16, left: 8 }} accessibilityLayer>
        <CartesianGrid stroke={pit.rule} vertical={false} />
        <XAxis
          dataKey="time"
          type="number"
          domain={[0, span]}
          allowDataOverflow
          tickFormatter={(t: number) => t.toFixed(span < 5 ? 1 : 0)}
          label={{ value: 'minutes', position: 'insideBottomRight', offset: -8, fontSize: 11, fill: pit.quiet }}
          {...axis}
        />
        <YAxis
          domain={[low, high]}
          ticks={[...new Set([stop, lead, ...called])]}
          tickFormatter={height}
          width={system === 'us' ? 96 : 62}
          label={{
            value: unitOf('height', system === 'us' ? 'us' : 'metric') === 'mm' ? 'mm' : '',
            position: 'insideTopLeft',
            fontSize: 11,
            fill: pit.quiet,
          }}
          {...axis}
        />
        <ReferenceLine
          y={lead}
          stroke={pit.ink}
          strokeDasharray="5 4"
          label={{ value: markWords('lead', station.duty), position: 'right', fontSize: 11, fill: pit.ink }}
        />
        <ReferenceLine
          y={stop}
          stroke={pit.ink}
          strokeDasharray="5 4"
          label={{ value: markWords('stop', station.duty), position: 'right', fontSize: 11, fill: pit.ink }}
        />
        {called.map((c, i) => (
          <ReferenceLine
            key={c}
            y={c}
            stroke={pit.ink}
            strokeDasharray="2 3"
            label={{ value: i === 0 ? 'lag' : 'second lag', position: 'right', fontSize: 11, fill: pit.ink }}
          />
        ))}
        <Tooltip
          formatter={(v) => say(quantity('height', Number(v)), system)}
          labelFormatter={(t) => say(quantity('time', Number(t) * 60), system)}
          contentStyle={{ background: pit.panel, border: `1px solid ${pit.rule}`, fontSize: 12 }}
        />
        {series.map((s) => (
          <Line
            key={s.name}
            name={s.name}
            data={s.points}
            dataKey="level"
            type="linear"
            dot={false}
            isAnimationActive={false}
            stroke={s.name === 'worst' ? pit.vermilion : pit.surface}
            strokeWidth={s.width}
            strokeDasharray={s.dash}
          />
        ))}
      </LineChart>
    </ResponsiveContainer>
  );
}
