'use client';
import { useState } from 'react';
import type { Closer } from '@/core/rehearsal';
import { useCloser } from './useMoment';
import type { Ran, Rehearsed } from './useRehearsal';
import type { View } from './axis';

/** The run that is shown, with what is seen of it: while it runs again the one before stays in sight, so that what is typed is not torn away. */
export function useShownRun(rehearsed: Rehearsed, view: View): { ran: Ran; closer: Closer } | null {
  const closer = useCloser(rehearsed, view);
  const there = rehearsed.state === 'there' && closer ? { ran: rehearsed, closer } : null;
  const [last, setLast] = useState(there);
  if (there && (there.ran !== last?.ran || there.closer !== last.closer)) setLast(there);
  return there ?? (rehearsed.state === 'running' ? last : null);
}
