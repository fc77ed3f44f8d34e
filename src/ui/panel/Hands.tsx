'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { memo, useMemo, type KeyboardEvent } from 'react';
import { waitingOf } from '@/core/circuit';
import type { Device } from '@/core/schemes';
import { quantity, say } from '@/core/units';
import { useStationSystem } from '../editor/StationProvider';
import { usePanel } from './PanelProvider';
import { nextPosition } from './panelStore';

const chip = {
  px: 1,
  minHeight: 30,
  border: 1,
  borderColor: 'divider',
  borderRadius: 0.75,
  gap: 0.75,
  fontSize: 12.5,
  fontFamily: 'inherit',
  justifyContent: 'flex-start',
  '&:hover': { bgcolor: 'action.hover' },
} as const;

/** One thing that a hand works: a touch moves it on, a button springs back. */
const Hand = memo(function Hand({
  device: d,
  state,
  put,
  turn,
}: {
  device: Device;
  state: string;
  put(tag: string, state: string): void;
  turn(tag: string): void;
}) {
  const position = state === 'tripped' ? 'tripped' : (d.positions.find((p) => p.state === state)?.label ?? state);
  const springs = d.springs !== undefined;
  const press = (down: boolean) => put(d.tag, down ? nextPosition(d, d.initial) : d.initial);
  const isKey = (e: KeyboardEvent) => springs && (e.key === ' ' || e.key === 'Enter');
  return (
    <ButtonBase
      aria-label={`${d.tag}, ${d.label}: ${position}`}
      title={d.label}
      onClick={() => !springs && turn(d.tag)}
      onPointerDown={() => springs && press(true)}
      onPointerUp={() => springs && press(false)}
      onPointerLeave={() => springs && state !== d.initial && press(false)}
      onKeyDown={(e) => !e.repeat && isKey(e) && press(true)}
      onKeyUp={(e) => isKey(e) && press(false)}
      sx={{
        ...chip,
        ...(state !== d.initial && { borderColor: 'primary.main', borderWidth: 2 }),
        ...(state === 'tripped' && { borderColor: 'error.main', borderWidth: 2, color: 'error.main' }),
      }}
    >
      <b>{d.tag}</b>
      <span>{springs ? d.label : position}</span>
    </ButtonBase>
  );
});

/** Everything that a hand can work, by name and position, every timer that runs and protection that warms: the drawing’s own hands, for keyboard and glove. */
export function Hands() {
  const panel = usePanel((s) => s.live!.panel);
  const settled = usePanel((s) => s.live!.settled);
  const put = usePanel((s) => s.put);
  const turn = usePanel((s) => s.turn);
  const letTimeRun = usePanel((s) => s.letTimeRun);
  const system = useStationSystem();
  const hands = panel.devices.filter(
    (d) => d.sensor === undefined && (d.positions.length > 0 || settled.states[d.tag] === 'tripped'),
  );
  const waiting = useMemo(() => waitingOf(settled), [settled]);
  return (
    <Box role="group" aria-label="worked by hand" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, px: 1, py: 0.5 }}>
      {hands.map((d) => (
        <Hand key={d.tag} device={d} state={settled.states[d.tag]!} put={put} turn={turn} />
      ))}
      {waiting.map(({ device, from, to, after }) => (
        <ButtonBase
          key={device}
          onClick={() => letTimeRun(device)}
          sx={{
            ...chip,
            borderStyle: 'dashed',
            borderColor: to === 'tripped' ? 'error.main' : 'primary.main',
          }}
        >
          <b>{device}</b> {to === 'tripped' ? 'warms, and opens' : from}: let {say(quantity('time', after), system)}{' '}
          pass
        </ButtonBase>
      ))}
      {settled.chatter.length > 0 && (
        <Typography role="alert" color="error" sx={{ fontWeight: 700, alignSelf: 'center' }}>
          chatter: {settled.chatter.join(', ')} never come to rest
        </Typography>
      )}
    </Box>
  );
}
