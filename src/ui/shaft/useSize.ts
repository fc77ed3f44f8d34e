import { useEffect, useRef, useState } from 'react';

/** The size of an element, kept up to date; begins with a guess, so that something is drawn at once. */
export function useSize<T extends HTMLElement>(guess: { width: number; height: number }) {
  const ref = useRef<T>(null);
  const [size, setSize] = useState(guess);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      if (width > 0 && height > 0) setSize({ width: Math.floor(width), height: Math.floor(height) });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, size };
}
