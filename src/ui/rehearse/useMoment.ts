'use client';
import { useEffect, useState } from 'react';
import type { Closer } from '@/core/rehearsal';
import { cursorAt, type CursorStore } from './cursor';
import type { Rehearsed } from './useRehearsal';
import type { View } from './axis';

/**
 * Keeps the cursor’s store told how everything stands where the cursor is. While one answer is on its way, the wishes after it give way to
 * the last of them.
 */
export function useMoments(rehearsed: Rehearsed, cursor: CursorStore): void {
  useEffect(() => {
    cursor.setState({ moment: null });
    if (rehearsed.state !== 'there') return;
    let over = false;
    let busy = false;
    let answered: number | null = null;
    const wanted = () => cursorAt(cursor, rehearsed.scenario.duration);
    const ask = async () => {
      if (busy) return;
      busy = true;
      while (!over && answered !== wanted()) {
        answered = wanted();
        const moment = await rehearsed.moment(answered);
        if (moment && !over) cursor.setState({ moment });
      }
      busy = false;
    };
    void ask();
    const silence = cursor.subscribe((now, was) => void (now.at !== was.at && ask()));
    return () => {
      over = true;
      silence();
    };
  }, [rehearsed, cursor]);
}

/** What is seen of a view of a rehearsal: of the whole what it came with, of a part what is run again closer. */
export function useCloser(rehearsed: Rehearsed, view: View): Closer | null {
  const there = rehearsed.state === 'there' ? rehearsed : null;
  const whole = there !== null && view.from <= 0 && view.to >= there.scenario.duration;
  const [closer, setCloser] = useState<{ of: unknown; closer: Closer } | null>(null);
  useEffect(() => {
    if (!there || whole) return;
    let over = false;
    void there
      .window(view.from, view.to)
      .then((found) => void (!over && found && setCloser({ of: there, closer: found })));
    return () => {
      over = true;
    };
  }, [there, whole, view.from, view.to]);
  if (!there) return null;
  // Until the closer one is there, what is known is drawn larger.
  return !whole && closer?.of === there ? closer.closer : there.run;
}
