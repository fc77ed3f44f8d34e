'use client';
import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import { useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { LevelContext } from '@/core/levels';
import { markWords } from '@/core/levels';
import type { Rehearsal, Scenario } from '@/core/rehearsal';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useSize } from '../shaft/useSize';

const Drawing = styled('svg')(({ theme }) => {
  const { pit } = theme.palette;
  return {
    display: 'block',
    touchAction: 'none',
    userSelect: 'none',
    '& text': { fontFamily: theme.typography.fontFamily, fontSize: 11, fill: pit.ink },
    '& .quiet': { fill: pit.quiet, fontSize: 10.5 },
    '& .water': { fill: pit.water, fillOpacity: 0.55 },
    '& .band': { fill: pit.surface },
    '& .trip': { stroke: pit.quiet, strokeDasharray: '4 4' },
    '& .frame': { fill: 'none', stroke: pit.rule },
    '& .pump': { fill: pit.ink },
    '& .bell': { fill: pit.vermilion },
    '& .inflow': { fill: pit.steel, fillOpacity: 0.7 },
    '& .power': { fill: pit.ochre },
    '& .cursor': { stroke: pit.brass, strokeWidth: 2 },
    '& .axis': { outline: 'none' },
    '& .axis:focus-visible .frame': { stroke: pit.brass, strokeWidth: 2 },
  };
});

const LEFT = 74;
const RIGHT = 84;
const LANE = 17;

interface Props {
  context: LevelContext;
  run: Rehearsal;
  scenario: Scenario;
  system: UnitSystem;
  /** Where the cursor stands, s. */
  at: number;
  onAt(time: number): void;
  /** A stretch dragged on the power lane. */
  onCut(from: number, to: number): void;
}

/** Marks of a time axis that read well. */
function marks(length: number): number[] {
  const step = [60, 300, 900, 3600, 3 * 3600, 6 * 3600, 86400, 2 * 86400, 7 * 86400, 30 * 86400, 90 * 86400, 365 * 86400].find((s) => length / s <= 9) ?? length;
  return Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => i * step);
}

/** One time axis: level between its least and greatest with the trip lines, inflow, power, pumps, bell. The cursor drives the shaft. */
export function TimeAxis({ context, run, scenario, system, at, onAt, onCut }: Props) {
  const { ref, size } = useSize<HTMLDivElement>({ width: 960, height: 420 });
  const [dragged, setDragged] = useState<{ from: number; to: number } | null>(null);
  const { trace } = run;
  const lanes = ['inflow', 'power', ...trace.running.map((_, i) => `pump ${i + 1}`), 'bell'];
  const bottom = Math.max(size.height - lanes.length * LANE - 26, 120);
  const width = Math.max(size.width - LEFT - RIGHT, 100);
  const { overflow } = context;
  const x = (time: number) => LEFT + (time / scenario.length) * width;
  const y = (level: number) => 10 + (1 - level / (overflow * 1.04)) * (bottom - 10);
  const laneY = (i: number) => bottom + 6 + i * LANE;

  const drawn = useMemo(() => {
    const edge = (volumes: Float64Array) => Array.from(volumes, (v) => (Number.isFinite(v) ? context.vessel.height(v) : null));
    return { least: edge(trace.least), greatest: edge(trace.greatest) };
  }, [trace, context.vessel]);
  const paths = useMemo(() => {
    const px = (i: number) => LEFT + ((i + 0.5) / trace.least.length) * width;
    const last = drawn.least.findLastIndex((l) => l !== null);
    const top = drawn.greatest.slice(0, last + 1).map((l, i) => `${px(i).toFixed(1)} ${y(l ?? 0).toFixed(1)}`);
    const low = drawn.least.slice(0, last + 1).map((l, i) => `${px(i).toFixed(1)} ${y(l ?? 0).toFixed(1)}`);
    const most = Math.max(...trace.inflow, 1e-12);
    const lane = (shares: Float64Array, row: number, full: number) =>
      Array.from(shares, (share, i) => (share > 0 ? `M${px(i).toFixed(1)} ${laneY(row) + LANE - 4} v${(-Math.max((share / full) * (LANE - 5), 1.5)).toFixed(1)} h${Math.max(width / shares.length, 0.8).toFixed(2)} V${laneY(row) + LANE - 4} Z` : '')).join('');
    return {
      water: `M${top.join(' L')} L${px(last)} ${bottom} L${px(0)} ${bottom} Z`,
      band: `M${top.join(' L')} L${[...low].reverse().join(' L')} Z`,
      inflow: lane(trace.inflow, 0, most),
      pumps: trace.running.map((r, i) => lane(r, 2 + i, 1)),
      bell: lane(trace.bell, 2 + trace.running.length, 1),
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- y and laneY follow from what is named
  }, [trace, drawn, width, bottom, overflow]);

  const timeOf = (e: PointerEvent<SVGElement>) => {
    const box = e.currentTarget.ownerSVGElement?.getBoundingClientRect() ?? e.currentTarget.getBoundingClientRect();
    return Math.min(Math.max(((e.clientX - box.left - LEFT) / width) * scenario.length, 0), scenario.length);
  };
  const key = (e: KeyboardEvent) => {
    const step = (scenario.length / 200) * (e.shiftKey ? 10 : 1);
    const by = e.key === 'ArrowRight' ? step : e.key === 'ArrowLeft' ? -step : 0;
    if (by === 0) return;
    e.preventDefault();
    onAt(Math.min(Math.max(at + by, 0), scenario.length));
  };
  const cuts = [...scenario.powerCuts, ...(dragged ? [{ from: Math.min(dragged.from, dragged.to), to: Math.max(dragged.from, dragged.to) }] : [])];
  return (
    <Box ref={ref} sx={{ width: '100%', height: '100%', overflow: 'hidden' }}>
      <Drawing width={size.width} height={size.height} role="group" aria-label="rehearsal over time">
        <g
          className="axis"
          role="slider"
          tabIndex={0}
          aria-label="time"
          aria-valuemin={0}
          aria-valuemax={Math.round(scenario.length)}
          aria-valuenow={Math.round(at)}
          aria-valuetext={say(quantity('time', at), system)}
          onKeyDown={key}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            onAt(timeOf(e));
          }}
          onPointerMove={(e) => e.currentTarget.hasPointerCapture(e.pointerId) && onAt(timeOf(e))}
        >
          <rect className="frame" x={LEFT} y={10} width={width} height={bottom - 10} style={{ fill: 'transparent' }} />
          <path className="water" d={paths.water} />
          <path className="band" d={paths.band} />
          {context.marks.map((m) => (
            <g key={m.name}>
              <path className="trip" d={`M${LEFT} ${y(m.level)} H${LEFT + width}`} />
              <text x={LEFT + width + 4} y={y(m.level) + 4}>
                {markWords(m.name, context.station.duty)}
              </text>
            </g>
          ))}
          <path className="inflow" d={paths.inflow} />
          {paths.pumps.map((d, i) => (
            <path key={i} className="pump" d={d} />
          ))}
          <path className="bell" d={paths.bell} />
        </g>
        {lanes.map((name, i) => (
          <text key={name} x={4} y={laneY(i) + LANE - 5} className="quiet">
            {name}
          </text>
        ))}
        <rect
          x={LEFT}
          y={laneY(1)}
          width={width}
          height={LANE}
          style={{ fill: 'transparent', cursor: 'crosshair' }}
          data-lane="power"
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            setDragged({ from: timeOf(e), to: timeOf(e) });
          }}
          onPointerMove={(e) => dragged && setDragged({ ...dragged, to: timeOf(e) })}
          onPointerUp={() => {
            if (dragged && Math.abs(dragged.to - dragged.from) > scenario.length / 400) onCut(Math.min(dragged.from, dragged.to), Math.max(dragged.from, dragged.to));
            setDragged(null);
          }}
        >
          <title>power: drag to place a cut</title>
        </rect>
        {cuts.map((c, i) => (
          <rect key={i} className="power" x={x(c.from)} y={laneY(1) + 3} width={Math.max(x(Math.min(c.to, scenario.length)) - x(c.from), 2)} height={LANE - 6} pointerEvents="none" />
        ))}
        {marks(scenario.length).map((m) => (
          <text key={m} x={x(m)} y={size.height - 4} textAnchor="middle" className="quiet">
            {say(quantity('time', m), system)}
          </text>
        ))}
        <path className="cursor" pointerEvents="none" d={`M${x(at)} 6 V${size.height - 16}`} />
      </Drawing>
    </Box>
  );
}
