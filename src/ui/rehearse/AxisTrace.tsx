'use client';
import { useMemo } from 'react';
import type { Trace } from '@/core/rehearsal';
import type { Vessel } from '@/core/vessel';
import { LANE, type Axis } from './axis';
import type { Kept } from './keptRun';

interface Props {
  axis: Axis;
  trace: Trace;
  lanes: Trace['lanes'];
  /** The lane of the first of them. */
  first: number;
  vessel: Vessel;
  kept: Kept | undefined;
}

/** Water between its least and greatest, inflow, and what was on, as it ran; dotted, the run that was kept. */
export function AxisTrace({ axis, trace, lanes, first, vessel, kept }: Props) {
  const heights = useMemo(() => {
    const edge = (volumes: Float64Array) => Array.from(volumes, (v) => (Number.isFinite(v) ? vessel.height(v) : null));
    return { least: edge(trace.least), greatest: edge(trace.greatest) };
  }, [trace, vessel]);
  const paths = useMemo(() => {
    const { x, y, laneY, bottom } = axis;
    const line = (levels: readonly (number | null)[], from: number, step: number) =>
      levels.flatMap((h, i) => (h === null ? [] : [`${x(from + (i + 0.5) * step).toFixed(1)} ${y(h).toFixed(1)}`]));
    const top = line(heights.greatest, trace.from, trace.step);
    const low = line(heights.least, trace.from, trace.step);
    const most = Math.max(...trace.inflow, 1e-12);
    const wide = Math.max(x(trace.step) - x(0), 0.8).toFixed(2);
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
  }, [axis, trace, heights, lanes, first, kept]);
  return (
    <>
      <path className="water" d={paths.water} />
      <path className="band" d={paths.band} />
      {paths.kept && <path className="kept" d={paths.kept} />}
      <path className="inflow" d={paths.inflow} />
      {paths.lanes.map((d, i) => (
        <path key={lanes[i]!.id} className={`on ${lanes[i]!.kind}`} d={d} />
      ))}
    </>
  );
}
