'use client';
import dynamic from 'next/dynamic';

/** Keys that act on the whole screen. What listens for them is fetched when the screen stands. */
export const Keys = dynamic(() => import('./Key').then((m) => m.BoundKeys), { ssr: false });
