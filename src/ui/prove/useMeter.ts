'use client';
import { useEffect, useState } from 'react';
import * as z from 'zod';
import { ask } from '../parts/ask';
import type { RunId } from './run';

const readingsSchema = z.object({
  readings: z.array(
    z.object({
      id: z.number(),
      stepId: z.string(),
      expectation: z.string(),
      value: z.number().nullable(),
      shown: z.string(),
      meter: z.string(),
    }),
  ),
});

export type MeterReading = z.infer<typeof readingsSchema>['readings'][number];

/** How often a meter that was asked is looked after, ms; and for how long. */
const EVERY = 700;
const PATIENCE = 30_000;

/** A logging meter on this run: it is told where the probes are held, and what it reads there comes back. */
export function useMeter(runId: RunId, onReading: (reading: MeterReading) => void) {
  const [waiting, setWaiting] = useState<string | null>(null);
  const [told, setTold] = useState<string | null>(null);
  useEffect(() => {
    if (waiting === null) return;
    let stopped = false;
    const [after, stepId, expectation] = JSON.parse(waiting) as [number, string, string];
    const until = Date.now() + PATIENCE;
    const look = async () => {
      const answer = await ask(`/api/runs/${runId}/readings?after=${after}`, readingsSchema, undefined);
      if (stopped) return;
      const found = answer.ok
        ? answer.value.readings.findLast((r) => r.stepId === stepId && r.expectation === expectation)
        : undefined;
      if (found) {
        setTold(`${found.meter}: ${found.shown}`);
        setWaiting(null);
        onReading(found);
      } else if (Date.now() > until) {
        setTold('no meter has answered: is one pointed at this run?');
        setWaiting(null);
      } else setTimeout(() => void look(), EVERY);
    };
    void look();
    return () => void (stopped = true);
    // What is done with a reading may change with every key that is pressed; the waiting does not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [waiting, runId]);
  return {
    told,
    busy: waiting !== null,
    async hold(stepId: string, expectation: string) {
      if (typeof runId !== 'number')
        return setTold('a logging meter is asked by the server: without signal its figure is typed');
      setTold('probes held …');
      const held = await ask(`/api/runs/${runId}/probes`, z.object({ held: z.object({ turn: z.number() }) }), {
        method: 'POST',
        body: JSON.stringify({ stepId, expectation }),
      });
      if (held.ok) setWaiting(JSON.stringify([held.value.held.turn, stepId, expectation]));
      else setTold('the server does not answer');
    },
  };
}
