'use client';
import { useTheme } from '@mui/material/styles';
import { CartesianGrid, Legend, Line, LineChart, ReferenceDot, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import type { Judgement } from '@/core/levels';
import { quantity, say, unitOf, type UnitSystem } from '@/core/units';
import { curveAndPipe } from './curveAndPipe';

/** The pump's curve and what the pipe asks, at the start level, in one picture; where they cross is where it runs. */
export function CurveChart({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const { pit } = useTheme().palette;
  const { rows, duty } = curveAndPipe(judgement.context, system);
  const axis = { stroke: pit.quiet, fontSize: 11, tick: { fill: pit.quiet } };
  const [flow, head] = [unitOf('flow', system), unitOf('head', system)];
  return (
    <ResponsiveContainer width="100%" height="100%" minHeight={180} initialDimension={{ width: 360, height: 240 }}>
      <LineChart data={rows} margin={{ top: 16, right: 24, bottom: 18, left: 0 }} accessibilityLayer>
        <CartesianGrid stroke={pit.rule} />
        <XAxis dataKey="flow" type="number" domain={[0, 'dataMax']} tickFormatter={(v: number) => String(Number(v.toPrecision(3)))} label={{ value: flow, position: 'insideBottomRight', offset: -10, fontSize: 11, fill: pit.quiet }} {...axis} />
        <YAxis type="number" domain={[0, 'auto']} width={38} label={{ value: head, position: 'insideTopLeft', offset: -10, fontSize: 11, fill: pit.quiet }} {...axis} />
        <Tooltip formatter={(v, name) => [`${Number(v).toFixed(2)} ${head}`, name]} labelFormatter={(v) => `${Number(v).toPrecision(3)} ${flow}`} contentStyle={{ background: pit.panel, border: `1px solid ${pit.rule}`, fontSize: 12 }} />
        <Legend verticalAlign="top" align="right" iconType="plainline" height={22} wrapperStyle={{ fontSize: 12 }} />
        <Line name="pump gives" dataKey="pump" dot={false} isAnimationActive={false} stroke={pit.ink} strokeWidth={2.2} />
        <Line name="pipe asks" dataKey="pipe" dot={false} isAnimationActive={false} stroke={pit.surface} strokeWidth={2} strokeDasharray="7 3" />
        {duty && (
          <ReferenceDot x={duty.flow} y={duty.head} r={5} fill={pit.brass} stroke={pit.ink} label={{ value: say(quantity('flow', duty.si), system), position: 'top', fontSize: 12, fill: pit.ink }} />
        )}
      </LineChart>
    </ResponsiveContainer>
  );
}
