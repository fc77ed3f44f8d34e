import { styled } from '@mui/material/styles';
import { memo, type CSSProperties, type ReactNode, type SVGProps } from 'react';
import type { DrawingRef } from '@/core/levels';
import type { Group, Shape } from '@/core/papers';

/** The paint of every role in the drawing, from the theme. */
const Drawing = styled('svg')(({ theme }) => {
  const { pit } = theme.palette;
  const outline = { stroke: pit.ink, strokeWidth: 1.4, strokeLinejoin: 'round' } as const;
  return {
    display: 'block',
    maxWidth: '100%',
    userSelect: 'none',
    '& path': { fill: 'none', strokeLinecap: 'round' },
    '& path.wall': { strokeLinecap: 'butt' },
    '& text': { fontFamily: theme.typography.fontFamily, fill: pit.ink },
    '& .water': { fill: pit.water, fillOpacity: 0.42 },
    '& .surface': { stroke: pit.surface, strokeWidth: 2 },
    '& .wall': { stroke: pit.wall, strokeWidth: 'var(--wall)', strokeLinejoin: 'miter' },
    '& .inside': { fill: pit.panel },
    '& .ground': { stroke: pit.earth, strokeWidth: 3 },
    '& .break': { fill: pit.ground, stroke: pit.ink, strokeWidth: 1 },
    '& .pole': { stroke: pit.earth, strokeWidth: 3 },
    '& .tape': { fill: pit.panel, stroke: pit.ink, strokeWidth: 1 },
    '& .tick': { stroke: pit.ink, strokeWidth: 1 },
    '& .tape-text, & .tape-head, & .level-text': { fontSize: 11 },
    '& text.tape-text': { fontFamily: theme.typography.reading.fontFamily, fontSize: 10.5, fill: pit.quiet },
    '& .tape-head': { fill: pit.quiet },
    '& .marker': { fill: pit.brass },
    '& .pipe': { ...outline, fill: pit.panel, strokeWidth: 1.2 },
    '& .valve': { ...outline, fill: pit.panel },
    '& .weep': { fill: pit.ink },
    '& .pump, & .pump-motor': { ...outline, fill: pit.steel },
    '& .tether': { stroke: pit.ink, strokeWidth: 1.6 },
    '& .clip': { fill: pit.ink, stroke: pit.ink, strokeWidth: 2 },
    '& .weight': { ...outline, fill: pit.steel, strokeWidth: 1.2 },
    '& .obstacle': { stroke: pit.earth, strokeWidth: 1.6 },
    '& .jet': { stroke: pit.surface, strokeWidth: 1.6 },
    '& path.ghost': { stroke: pit.brass, strokeWidth: 1.8, strokeDasharray: '4 3' },
    '& .wall-plan': { fill: pit.panel, stroke: pit.wall, strokeWidth: 5 },
    '& .sweep': { fill: pit.brass, fillOpacity: 0.12 },
    '& .float': { ...outline, fill: pit.float, strokeWidth: 1.6 },
    '& text.float-number': { fill: pit.onFloat, fontWeight: 700 },
    '& .eye-closed': { fill: pit.ink, stroke: pit.ink, strokeWidth: 1.2 },
    '& .eye-open': { fill: pit.panel, stroke: pit.ink, strokeWidth: 1.2 },
    '& .level-line': { stroke: pit.ink, strokeWidth: 1, strokeDasharray: '5 4' },
    '& .bell': { fill: pit.brass },
    '& .level-text': { fontWeight: 600 },
    '& .pointed .level-line': { stroke: pit.brass, strokeWidth: 2.4, strokeDasharray: 'none' },
    '& .pointed .float, & .pointed .pump, & .pointed .pump-motor, & .pointed .pipe': {
      stroke: pit.brass,
      strokeWidth: 3,
    },
    '& .pointed .level-text': { fill: pit.brass },
    '& .movable': { cursor: 'grab', touchAction: 'none', outline: 'none' },
    '& .movable:focus-visible .float, & .movable:focus-visible .handle': { stroke: pit.brass, strokeWidth: 3.5 },
    // A gloved finger meets the float where its tether, body and eye are, and between them.
    '& .by-hand': { pointerEvents: 'bounding-box', cursor: 'pointer' },
    '& .handle': { fill: pit.surface, stroke: pit.panel, strokeWidth: 1.5 },
  };
});

const same = (a: Shape, b: Shape): boolean => {
  const keys = Object.keys(a) as (keyof Shape)[];
  return keys.length === Object.keys(b).length && keys.every((k) => a[k] === b[k]);
};

/** Most of a drawing (tape, walls, pipes) stands as it is while one float moves: only what differs is drawn again. */
const Shapes = memo(
  function Shapes({ shapes }: { shapes: readonly Shape[] }) {
    return shapes.map((shape, i) => <ShapeMark key={i} shape={shape} />);
  },
  ({ shapes: a }, { shapes: b }) => a.length === b.length && a.every((s, i) => same(s, b[i]!)),
);

function ShapeMark({ shape }: { shape: Shape }) {
  if (shape.type === 'path') return <path className={shape.role} d={shape.d} />;
  return (
    <text className={shape.role} x={shape.x} y={shape.y} textAnchor={shape.anchor} style={{ fontSize: shape.size }}>
      {shape.text}
    </text>
  );
}

interface Props {
  /** What is drawn, and the size it was drawn for. */
  scene: {
    readonly layout: { readonly width: number; readonly height: number; readonly wall: number };
    readonly groups: readonly Group[];
  };
  title: string;
  pointed?: readonly DrawingRef[];
  /** What makes a group answer: handlers, role, tab stop. */
  groupProps?(group: Group): SVGProps<SVGGElement> | undefined;
  children?: ReactNode;
}

/** The shaft: paints a scene in the colours of the theme. Every view shares it. */
export function Shaft({ scene, title, pointed = [], groupProps, children }: Props) {
  const { width, height } = scene.layout;
  const still = groupProps === undefined;
  return (
    <Drawing
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role={still ? 'img' : 'group'}
      aria-label={title}
      style={{ '--wall': `${scene.layout.wall * 2}px` } as CSSProperties}
    >
      {scene.groups.map((group, i) => {
        const { className = '', ...props } = groupProps?.(group) ?? {};
        const lit = group.part !== null && pointed.includes(group.part) ? 'pointed' : '';
        return (
          <g key={group.part ?? i} className={`${lit} ${className}`} {...props}>
            <Shapes shapes={group.shapes} />
          </g>
        );
      })}
      {children}
    </Drawing>
  );
}
