import { useMemo } from 'react';
import { asLanded, type AsLanded } from '@/core/wiring';
import { useQuiet } from '../parts/useQuiet';
import { usePanel } from './PanelProvider';

/** The station as landed against its design, once the hand pauses; null while it moves. */
export function useLanded(): AsLanded | null {
  const { station, panel } = usePanel((s) => s.live!);
  const calm = useQuiet(station, 60);
  return useMemo(() => (calm === station ? asLanded(station, panel) : null), [calm, station, panel]);
}
