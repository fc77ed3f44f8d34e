'use client';
import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import { useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { traitsOf } from '@/core/duties';
import { markWords, type LevelContext } from '@/core/levels';
import type { Scenario, Trace } from '@/core/rehearsal';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useSize } from '../shaft/useSize';
import { AxisSlider, CursorLine } from './AxisCursor';
import { AxisLanes } from './AxisLanes';
import { AxisTrace } from './AxisTrace';
import { axisOf, LANE, type View } from './axis';
import { clock, marks } from './clock';
import { cursorAt, type CursorStore } from './cursor';
import type { Kept } from './keptRun';
import { useWheel } from './useWheel';

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
    '& .kept': { fill: 'none', stroke: pit.ink, strokeDasharray: '2 3', strokeWidth: 1.2 },
    '& .trip': { stroke: pit.quiet, strokeDasharray: '4 4' },
    '& .frame': { fill: 'transparent', stroke: pit.rule },
    '& .on': { fill: pit.steel },
    '& .on.pump': { fill: pit.ink },
    '& .on.alarm, & .on.overflow': { fill: pit.vermilion },
    '& .inflow': { fill: pit.steel, fillOpacity: 0.7 },
    '& .lane': { fill: pit.panel, stroke: pit.rule, strokeWidth: 0.5, cursor: 'crosshair' },
    '& .bar': { cursor: 'grab' },
    '& .power .bar': { fill: pit.ochre },
    '& .faults .bar': { fill: pit.vermilion, fillOpacity: 0.55, stroke: pit.vermilion },
    '& .cursor': { stroke: pit.brass, strokeWidth: 2 },
    '& .axis': { outline: 'none' },
    '& .axis:focus-visible .frame': { stroke: pit.brass, strokeWidth: 2 },
  };
});

/** Lanes of faults that are drawn; more are in the list. */
const MOST = 6;

interface Props {
  context: LevelContext;
  trace: Trace;
  scenario: Scenario;
  system: UnitSystem;
  view: View;
  kept: Kept | undefined;
  cursor: CursorStore;
  onAt(time: number): void;
  /** Looks closer (above 1) or wider, about a time. */
  onZoom(times: number, about: number): void;
  faultName(id: string): string;
  onPowerCuts(cuts: Scenario['powerCuts']): void;
  onFaults(faults: Scenario['faults']): void;
  /** A stretch drawn on the lane of faults. */
  onFault(from: number, to: number | null): void;
}

/** Words that would lie over one another are moved down, each as little as it takes, px. */
function spread<T extends { at: number }>(list: readonly T[]): T[] {
  let last = -Infinity;
  return [...list].sort((a, b) => a.at - b.at).map((item) => ({ ...item, at: (last = Math.max(item.at, last + 11)) }));
}

/** One time axis: level between its least and greatest with the trip lines, inflow, power, faults, pumps, bell, appliances. The cursor drives shaft and ladder. */
export function TimeAxis({
  context,
  trace,
  scenario,
  system,
  view,
  kept,
  cursor,
  onAt,
  onZoom,
  faultName,
  onPowerCuts,
  onFaults,
  onFault,
}: Props) {
  const { ref, size } = useSize<HTMLDivElement>({ width: 960, height: 420 });
  const { overflow, vessel, station, marks: levels } = context;
  const lanes = useMemo(() => trace.lanes.filter((l) => l.kind !== 'overflow' || l.share.some((s) => s > 0)), [trace]);
  // Each fault has a lane of its own, so that one that lasts leaves room to draw the next.
  const own = scenario.faults.slice(0, MOST);
  const names = [
    traitsOf(station).words.inflow,
    'power',
    ...own.map((f) => faultName(f.id)),
    'new fault',
    ...lanes.map((l) => l.label),
  ];
  const axis = useMemo(() => axisOf(size, view, overflow, names.length), [size, view, overflow, names.length]);
  const { left, width, bottom, letters, x, y, laneY } = axis;

  const timeOf = (e: PointerEvent<SVGElement>) =>
    axis.timeAt(e.clientX, e.currentTarget.ownerSVGElement ?? e.currentTarget);
  const key = (e: KeyboardEvent) => {
    const at = cursorAt(cursor, scenario.duration);
    if (e.key === '+' || e.key === '-') {
      e.preventDefault();
      return onZoom(e.key === '+' ? 2 : 0.5, at);
    }
    const step = ((view.to - view.from) / 200) * (e.shiftKey ? 10 : 1);
    const to = { ArrowRight: at + step, ArrowLeft: at - step, Home: view.from, End: view.to }[e.key];
    if (to === undefined) return;
    e.preventDefault();
    onAt(Math.min(Math.max(to, 0), scenario.duration));
  };
  const drawing = useRef<SVGSVGElement>(null);
  useWheel(drawing, (e, svg) => onZoom(e.deltaY < 0 ? 1.5 : 1 / 1.5, axis.timeAt(e.clientX, svg)));

  const { step, at: times } = marks(view.from, view.to);
  return (
    <Box ref={ref} sx={{ width: '100%', height: '100%', overflow: 'hidden' }}>
      <Drawing ref={drawing} width={size.width} height={size.height} role="group" aria-label="rehearsal over time">
        <clipPath id="shown">
          <rect x={left} y={0} width={width} height={size.height} />
        </clipPath>
        <AxisSlider
          cursor={cursor}
          length={scenario.duration}
          system={system}
          onKeyDown={key}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            onAt(timeOf(e));
          }}
          onPointerMove={(e) => e.currentTarget.hasPointerCapture(e.pointerId) && onAt(timeOf(e))}
        >
          <rect className="frame" x={left} y={10} width={width} height={bottom - 10} />
          <g clipPath="url(#shown)">
            <AxisTrace
              axis={axis}
              trace={trace}
              lanes={lanes}
              first={names.length - lanes.length}
              vessel={vessel}
              kept={kept}
            />
          </g>
          {spread(levels.map((m) => ({ m, at: y(m.level) }))).map(({ m, at: words }) => (
            <g key={m.name}>
              <path className="trip" d={`M${left} ${y(m.level)} H${left + width}`} />
              <text x={left + width + 4} y={words + 4}>
                {markWords(m.name, station.duty)}
              </text>
            </g>
          ))}
        </AxisSlider>
        {names.map((name, i) => (
          <text key={`${name}${i}`} x={4} y={laneY(i) + LANE - 5} className="quiet">
            {name.length > letters ? `${name.slice(0, letters - 1).trimEnd()}…` : name}
            <title>{name}</title>
          </text>
        ))}
        <text x={left + width + 4} y={laneY(0) + LANE - 5} className="quiet">
          {`to ${say(quantity('flow', Math.max(...trace.inflow)), system)}`}
        </text>
        <AxisLanes
          axis={axis}
          view={view}
          scenario={scenario}
          own={own}
          faultName={faultName}
          onPowerCuts={onPowerCuts}
          onFaults={onFaults}
          onFault={onFault}
        />
        {times.map((m) => (
          <text key={m} x={x(m)} y={size.height - 4} textAnchor="middle" className="quiet">
            {clock(m, step)}
          </text>
        ))}
        <CursorLine axis={axis} cursor={cursor} length={scenario.duration} view={view} bottom={size.height - 16} />
      </Drawing>
    </Box>
  );
}
