'use client';
import { inflowAt, type Flows } from '@/core/inflow';
import type { Inflow } from '@/core/station';
import { quantity, say, type UnitSystem } from '@/core/units';
import { Sketch } from './Sketch';

const WIDTH = 320;
const HEIGHT = 96;
const LEFT = 2;
const BASE = 78;

/** Flow against time as points, s and m³/s: a day, or a storm and a little after. Steps are drawn as steps. */
function pointsOf(inflow: Inflow): { span: number; points: { time: number; flow: number }[] } {
  const { source, infiltration } = inflow;
  if (source.kind === 'storm') {
    const end = source.rows.at(-1)!.time;
    return {
      span: end,
      points: source.rows.map((r) => ({ time: r.time, flow: Math.max(r.flow, source.base) + infiltration })),
    };
  }
  const points = Array.from({ length: 48 }, (_, i) => {
    const flow = inflowAt(inflow, i * 1800);
    return [
      { time: i * 1800, flow },
      { time: (i + 1) * 1800, flow },
    ];
  }).flat();
  return { span: 86400, points };
}

/** What comes in through a day or a storm, with the design flow as a line across. */
export function InflowDrawing({ inflow, flows, system }: { inflow: Inflow; flows: Flows; system: UnitSystem }) {
  if (inflow.source.kind === 'steady' || inflow.source.kind === 'appliances') return null;
  const { span, points } = pointsOf(inflow);
  const most = Math.max(flows.peak, ...points.map((p) => p.flow)) * 1.08;
  const x = (t: number) => LEFT + (t / span) * (WIDTH - LEFT - 4);
  const y = (q: number) => BASE - (q / most) * (BASE - 12);
  const path = points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.time).toFixed(1)} ${y(p.flow).toFixed(1)}`).join(' ');
  const ticks = inflow.source.kind === 'storm' ? [0, span / 2, span] : [0, 21600, 43200, 64800, 86400];
  return (
    <Sketch
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={inflow.source.kind === 'storm' ? 'inflow through the storm' : 'inflow through the day'}
    >
      <path className="water" d={`${path} L${x(span)} ${BASE} L${x(0)} ${BASE} Z`} />
      <path className="line" d={path} />
      <path className="line" d={`M${LEFT} ${BASE} H${WIDTH - 4}`} />
      <path className="mark" d={`M${LEFT} ${y(flows.design)} H${WIDTH - 4}`} strokeDasharray="5 4" />
      <text x={WIDTH - 6} y={y(flows.design) - 3} textAnchor="end">
        design {say(quantity('flow', flows.design), system)}
      </text>
      <text x={LEFT + 2} y={9}>
        peak {say(quantity('flow', flows.peak), system)}
      </text>
      {ticks.map((t) => (
        <text key={t} x={Math.min(Math.max(x(t), 10), WIDTH - 14)} y={BASE + 11} textAnchor="middle">
          {inflow.source.kind === 'storm' ? say(quantity('time', t), system) : `${t / 3600} h`}
        </text>
      ))}
    </Sketch>
  );
}
