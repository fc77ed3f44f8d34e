'use client';
import type { Scenario } from '@/core/rehearsal';
import { LANE, type Axis, type View } from './axis';
import { Bars, type Bar } from './Bars';
import { clock } from './clock';

interface Props {
  axis: Axis;
  view: View;
  scenario: Scenario;
  /** Those of its faults that have a lane of their own. */
  own: Scenario['faults'];
  faultName(id: string): string;
  onPowerCuts(cuts: Scenario['powerCuts']): void;
  onFaults(faults: Scenario['faults']): void;
  /** A stretch drawn on the lane of faults. */
  onFault(from: number, to: number | null): void;
}

/** The lanes that are drawn on: power, each fault, and the next fault. */
export function AxisLanes({ axis, view, scenario, own, faultName, onPowerCuts, onFaults, onFault }: Props) {
  const { powerCuts, faults, duration } = scenario;
  const cuts: Bar[] = powerCuts.map((c) => ({ ...c, label: `power cut from ${clock(c.from)} to ${clock(c.to)}` }));
  /** What ends with the run lasts. */
  const until = (to: number): number | null => (to >= duration ? null : to);
  const lane = { left: axis.left, width: axis.width, height: LANE, from: view.from, to: view.to };
  return (
    <>
      <Bars
        lane="power"
        {...lane}
        y={axis.laneY(1)}
        bars={cuts}
        onDrawn={(from, to) => onPowerCuts([...powerCuts, { from, to }])}
        onMoved={(i, from, to) => onPowerCuts(powerCuts.map((c, k) => (k === i ? { from, to } : c)))}
      />
      {own.map((f, i) => (
        <Bars
          key={i}
          lane={`faults fault-${i}`}
          {...lane}
          y={axis.laneY(2 + i)}
          bars={[{ from: f.from, to: f.to ?? duration, label: `${faultName(f.id)} from ${clock(f.from)}` }]}
          onDrawn={(from, to) => onFaults(faults.map((x, k) => (k === i ? { ...x, from, to } : x)))}
          onMoved={(_, from, to) => onFaults(faults.map((x, k) => (k === i ? { ...x, from, to: until(to) } : x)))}
        />
      ))}
      <Bars
        lane="faults"
        {...lane}
        y={axis.laneY(2 + own.length)}
        bars={[]}
        onDrawn={(from, to) => onFault(from, until(to))}
        onMoved={() => {}}
      />
    </>
  );
}
