'use client';
import { useState, type PointerEvent } from 'react';

export interface Bar {
  readonly from: number;
  readonly to: number;
  readonly label: string;
}

interface Props {
  lane: string;
  bars: readonly Bar[];
  left: number;
  width: number;
  y: number;
  height: number;
  /** What the axis shows, s. */
  from: number;
  to: number;
  onDrawn(from: number, to: number): void;
  onMoved(i: number, from: number, to: number): void;
}

type Grip = { readonly i: number | null; readonly end: 'both' | 'from' | 'to'; readonly at: number; readonly bar: Bar };

/** Nearer than this to its end, a bar is taken by its end, px. */
const EDGE = 7;

/** A lane of the time axis on which stretches are drawn by dragging, moved by their middle, and made longer or shorter by their ends. */
export function Bars({ lane, bars, left, width, y, height, from, to, onDrawn, onMoved }: Props) {
  const [grip, setGrip] = useState<Grip | null>(null);
  const x = (time: number) => left + ((Math.min(Math.max(time, from), to) - from) / (to - from)) * width;
  const timeOf = (e: PointerEvent<SVGElement>) => {
    const box = e.currentTarget.ownerSVGElement!.getBoundingClientRect();
    return Math.max(from + ((e.clientX - box.left - left) / width) * (to - from), 0);
  };
  const shown = (bar: Bar, i: number) => (grip?.i === i ? grip.bar : bar);
  const take = (e: PointerEvent<SVGElement>, i: number | null) => {
    e.stopPropagation();
    const at = timeOf(e);
    e.currentTarget.setPointerCapture(e.pointerId);
    if (i === null) return setGrip({ i, end: 'to', at, bar: { from: at, to: at, label: '' } });
    const bar = bars[i]!;
    const px = e.clientX - e.currentTarget.ownerSVGElement!.getBoundingClientRect().left;
    setGrip({
      i,
      end: Math.abs(px - x(bar.to)) < EDGE ? 'to' : Math.abs(px - x(bar.from)) < EDGE ? 'from' : 'both',
      at,
      bar,
    });
  };
  const drag = (e: PointerEvent<SVGElement>) => {
    if (!grip) return;
    const by = timeOf(e) - grip.at;
    const was = grip.i === null ? { from: grip.at, to: grip.at, label: '' } : bars[grip.i]!;
    const moved = {
      from: grip.end === 'to' ? was.from : Math.max(was.from + by, 0),
      to: grip.end === 'from' ? was.to : was.to + by,
    };
    setGrip({
      ...grip,
      bar: { ...grip.bar, from: Math.min(moved.from, moved.to), to: Math.max(moved.from, moved.to) },
    });
  };
  const release = () => {
    if (!grip) return;
    setGrip(null);
    const { i, bar } = grip;
    if (i === null) {
      if (bar.to - bar.from > (to - from) / 500) onDrawn(bar.from, bar.to);
    } else if (bar.from !== bars[i]!.from || bar.to !== bars[i]!.to) onMoved(i, bar.from, bar.to);
  };
  const hands = { onPointerMove: drag, onPointerUp: release, onPointerCancel: () => setGrip(null) };
  return (
    <g className={`bars ${lane}`}>
      <rect
        className="lane"
        data-lane={lane}
        x={left}
        y={y}
        width={width}
        height={height}
        onPointerDown={(e) => take(e, null)}
        {...hands}
      />
      {[...bars.map(shown), ...(grip?.i === null ? [grip.bar] : [])].map((bar, i) =>
        bar.to < from || bar.from > to ? null : (
          <rect
            key={i}
            className="bar"
            data-bar={`${lane} ${i}`}
            x={x(bar.from)}
            y={y + 2}
            width={Math.max(x(bar.to) - x(bar.from), 3)}
            height={height - 4}
            onPointerDown={(e) => i < bars.length && take(e, i)}
            {...hands}
          >
            <title>{bar.label}</title>
          </rect>
        ),
      )}
    </g>
  );
}
