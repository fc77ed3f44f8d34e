'use client';
import type { VesselDocument } from '@/core/station';
import { vesselOf } from '@/core/vessel';
import { Sketch } from './Sketch';

/** What is seen from above: the plan at the rim as two lengths, and whether it is round. */
function planOf({ shape }: Pick<VesselDocument, 'shape'>): { long: number; wide: number; round: boolean } {
  switch (shape.kind) {
    case 'cylinder':
      return { long: shape.diameter, wide: shape.diameter, round: true };
    case 'frustum':
      return { long: shape.topDiameter, wide: shape.topDiameter, round: true };
    case 'box':
      return { long: shape.length, wide: shape.width, round: false };
    case 'lying':
      return { long: shape.length, wide: shape.diameter, round: false };
    case 'stacked': {
      const top = shape.sections.at(-1)!;
      return planOf({ shape: top });
    }
    case 'table': {
      const across = Math.sqrt(((shape.rows.at(-1)?.area ?? 0) * 4) / Math.PI);
      return { long: across, wide: across, round: true };
    }
  }
}

/** The vessel from above, to scale, over its cut. */
export function VesselSketch({ vessel }: { vessel: VesselDocument }) {
  const plan = planOf(vessel);
  const { outline, depth } = vesselOf({ shape: vessel.shape, displacement: [] });
  const scale = 84 / Math.max(plan.long, plan.wide, depth, ...outline.map((p) => p.width), 0.01);
  const [w, h] = [plan.long * scale, plan.wide * scale];
  const at = (height: number) => 196 - height * scale;
  const side = (sign: 1 | -1) =>
    outline.map((p) => `${(50 + (sign * p.width * scale) / 2).toFixed(1)} ${at(p.height).toFixed(1)}`);
  const walls = `M${[...side(-1).reverse(), ...side(1)].join(' L')}`;
  return (
    <Sketch viewBox="0 0 100 200" role="img" aria-label="the vessel from above and cut, to scale">
      <text x="0" y="9">
        from above
      </text>
      {plan.round ? (
        <circle className="line" cx="50" cy="56" r={w / 2} />
      ) : (
        <rect className="line" x={50 - w / 2} y={56 - h / 2} width={w} height={h} />
      )}
      <text x="0" y="108">
        cut
      </text>
      <path className="line" d={walls} />
      <path className="mark" d={`M2 ${at(vessel.inletInvert)} h10 M98 ${at(vessel.overflow)} h-10`} />
    </Sketch>
  );
}
