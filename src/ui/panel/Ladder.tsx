'use client';
import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import { memo, useMemo, type KeyboardEvent } from 'react';
import { ladderScene, probeSpots, symbol, type LeafShape, type Sheet } from '@/core/papers';
import type { Device, Panel } from '@/core/schemes';
import { useSize } from '../shaft/useSize';
import { usePanel } from './PanelProvider';

/** The paint of the ladder: live wires heavy, dead ones thin; closed and energised filled. */
const Drawing = styled('svg')(({ theme }) => {
  const { pit } = theme.palette;
  return {
    display: 'block',
    userSelect: 'none',
    '& path': { fill: 'none', stroke: pit.ink, strokeWidth: 1.3, strokeLinejoin: 'round' },
    '& .wire': { stroke: pit.quiet, strokeWidth: 1 },
    '& .wire.live': { stroke: pit.ink, strokeWidth: 2.8 },
    '& .wire-hit': { stroke: 'transparent', strokeWidth: 14, cursor: 'crosshair' },
    '& .filled': { fill: pit.ink },
    '& .load': { fill: pit.panel },
    '& .load.filled': { fill: pit.ink, fillOpacity: 0.32 },
    '& text': { fontFamily: theme.typography.fontFamily, fill: pit.ink, fontSize: 10 },
    '& .label': { fontSize: 11, fill: pit.quiet },
    '& .rung': { fontSize: 11.5, fontWeight: 700 },
    '& .rail': { fontFamily: theme.typography.reading.fontFamily, fontSize: 11 },
    '& .net, & .terminal': { fontFamily: theme.typography.reading.fontFamily, fontSize: 9 },
    '& .refs': { fontSize: 9, fill: pit.quiet },
    '& .tag': { fontWeight: 650, fontSize: 10.5 },
    '& .moved .terminal': { fill: pit.vermilion, fontWeight: 700 },
    '& .moved .dot': { stroke: pit.vermilion, strokeWidth: 2 },
    '& .dot': { fill: pit.panel, stroke: pit.ink },
    '& .leaf': { outline: 'none' },
    '& .leaf.works': { cursor: 'pointer' },
    '& .leaf.works .tag': { fill: pit.brass, textDecoration: 'underline', textUnderlineOffset: 2 },
    '& .ground': { fill: 'transparent', stroke: 'none' },
    '& .leaf:focus-visible .ground, & .leaf.why .ground': { stroke: pit.brass, strokeWidth: 2, strokeDasharray: '4 2' },
    '& .leaf.why .ground': { fill: pit.brass, fillOpacity: 0.14 },
    '& .leaf.would .ground': { stroke: pit.vermilion, strokeWidth: 2, strokeDasharray: '6 3' },
    '& .leaf.would .tag': { fill: pit.vermilion },
    '& .probe': { stroke: pit.panel, strokeWidth: 1.5, fill: pit.vermilion },
    '& .probe.b': { fill: pit.ink },
  };
});

/** What a hand does to an element: through its device, or by asking why. */
export interface LeafHands {
  act(leaf: LeafShape): void;
  press(leaf: LeafShape, down: boolean): void;
}

function stateWords(leaf: LeafShape, device: Device | undefined, state: string, on: boolean): string {
  const position = device?.positions.find((p) => p.state === state)?.label;
  const is = leaf.load ? (on ? 'on' : 'off') : on ? 'closed' : 'open';
  return `${leaf.id}, ${device?.label ?? ''}${position ? `, ${position}` : ''}: ${is}`;
}

const Leaf = memo(function Leaf({
  leaf,
  device,
  state,
  on,
  why,
  would,
  hands,
}: {
  leaf: LeafShape;
  device: Device | undefined;
  state: string;
  on: boolean;
  why: boolean;
  would: boolean;
  hands: LeafHands;
}) {
  const works = (device?.positions.length ?? 0) > 0 && !leaf.load;
  const springs = device?.springs !== undefined;
  const key = (down: boolean) => (e: KeyboardEvent) => {
    if (e.key !== 'Enter' && e.key !== ' ') return;
    e.preventDefault();
    if (works && springs) {
      if (!e.repeat) hands.press(leaf, down);
    } else if (down) hands.act(leaf);
  };
  return (
    <g
      className={`leaf${works ? ' works' : ''}${why ? ' why' : ''}${would ? ' would' : ''}`}
      role="button"
      tabIndex={0}
      aria-label={`${stateWords(leaf, device, state, on)}${would ? '; the meter’s load would move it' : ''}`}
      aria-pressed={on}
      onClick={() => !(works && springs) && hands.act(leaf)}
      onPointerDown={(e) => {
        if (!works || !springs) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        hands.press(leaf, true);
      }}
      onPointerUp={() => works && springs && hands.press(leaf, false)}
      onPointerCancel={() => works && springs && hands.press(leaf, false)}
      onKeyDown={key(true)}
      onKeyUp={(e) => works && springs && key(false)(e)}
    >
      <rect className="ground" x={leaf.x - 30} y={leaf.y - 31} width={60} height={50} rx={4} />
      {symbol(leaf.sign, leaf.x, leaf.y, on).map((s) => (
        <path key={s.d} d={s.d} className={`${leaf.load ? 'load ' : ''}${s.filled ? 'filled' : ''}`} />
      ))}
      <text className="tag" x={leaf.x} y={leaf.y - 21} textAnchor="middle">
        {leaf.label}
      </text>
      <text className="refs" x={leaf.x} y={leaf.y + 17} textAnchor="middle">
        {leaf.refs}
      </text>
    </g>
  );
});

interface Props {
  panel: Panel;
  sheet: Sheet;
  /** Elements to point out: what holds something in, or stops it. */
  why: ReadonlySet<string>;
  hands: LeafHands;
}

/** One sheet of the ladder. Its layout is made once for a panel and a width; what is live and closed is painted over it. */
export function Ladder({ panel, sheet, why, hands }: Props) {
  const { ref, size } = useSize<HTMLDivElement>({ width: 960, height: 400 });
  const landed = usePanel((s) => s.live!.wired.landed);
  const scene = useMemo(
    () => ladderScene(panel, sheet.rungs, size.width - 14, landed),
    [panel, sheet, size.width, landed],
  );
  const devices = useMemo(() => new Map(panel.devices.map((d) => [d.tag, d])), [panel]);
  const { live, on } = usePanel((s) => s.live!.energised);
  const states = usePanel((s) => s.live!.settled.states);
  const points = usePanel((s) => s.live!.wired.points);
  const meter = usePanel((s) => s.meter);
  const touch = usePanel((s) => s.touch);
  const would = usePanel((s) => s.would);
  const probing = meter.hand !== null && meter.mode !== 'amps';
  const spots = probeSpots(panel, scene, meter, points);
  return (
    <Box ref={ref} sx={{ width: '100%', height: '100%', overflow: 'auto' }}>
      <Drawing
        viewBox={`0 0 ${scene.width} ${scene.height}`}
        width={scene.width}
        height={scene.height}
        role="group"
        aria-label={`ladder, ${sheet.title}`}
      >
        {scene.wires.map((w, i) => (
          <path key={i} d={w.d} className={`wire${live.has(w.net) ? ' live' : ''}`} />
        ))}
        {scene.leaves.map((leaf) => (
          <Leaf
            key={leaf.id}
            leaf={leaf}
            device={devices.get(leaf.tag)}
            state={states[leaf.tag] ?? ''}
            on={on.has(leaf.id)}
            why={why.has(leaf.id)}
            would={would.has(leaf.tag)}
            hands={hands}
          />
        ))}
        {scene.leaves.flatMap((l) =>
          l.terminals.map((t) => (
            <g key={`${l.id}${t.x}`} className={t.moved ? 'moved' : undefined}>
              <circle className="dot" cx={t.x} cy={t.y} r={3} />
              <text className="terminal" x={t.x} y={t.y + 14} textAnchor={t.anchor}>
                {t.moved ? `⇢${t.id}` : t.id}
              </text>
            </g>
          )),
        )}
        {scene.texts.map((t, i) => (
          <text key={i} className={t.role} x={t.x} y={t.y} textAnchor={t.anchor}>
            {t.text}
          </text>
        ))}
        {probing &&
          scene.wires.map((w, i) => (
            <path key={i} d={w.d} className="wire-hit" data-wire={w.net} onClick={() => touch(w.net)}>
              <title>wire {w.net}</title>
            </path>
          ))}
        {spots.map(({ probe: p, x, y }) => (
          <path key={p} className={`probe ${p}`} d={`M${x} ${y} l-6 -13 h12 Z`}>
            <title>{p === 'a' ? 'red probe' : 'black probe'}</title>
          </path>
        ))}
      </Drawing>
    </Box>
  );
}
