'use client';
import Box from '@mui/material/Box';
import { useSyncExternalStore, type ReactNode } from 'react';
import type { Gauge } from '@/core/papers';
import { Opening } from '../parts/Opening';
import { Shaft } from '../shaft/Shaft';

const never = () => () => {};

/**
 * A view of a station is worked out in the browser alone: the server that answers everybody draws none. Until it is there, the small drawing
 * that is kept beside the revision stands in its place.
 */
export function AtFirst({
  name,
  scene,
  children,
}: {
  name: string;
  scene: Gauge['scene'] | null;
  children: ReactNode;
}) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  if (here) return children;
  return (
    <Box sx={{ display: 'flex', p: 2, gap: 2 }}>
      {scene && <Shaft scene={scene} title={`shaft of ${name}`} />}
      <Opening />
    </Box>
  );
}
