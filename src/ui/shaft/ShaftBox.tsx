'use client';
import Box from '@mui/material/Box';
import type { ReactNode, SVGProps } from 'react';
import type { Group } from '@/core/papers';
import { Shaft } from './Shaft';
import type { useStationScene } from './useStationScene';

interface Props {
  drawn: ReturnType<typeof useStationScene>;
  groupProps(group: Group): SVGProps<SVGGElement> | undefined;
  children?: ReactNode;
}

/** The shaft of a station filling its box. */
export function ShaftBox({ drawn: { ref, context, scene, pointed }, groupProps, children }: Props) {
  return (
    <Box ref={ref} sx={{ width: '100%', height: '100%', minHeight: 0, overflow: 'hidden' }}>
      <Shaft
        scene={scene}
        title={`shaft of ${context.station.identity.name}`}
        pointed={pointed}
        groupProps={groupProps}
      >
        {children}
      </Shaft>
    </Box>
  );
}
