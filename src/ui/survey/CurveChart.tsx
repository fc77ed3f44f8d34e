'use client';
import { useTheme } from '@mui/material/styles';
import {
  CartesianGrid,
  Legend,
  Line,
  LineChart,
  ReferenceDot,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
  ZIndexLayer,
} from 'recharts';
import { markWords, systemCurves, type LevelContext } from '@/core/levels';
import { inUnits, quantity, say, unitOf, type UnitSystem } from '@/core/units';
import { CurvePoints } from './CurvePoints';

/** The handles lie over lines and dots, or these would catch the pointer. */
const ABOVE_ALL = 1900;
const PUMP_DASH = [undefined, '9 3', '2 3'];
const LEVEL_DASH = ['2 4', '7 3', '12 4', '16 4'];

function printedCurve({ hydraulics }: LevelContext, pump: number): { flow: number; head: number }[] {
  const curve = hydraulics.curves[pump]!;
  return Array.from({ length: 25 }, (_, i) => ({
    flow: (curve.to * i) / 24,
    head: curve.at(Math.min((curve.to * i) / 24, curve.to)),
  }));
}

/**
 * The curves of one, two, three pumps and what the pipe asks with the water at stop, start and lag; where they cross is where they run.
 * The points of the pump that is shown can be dragged, or moved by arrow keys.
 */
export function CurveChart({ context, system, pump }: { context: LevelContext; system: UnitSystem; pump: number }) {
  const { pit } = useTheme().palette;
  const { pumps, systems, duties, runOut, shutOff } = systemCurves(context);
  // A riser of its own takes its loss off what a pump gives; the printed curve, whose points are moved, is shown beside it then.
  const printed = context.station.pumps[pump]!.riser.length > 0 ? printedCurve(context, pump) : null;
  const axis = { stroke: pit.quiet, fontSize: 11, tick: { fill: pit.quiet } };
  const [flow, head] = [unitOf('flow', system), unitOf('head', system)];
  const units = (points: readonly { flow: number; head: number }[]) =>
    points.map((p) => ({ flow: inUnits('flow', p.flow, system), head: inUnits('head', p.head, system) }));
  const widest = Math.max(...pumps.flatMap((p) => p.points.map((x) => x.flow)), ...duties.map((d) => d.flow * 1.1));
  // Flow, and how fast it goes in the shared line.
  const { bore } = context.station.discharge.segments[0]!;
  const dutyWords = (q: number) =>
    `${say(quantity('flow', q), system)}, ${say(quantity('velocity', q / ((Math.PI / 4) * bore ** 2)), system)}`;
  const dot = (at: { flow: number; head: number }) => ({
    x: inUnits('flow', at.flow, system),
    y: inUnits('head', at.head, system),
  });
  return (
    <ResponsiveContainer width="100%" height="100%" minHeight={180} initialDimension={{ width: 360, height: 290 }}>
      <LineChart margin={{ top: 4, right: 24, bottom: 4, left: 0 }} accessibilityLayer>
        <CartesianGrid stroke={pit.rule} />
        <XAxis
          dataKey="flow"
          type="number"
          domain={[0, inUnits('flow', widest, system)]}
          allowDataOverflow
          tickFormatter={(v: number) => String(Number(v.toPrecision(3)))}
          {...axis}
        />
        <YAxis
          dataKey="head"
          type="number"
          domain={[0, 'auto']}
          width={42}
          tickFormatter={(v: number) => String(Number(v.toPrecision(3)))}
          {...axis}
        />
        <Tooltip
          formatter={(v, name) => [`${Number(v).toFixed(2)} ${head}`, name]}
          labelFormatter={(v) => `${Number(v).toPrecision(3)} ${flow}`}
          contentStyle={{ background: pit.panel, border: `1px solid ${pit.rule}`, fontSize: 12 }}
        />
        <Legend
          verticalAlign="top"
          align="left"
          iconType="plainline"
          wrapperStyle={{ fontSize: 11.5, lineHeight: '16px', paddingBottom: 12 }}
        />
        {printed && (
          <Line
            data={units(printed)}
            name="as printed"
            dataKey="head"
            dot={false}
            activeDot={false}
            isAnimationActive={false}
            stroke={pit.brass}
            strokeWidth={1.2}
          />
        )}
        {pumps.map(({ running, points }) => (
          <Line
            key={`p${running}`}
            data={units(points)}
            name={running === 1 ? 'pump gives' : `${running} pumps`}
            dataKey="head"
            dot={false}
            activeDot={false}
            isAnimationActive={false}
            stroke={pit.ink}
            strokeWidth={2}
            strokeDasharray={PUMP_DASH[running - 1]}
          />
        ))}
        {systems.map(({ at, points }, i) => (
          <Line
            key={at}
            data={units(points)}
            name={`pipe asks at ${markWords(at, context.station.duty)}`}
            dataKey="head"
            dot={false}
            activeDot={false}
            isAnimationActive={false}
            stroke={pit.surface}
            strokeWidth={1.8}
            strokeDasharray={LEVEL_DASH[i]}
          />
        ))}
        <ReferenceDot
          {...dot(runOut)}
          r={3.5}
          fill={pit.panel}
          stroke={pit.ink}
          label={{ value: 'run-out', position: 'top', fontSize: 11, fill: pit.quiet }}
        />
        <ReferenceDot
          {...dot(shutOff)}
          r={3.5}
          fill={pit.panel}
          stroke={pit.ink}
          label={{ value: 'shut-off', position: 'right', offset: 8, dy: 13, fontSize: 11, fill: pit.quiet }}
        />
        {duties.map((d) => (
          <ReferenceDot
            key={d.at}
            {...dot(d)}
            r={4.5}
            fill={pit.brass}
            stroke={pit.ink}
            label={
              d.at === 'stop'
                ? undefined
                : {
                    value: dutyWords(d.flow),
                    position: d.flow > widest * 0.45 ? 'left' : 'right',
                    offset: 6,
                    dy: 22,
                    fontSize: 11.5,
                    fill: pit.ink,
                  }
            }
          />
        ))}
        <ZIndexLayer zIndex={ABOVE_ALL}>
          <CurvePoints pump={pump} system={system} />
        </ZIndexLayer>
      </LineChart>
    </ResponsiveContainer>
  );
}
