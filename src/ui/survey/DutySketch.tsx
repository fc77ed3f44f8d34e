'use client';
import type { Duty } from '@/core/station';
import { Sketch } from './Sketch';

/** Which way the water goes: in from the left or above, out by the pump; what must not happen is the mark. */
const WAYS: Readonly<Record<Duty['kind'], { says: string; water: number; arrows: string; mark: string }>> = {
  empty: {
    says: 'comes in, is pumped out',
    water: 26,
    arrows: 'M0 34 H18 m-5 -4 l5 4 l-5 4 M58 84 V16 H92 m-5 -4 l5 4 l-5 4',
    mark: 'M18 44 H74',
  },
  dose: {
    says: 'comes in, leaves in doses',
    water: 40,
    arrows: 'M0 34 H18 m-5 -4 l5 4 l-5 4 M58 84 V16 H80 M80 16 h18 M84 16 v-6 M90 16 v-6 M96 16 v-6',
    mark: 'M18 42 H74',
  },
  fill: {
    says: 'is filled, is drawn from',
    water: 62,
    arrows: 'M0 14 H30 V30 m-4 -5 l4 5 l4 -5 M74 90 H96 m-5 -4 l5 4 l-5 4',
    mark: 'M18 34 H74 M18 84 H74',
  },
  transfer: {
    says: 'holds what is wanted elsewhere',
    water: 50,
    arrows: 'M58 84 V16 H96 m-5 -4 l5 4 l-5 4',
    mark: 'M18 82 H74',
  },
  condensate: {
    says: 'drips in, is lifted out',
    water: 22,
    arrows: 'M30 4 v10 M40 4 v10 M50 4 v10 M62 84 V16 H96 m-5 -4 l5 4 l-5 4',
    mark: 'M18 44 H74',
  },
};

export function DutySketch({ duty }: { duty: Duty }) {
  const { says, water, arrows, mark } = WAYS[duty.kind];
  return (
    <Sketch viewBox="0 0 100 104" role="img" aria-label={`the water ${says}`}>
      <rect className="water" x="18" y={98 - water} width="56" height={water} />
      <path className="line" d="M18 26 V98 H74 V26" />
      <path className="line" d={arrows} />
      <path className="mark" d={mark} strokeDasharray="4 3" />
    </Sketch>
  );
}
