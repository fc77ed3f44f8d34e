'use client';
import { useState } from 'react';
import type { Scenario } from '@/core/rehearsal';
import { useEditor } from '../editor/StationProvider';

/** A stretch drawn by hand, to the second. */
export const wholeSeconds = <S extends { readonly from: number; readonly to: number | null }>(stretch: S): S => ({
  ...stretch,
  from: Math.round(stretch.from),
  to: stretch.to === null ? null : Math.round(stretch.to),
});

/** The scenario that is rehearsed: one that is ready, or one’s own, changed only by what can be read. */
export function useScenario(ready: readonly Scenario[]) {
  const station = useEditor((s) => s.judged.context.station);
  const [own, setOwn] = useState<Scenario | null>(null);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const scenario = own && own.duty === station.duty.kind ? own : ready[0]!;
  const take = async (input: unknown) => {
    const { readScenario } = await import('./scenarioReader');
    const read = readScenario(input, station);
    setTrouble(read.ok ? [] : read.problems);
    if (read.ok) setOwn(read.scenario);
  };
  const change = (more: Partial<Scenario>) =>
    void take({ ...scenario, ...more, name: scenario.name.replace(/( \(changed\))?$/, ' (changed)').slice(-80) });
  return {
    ready,
    scenario,
    trouble,
    choose: (name: string) => (setTrouble([]), setOwn(ready.find((s) => s.name === name) ?? own)),
    change,
    /** Puts a fault in, from and to whole seconds; null: it lasts. */
    put: (id: string, from: number, to: number | null) =>
      change({ faults: [...scenario.faults, wholeSeconds({ id, from, to })] }),
    async bring(file: File) {
      try {
        await take(JSON.parse(await file.text()));
      } catch {
        setTrouble([`${file.name} is not JSON`]);
      }
    },
  };
}

/** The scenario that is rehearsed, and what changes it. */
export type ScenarioDesk = ReturnType<typeof useScenario>;
