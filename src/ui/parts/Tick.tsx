'use client';
import dynamic from 'next/dynamic';

/** Yes or no. Fetched where there is one. */
export const Tick = dynamic(() => import('./TickBox').then((m) => m.TickBox));
