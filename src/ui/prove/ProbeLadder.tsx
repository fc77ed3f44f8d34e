'use client';
import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { ladderScene, probedRungs, probeSpots, symbol } from '@/core/papers';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import { energised, solveWith, wire } from '@/core/wiring';
import { useSize } from '../shaft/useSize';

const Drawing = styled('svg')(({ theme }) => {
  const { pit } = theme.palette;
  return {
    display: 'block',
    maxWidth: '100%',
    height: 'auto',
    '& path': { fill: 'none', stroke: pit.ink, strokeWidth: 1.3 },
    '& .filled': { fill: pit.ink },
    '& .wire': { stroke: pit.quiet, strokeWidth: 1 },
    '& .wire.a': { stroke: pit.vermilion, strokeWidth: 3 },
    '& .wire.b': { stroke: pit.ink, strokeWidth: 3 },
    '& .load': { fill: pit.panel },
    '& text': { fontFamily: theme.typography.fontFamily, fill: pit.ink, fontSize: 10 },
    '& .rung, & .tag': { fontWeight: 700 },
    '& .dot': { fill: pit.panel, stroke: pit.ink },
    '& .probe': { stroke: pit.panel, strokeWidth: 1.5, fill: pit.vermilion },
    '& .probe.b': { fill: pit.ink },
  };
});

/** The rungs round two probes, drawn as the panel is wired by design, every float hanging: red on the wire of the first, black on that of the second. */
export function ProbeLadder({ station, probes }: { station: Station; probes: { a: string; b: string } }) {
  const { ref, size } = useSize<HTMLDivElement>({ width: 680, height: 120 });
  const drawn = useMemo(() => {
    const made = panelOf(station);
    if (!made.ok) return null;
    const { panel } = made;
    const wired = wire({ ...station, landings: { cores: [], links: [] } }, panel);
    const { points } = wired;
    const rungs = probedRungs(panel, probes, points);
    if (rungs.length === 0) return null;
    const scene = ladderScene(panel, rungs, Math.max(300, size.width));
    return {
      scene,
      spots: probeSpots(panel, scene, probes, points),
      on: energised(wired, solveWith(wired, {})).on,
      nets: { a: points.get(probes.a), b: points.get(probes.b) },
    };
  }, [station, probes, size.width]);
  if (!drawn) return null;
  const { scene, spots, nets, on } = drawn;
  const held = (net: string): string => (net === nets.a ? ' a' : net === nets.b ? ' b' : '');
  return (
    <Box ref={ref} sx={{ width: '100%', maxWidth: 720 }}>
      <Drawing
        viewBox={`0 0 ${scene.width} ${scene.height}`}
        width={scene.width}
        height={scene.height}
        role="img"
        aria-label={`on the drawing, as wired by design, floats hanging: red on the wire of ${probes.a}, black on the wire of ${probes.b}`}
      >
        {scene.wires.map((w, i) => (
          <path key={i} d={w.d} className={`wire${held(w.net)}`} />
        ))}
        {scene.leaves.map((l) => (
          <g key={l.id}>
            {symbol(l.sign, l.x, l.y, on.has(l.id)).map((s) => (
              <path key={s.d} d={s.d} className={`${l.load ? 'load ' : ''}${s.filled ? 'filled' : ''}`} />
            ))}
            <text className="tag" x={l.x} y={l.y - 21} textAnchor="middle">
              {l.label}
            </text>
            {l.terminals.map((t) => (
              <g key={t.x}>
                <circle className="dot" cx={t.x} cy={t.y} r={3} />
                <text x={t.x} y={t.y + 14} textAnchor={t.anchor}>
                  {t.id}
                </text>
              </g>
            ))}
          </g>
        ))}
        {scene.texts.map((t, i) => (
          <text key={i} className={t.role} x={t.x} y={t.y} textAnchor={t.anchor}>
            {t.text}
          </text>
        ))}
        {spots.map(({ probe, x, y }) => (
          <path key={probe} className={`probe ${probe}`} d={`M${x} ${y} l-6 -13 h12 Z`} />
        ))}
      </Drawing>
      {/* What was landed otherwise is not in it. */}
      <Typography variant="label">as wired by design, every float hanging</Typography>
    </Box>
  );
}
