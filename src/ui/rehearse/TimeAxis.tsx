'use client';
import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import { useEffect, useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { traitsOf } from '@/core/duties';
import { markWords, type LevelContext } from '@/core/levels';
import type { Scenario, Trace } from '@/core/rehearsal';
import { quantity, say, type UnitSystem } from '@/core/units';
import { useSize } from '../shaft/useSize';
import { AxisSlider, CursorLine } from './AxisCursor';
import { Bars, type Bar } from './Bars';
import { clock, marks } from './clock';
import { cursorAt, type CursorStore } from './cursor';
import type { Kept } from './keptRun';

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

/** Room for the words of the lanes, px, on a wide and on a narrow screen; and how many letters go into it. */
const WORDS = { wide: { left: 142, letters: 27 }, narrow: { left: 78, letters: 12 } } as const;
const RIGHT = 84;
const LANE = 17;
/** Lanes of faults that are drawn; more are in the list. */
const MOST = 6;

/** A stretch of time that is shown, s. */
export interface View {
  readonly from: number;
  readonly to: number;
}

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
    traitsOf(context.station).words.inflow,
    'power',
    ...own.map((f) => faultName(f.id)),
    'new fault',
    ...lanes.map((l) => l.label),
  ];
  const { left, letters } = size.width > 700 ? WORDS.wide : WORDS.narrow;
  const first = names.length - lanes.length;
  const bottom = Math.max(size.height - names.length * LANE - 26, 110);
  const width = Math.max(size.width - left - RIGHT, 100);
  const span = view.to - view.from;
  const x = (time: number) => left + ((time - view.from) / span) * width;
  const y = (level: number) => 10 + (1 - level / (overflow * 1.04)) * (bottom - 10);
  const laneY = (i: number) => bottom + 6 + i * LANE;

  const drawn = useMemo(() => {
    const edge = (volumes: Float64Array) => Array.from(volumes, (v) => (Number.isFinite(v) ? vessel.height(v) : null));
    return { least: edge(trace.least), greatest: edge(trace.greatest) };
  }, [trace, vessel]);
  const paths = useMemo(() => {
    const line = (heights: readonly (number | null)[], from: number, step: number) =>
      heights.flatMap((h, i) => (h === null ? [] : [`${x(from + (i + 0.5) * step).toFixed(1)} ${y(h).toFixed(1)}`]));
    const top = line(drawn.greatest, trace.from, trace.step);
    const low = line(drawn.least, trace.from, trace.step);
    const most = Math.max(...trace.inflow, 1e-12);
    const wide = Math.max((trace.step / span) * width, 0.8).toFixed(2);
    const lane = (shares: Float64Array, row: number, full: number) =>
      Array.from(shares, (share, i) =>
        share > 0
          ? `M${x(trace.from + i * trace.step).toFixed(1)} ${laneY(row) + LANE - 4} v${(-Math.max((share / full) * (LANE - 5), 1.5)).toFixed(1)} h${wide} V${laneY(row) + LANE - 4} Z`
          : '',
      ).join('');
    const ends = [top.at(-1)?.split(' ')[0], top[0]?.split(' ')[0]];
    return {
      water: top.length > 1 ? `M${top.join(' L')} L${ends[0]} ${bottom} L${ends[1]} ${bottom} Z` : '',
      band: top.length > 1 ? `M${top.join(' L')} L${[...low].reverse().join(' L')} Z` : '',
      inflow: lane(trace.inflow, 0, most),
      lanes: lanes.map((l, i) => lane(l.share, first + i, 1)),
      kept: kept ? `M${line(kept.greatest, kept.trace.from, kept.trace.step).join(' L')}` : null,
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- x, y and laneY follow from what is named
  }, [trace, drawn, lanes, first, kept, left, width, bottom, overflow, view.from, view.to]);

  const timeAt = (clientX: number, svg: Element) =>
    Math.min(
      Math.max(view.from + ((clientX - svg.getBoundingClientRect().left - left) / width) * span, view.from),
      view.to,
    );
  const timeOf = (e: PointerEvent<SVGElement>) => timeAt(e.clientX, e.currentTarget.ownerSVGElement ?? e.currentTarget);
  const key = (e: KeyboardEvent) => {
    const at = cursorAt(cursor, scenario.duration);
    if (e.key === '+' || e.key === '-') {
      e.preventDefault();
      return onZoom(e.key === '+' ? 2 : 0.5, at);
    }
    const step = (span / 200) * (e.shiftKey ? 10 : 1);
    const to = { ArrowRight: at + step, ArrowLeft: at - step, Home: view.from, End: view.to }[e.key];
    if (to === undefined) return;
    e.preventDefault();
    onAt(Math.min(Math.max(to, 0), scenario.duration));
  };
  // A wheel over the axis looks closer or wider; React cannot keep it from scrolling the page, a listener can.
  const svg = useRef<SVGSVGElement>(null);
  const zoom = useRef(onZoom);
  useEffect(() => {
    zoom.current = onZoom;
  });
  useEffect(() => {
    const drawing = svg.current;
    if (!drawing) return;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      const box = drawing.getBoundingClientRect();
      zoom.current(
        e.deltaY < 0 ? 1.5 : 1 / 1.5,
        view.from + Math.min(Math.max((e.clientX - box.left - left) / width, 0), 1) * (view.to - view.from),
      );
    };
    drawing.addEventListener('wheel', wheel, { passive: false });
    return () => drawing.removeEventListener('wheel', wheel);
  }, [view.from, view.to, left, width]);

  const { step, at: times } = marks(view.from, view.to);
  const cuts: Bar[] = scenario.powerCuts.map((c) => ({
    ...c,
    label: `power cut from ${clock(c.from)} to ${clock(c.to)}`,
  }));
  const until = (to: number): number | null => (to >= scenario.duration ? null : to);
  const lane = { left, width, height: LANE, from: view.from, to: view.to };
  return (
    <Box ref={ref} sx={{ width: '100%', height: '100%', overflow: 'hidden' }}>
      <Drawing ref={svg} width={size.width} height={size.height} role="group" aria-label="rehearsal over time">
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
            <path className="water" d={paths.water} />
            <path className="band" d={paths.band} />
            {paths.kept && <path className="kept" d={paths.kept} />}
            <path className="inflow" d={paths.inflow} />
            {paths.lanes.map((d, i) => (
              <path key={lanes[i]!.id} className={`on ${lanes[i]!.kind}`} d={d} />
            ))}
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
        <Bars
          lane="power"
          {...lane}
          y={laneY(1)}
          bars={cuts}
          onDrawn={(from, to) => onPowerCuts([...scenario.powerCuts, { from, to }])}
          onMoved={(i, from, to) => onPowerCuts(scenario.powerCuts.map((c, k) => (k === i ? { from, to } : c)))}
        />
        {own.map((f, i) => (
          <Bars
            key={i}
            lane={`faults fault-${i}`}
            {...lane}
            y={laneY(2 + i)}
            bars={[{ from: f.from, to: f.to ?? scenario.duration, label: `${faultName(f.id)} from ${clock(f.from)}` }]}
            onDrawn={(from, to) => onFaults(scenario.faults.map((x, k) => (k === i ? { ...x, from, to } : x)))}
            onMoved={(_, from, to) =>
              onFaults(scenario.faults.map((x, k) => (k === i ? { ...x, from, to: until(to) } : x)))
            }
          />
        ))}
        <Bars
          lane="faults"
          {...lane}
          y={laneY(2 + own.length)}
          bars={[]}
          onDrawn={(from, to) => onFault(from, until(to))}
          onMoved={() => {}}
        />
        {times.map((m) => (
          <text key={m} x={x(m)} y={size.height - 4} textAnchor="middle" className="quiet">
            {clock(m, step)}
          </text>
        ))}
        <CursorLine {...lane} cursor={cursor} length={scenario.duration} view={view} bottom={size.height - 16} />
      </Drawing>
    </Box>
  );
}
