'use client';
import { useEffect, useRef, type RefObject } from 'react';

/** Tells of the wheel over a drawing, and keeps it from scrolling the page: React cannot, a listener can. */
export function useWheel(drawing: RefObject<SVGSVGElement | null>, onWheel: (e: WheelEvent, svg: Element) => void) {
  const told = useRef(onWheel);
  useEffect(() => {
    told.current = onWheel;
  });
  useEffect(() => {
    const svg = drawing.current;
    if (!svg) return;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      told.current(e, svg);
    };
    svg.addEventListener('wheel', wheel, { passive: false });
    return () => svg.removeEventListener('wheel', wheel);
  }, [drawing]);
}
