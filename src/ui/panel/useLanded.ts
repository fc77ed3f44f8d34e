import { useEffect, useState } from 'react';
import type { AsLanded } from '@/core/wiring';
import { useQuiet } from '../parts/useQuiet';
import { usePanel } from './PanelProvider';

/**
 * What is not as designed and what that will do: worked out over every posture, so only once a drag pauses, and by what is fetched after the
 * page answers. null while it is being worked out.
 */
export function useLanded(): AsLanded | null {
  const { station, panel } = usePanel((s) => s.live!);
  const calm = useQuiet(station, 60);
  const [found, setFound] = useState<{ of: typeof station; report: AsLanded } | null>(null);
  useEffect(() => {
    let wanted = true;
    void import('./compareLanded').then((m) => wanted && setFound({ of: calm, report: m.asLanded(calm, panel) }));
    return () => void (wanted = false);
  }, [calm, panel]);
  return found?.of === station ? found.report : null;
}
