'use client';
import dynamic from 'next/dynamic';

export interface KeyBinding {
  /** As the key library writes them: `mod+z`, `g>l`; several with a comma. */
  readonly keys: string;
  run(): void;
  /** Acts while something is typed, too. */
  readonly inFields?: boolean;
  /** By the character the key gives, wherever it lies on the board. */
  readonly character?: boolean;
}

/** Keys that act on the whole screen. What listens for them is fetched when the screen stands. */
export const Keys = dynamic(() => import('./Key').then((m) => m.BoundKeys), { ssr: false });
