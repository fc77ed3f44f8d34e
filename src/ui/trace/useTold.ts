'use client';
import { useEffect, useState } from 'react';
import { nothingTold, readTold, type Told } from '@/core/trace';
import { keep, kept, type Keeping } from '../parts/browserKeep';

const key = (stationId: number) => `pitbell.trace.${stationId}`;

/** What was told of a fault, kept in the browser through a closed tab or a lost signal. @param of the station and its revision */
export function useTold(stationId: number, of: Told['station']) {
  const [told, setTold] = useState<Told | null>(null);
  const [keeping, setKeeping] = useState<Keeping>('kept');
  const [aside, setAside] = useState<string | null>(null);
  const [resumed, setResumed] = useState(false);
  const { name, site, revision } = of;
  useEffect(() => {
    const text = kept(key(stationId));
    const fresh = nothingTold({ name, site, revision });
    let before: Told | null = null;
    try {
      const read = text === null ? null : readTold(JSON.parse(text));
      before = read?.ok ? read.told : null;
    } catch {
      before = null;
    }
    // What the browser keeps is known only after the page.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setTold(before ?? fresh);
    setResumed((before?.evidence.length ?? 0) > 0);
    if (text !== null && before === null) {
      keep(`${key(stationId)}.aside`, text);
      setAside(text);
    }
  }, [stationId, name, site, revision]);
  const tell = (next: Told) => {
    setTold(next);
    setKeeping(keep(key(stationId), JSON.stringify(next)));
  };
  return { told, tell, keeping, aside, resumed, begin: () => tell(nothingTold(of)) };
}
