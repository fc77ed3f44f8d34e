'use client';
import { dutyOf, type Duty } from '@/core/duties';
import { Sketch } from './Sketch';

/** Which way the water goes: in from the left or above, out by the pump; what must not happen is the mark. */
export function DutySketch({ duty }: { duty: Duty }) {
  const { label, water, arrows, mark } = dutyOf(duty).sketch;
  return (
    <Sketch viewBox="0 0 100 104" role="img" aria-label={`the water ${label}`}>
      <rect className="water" x="18" y={98 - water} width="56" height={water} />
      <path className="line" d="M18 26 V98 H74 V26" />
      <path className="line" d={arrows} />
      <path className="mark" d={mark} strokeDasharray="4 3" />
    </Sketch>
  );
}
