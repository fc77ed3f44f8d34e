import { useEffect, useState } from 'react';
import type { AsLanded } from '@/core/wiring';
import type { LandedApi } from '@/workers/landed';
import { useQuiet } from '../parts/useQuiet';
import { useWorker } from '../parts/useWorker';
import { usePanel } from './PanelProvider';

const open = () => new Worker(new URL('../../workers/landed.ts', import.meta.url), { type: 'module' });
/** What is not known is told, and as what it may be. */
const UNKNOWN: AsLanded = {
  differences: [],
  effects: [
    {
      id: 'unknown',
      severity: 'danger',
      sentence: 'this landing could not be checked: nothing is known of what it does',
      inputs: null,
      when: 'always',
    },
  ],
  strays: [],
};
const NOTHING: AsLanded = { differences: [], effects: [], strays: [] };

/**
 * What is not as designed and what that will do: worked out with every input and every second fault, so only once a drag pauses, and off the
 * page. null while it is being worked out.
 */
export function useLanded(): AsLanded | null {
  const station = usePanel((s) => s.live!.station);
  const calm = useQuiet(station, 60);
  const { go, end } = useWorker<LandedApi>(open);
  const [found, setFound] = useState<{ of: typeof station; report: AsLanded } | null>(null);
  const { cores, links } = calm.landings;
  const plain = cores.length + links.length === 0;
  useEffect(() => {
    if (plain) return end();
    go({
      ask: (api) => api.asLanded(calm),
      done: (report) => setFound({ of: calm, report: report ?? NOTHING }),
      failed: () => setFound({ of: calm, report: UNKNOWN }),
    });
  }, [calm, plain, go, end]);
  if (plain && calm === station) return NOTHING;
  return found?.of === station ? found.report : null;
}
