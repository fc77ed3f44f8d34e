'use client';
import { useEffect, useRef, useState } from 'react';
import type { Closer, Moment } from '@/core/rehearsal';
import type { Rehearsed } from './useRehearsal';
import type { View } from './TimeAxis';

type Ask = (at: number) => Promise<Moment | null>;

/**
 * How everything stands where the cursor is; null until it is known. While one answer is on its way, the wishes after it give way to the
 * last of them.
 */
export function useMoment(rehearsed: Rehearsed, at: number): Moment | null {
  const ask = rehearsed.state === 'there' ? rehearsed.moment : null;
  const [answer, setAnswer] = useState<{ by: Ask; moment: Moment } | null>(null);
  const busy = useRef<Ask | null>(null);
  const waiting = useRef<number | null>(null);
  useEffect(() => {
    if (!ask) return;
    if (busy.current === ask) {
      waiting.current = at;
      return;
    }
    const go = (time: number) => {
      busy.current = ask;
      void ask(time).then((moment) => {
        if (busy.current !== ask) return;
        busy.current = null;
        if (moment) setAnswer({ by: ask, moment });
        const next = waiting.current;
        waiting.current = null;
        if (next !== null) go(next);
      });
    };
    go(at);
  }, [ask, at]);
  return answer && answer.by === ask ? answer.moment : null;
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
