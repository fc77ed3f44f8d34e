'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMemo, useRef, type KeyboardEvent, type PointerEvent, type SVGProps } from 'react';
import { turnFloat } from '@/core/editing';
import { adviseSwing, type Judgement } from '@/core/levels';
import { planScene, type Group, type PlanScene } from '@/core/papers';
import { clipPoint, type Clearance } from '@/core/sensing';
import { quantity, say, sayPhrase, type UnitSystem } from '@/core/units';
import { useEditor, useEditorStore } from '../editor/StationProvider';
import { Shaft } from '../shaft/Shaft';

const TURN = 5;

/** Turns floats round their clips: dragged, or by arrow keys, 5° a stroke and 45° with Shift. */
function useTurning({ layout }: PlanScene) {
  const store = useEditorStore();
  const turning = useRef<string | null>(null);
  const turn = (id: string, to: (now: number) => number) =>
    store.getState().edit((d) => {
      const sensor = d.sensors.find((s) => s.id === id);
      if (!sensor) return d;
      return turnFloat(d, id, to(sensor.place.from === 'pole' ? sensor.place.bearing : sensor.place.facing));
    });
  const end = () => {
    if (!turning.current) return;
    turning.current = null;
    store.getState().endDrag();
  };
  return ({ part, label }: Group): SVGProps<SVGGElement> | undefined => {
    if (!part?.startsWith('float:')) return { role: 'img', 'aria-label': label };
    const id = part.slice('float:'.length);
    const { document, point } = store.getState();
    const sensor = document.sensors.find((s) => s.id === id);
    if (sensor?.kind !== 'tilt') return { role: 'img', 'aria-label': label };
    const facing = sensor.place.from === 'pole' ? sensor.place.bearing : sensor.place.facing;
    return {
      className: 'movable',
      role: 'slider',
      tabIndex: 0,
      'aria-label': label,
      'aria-valuemin': 0,
      'aria-valuemax': 359,
      'aria-valuenow': facing,
      'aria-valuetext': `faces ${facing}°`,
      onFocus: () => point([part]),
      onBlur: () => point([]),
      onPointerEnter: () => point([part]),
      onPointerDown(e: PointerEvent<SVGGElement>) {
        e.currentTarget.setPointerCapture(e.pointerId);
        turning.current = id;
        store.getState().beginDrag();
      },
      onPointerMove(e: PointerEvent<SVGGElement>) {
        if (turning.current !== id) return;
        const box = e.currentTarget.ownerSVGElement!.getBoundingClientRect();
        const at = clipPoint(document, sensor.place.from === 'pole' ? { ...sensor.place, offset: 0 } : sensor.place);
        const [dx, dy] = [
          e.clientX - box.left - layout.x - at.x * layout.scale,
          layout.y - at.y * layout.scale - (e.clientY - box.top),
        ];
        turn(id, () => Math.round((Math.atan2(dx, dy) * 180) / Math.PI / TURN) * TURN);
      },
      onPointerUp: end,
      onPointerCancel: end,
      onKeyDown(e: KeyboardEvent<SVGGElement>) {
        const by = (e.shiftKey ? 45 : TURN) * ({ ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key] ?? 0);
        if (by === 0) return;
        e.preventDefault();
        turn(id, (now) => now + by);
      },
    };
  };
}

const stateOf = ({ clearance }: Clearance, room: number) =>
  clearance < 0 ? 'touches' : clearance < room ? 'tight' : 'clear';

/** The pit from above, floats turned round their clips, and the room that each keeps from everything over its whole swing. */
export function PlanView({ judgement, system }: { judgement: Judgement; system: UnitSystem }) {
  const { context } = judgement;
  const scene = useMemo(() => planScene(context, 250, 250), [context]);
  const advice = useMemo(() => adviseSwing(context), [context]);
  const edit = useEditor((s) => s.edit);
  const pointed = useEditor((s) => s.pointed);
  const point = useEditor((s) => s.point);
  const groupProps = useTurning(scene);
  const { sensors, settings } = context.station;
  const role = (id: string) => sensors.find((s) => s.id === id)?.role ?? id;
  const { clearances } = scene.swing;
  if (clearances.length === 0) return <Typography sx={{ p: 1.5 }}>No float swings here: nothing can touch.</Typography>;
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '254px minmax(0, 1fr)', gap: 1, p: 1 }}>
      <Box>
        <Shaft scene={scene} title="the pit from above" pointed={pointed} groupProps={groupProps} />
        <Typography variant="label">drag a float round its clip, or ← → on it; Shift: 45°</Typography>
      </Box>
      <Box sx={{ minWidth: 0 }}>
        {advice && (
          <Box role="note" sx={{ mb: 1, p: 1, border: 1, borderColor: 'warning.main' }}>
            <Typography variant="body2">{sayPhrase(advice.sentence, system)}</Typography>
            {advice.turn && (
              <Button sx={{ mt: 0.5 }} onClick={() => edit((d) => turnFloat(d, advice.sensor, advice.turn!.to))}>
                turn it there
              </Button>
            )}
          </Box>
        )}
        <Table
          size="small"
          aria-label="room over the whole swing"
          sx={{ '& td, & th': { px: 0.75, py: 0.4, fontSize: 12.5 } }}
        >
          <TableHead>
            <TableRow>
              {['float', 'and', 'least room', 'with the water at'].map((h) => (
                <TableCell key={h}>{h}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {clearances.slice(0, 14).map((c) => (
              <TableRow
                key={`${c.float} ${c.other} ${c.name}`}
                onPointerEnter={() =>
                  point([`float:${c.float}`, ...(c.other.startsWith('float:') ? [c.other as `float:${string}`] : [])])
                }
                onPointerLeave={() => point([])}
              >
                <TableCell component="th" scope="row">
                  {role(c.float)}
                </TableCell>
                <TableCell>
                  {c.other.startsWith('float:') && c.name === c.other.slice(6) ? role(c.name) : c.name}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', fontWeight: c.clearance < settings.swingClearance ? 700 : 400 }}>
                  {stateOf(c, settings.swingClearance)} {say(quantity('height', Math.max(c.clearance, 0)), system)}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {c.lands ? 'hanging' : say(quantity('height', c.level), system)}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}
