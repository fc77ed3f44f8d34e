import { useEffect, useState } from 'react';
import type { Rehearsable } from '@/core/rehearsal';
import type { Station } from '@/core/station';
import { useEditor } from '../editor/StationProvider';

/**
 * What can be rehearsed at the station on the screen: as the server found it while nothing has changed, else worked out here.
 * @param stored of the revision that is stored
 */
export function useRehearsable(revision: number, stored: Rehearsable): Rehearsable & { readonly of: Station | null } {
  const station = useEditor((s) => s.judged.context.station);
  const saved = useEditor((s) => s.saved);
  const [found, setFound] = useState<Rehearsable & { readonly of: Station | null }>({
    ...stored,
    of: saved.revision === revision ? saved.station : null,
  });
  useEffect(() => {
    if (found.of === station) return;
    let wanted = true;
    void import('./lookUp').then((m) => wanted && setFound({ ...m.rehearsable(station), of: station }));
    return () => void (wanted = false);
  }, [station, found]);
  return found;
}
