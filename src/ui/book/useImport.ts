import type { Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Mapping } from '@/core/book';
import type { Opened, ReadingsApi, Understood } from '@/workers/readings';
import { newKey } from '../parts/browserKeep';

/** A table of readings that was chosen. */
export interface Table extends Opened {
  readonly name: string;
}

/** How far the sending has come, in readings. */
export interface Sending {
  readonly sent: number;
  readonly of: number;
}

/** A thread that holds one table: read there, understood there, and handed out in parts. */
interface Reader {
  readonly api: Remote<ReadingsApi>;
  readonly worker: Worker;
}

async function openReader(): Promise<Reader> {
  const worker = new Worker(new URL('../../workers/readings.ts', import.meta.url), { type: 'module' });
  const { wrap } = await import('comlink');
  return { worker, api: wrap<ReadingsApi>(worker) };
}

/** A table of readings from being chosen to being taken; it is read beside the page, sent in parts, and can be stopped until all are sent. */
export function useImport(stationId: number, who: string, onDone: () => void) {
  const reader = useRef<Reader | null>(null);
  const stopped = useRef(false);
  const [table, setTable] = useState<Table | null>(null);
  const [read, setRead] = useState<Understood | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const [sending, setSending] = useState<Sending | null>(null);
  const end = () => {
    reader.current?.worker.terminate();
    reader.current = null;
  };
  useEffect(() => end, []);
  const understand = async (mapping: Mapping) => {
    const answer = await reader.current?.api.understand(mapping, Date.now(), new Date().getTimezoneOffset());
    setRead(answer ?? null);
  };
  const open = async (chosen: File) => {
    end();
    setTold('reading it …');
    setTable(null);
    setRead(null);
    reader.current = await openReader();
    const opened = await reader.current.api.open(chosen).catch(() => null);
    if (!opened) return setTold(`${chosen.name}: no column says when (time, date)`);
    setTold(null);
    setTable({ ...opened, name: chosen.name });
    await understand(opened.mapping);
  };
  const take = async () => {
    const from = reader.current;
    if (!from || !table || !read?.ok) return;
    stopped.current = false;
    setTold(null);
    const of = read.readings;
    setSending({ sent: 0, of });
    const { sendTable } = await import('./sendReadings');
    const answer = await sendTable(stationId, {
      by: who,
      file: table.name,
      readings: of,
      word: newKey(),
      part: (at, count) => from.api.part(at, count),
      sent: (sent) => setSending({ sent, of }),
      stopped: () => stopped.current,
    });
    setSending(null);
    setTold(answer.told);
    if (!answer.ok) return;
    end();
    setTable(null);
    setRead(null);
    onDone();
  };
  return {
    table,
    read,
    told,
    sending,
    open: (chosen: File) => void open(chosen),
    map(mapping: Mapping) {
      if (table) setTable({ ...table, mapping });
      void understand(mapping);
    },
    take: () => void take(),
    stop: () => void (stopped.current = true),
  };
}
