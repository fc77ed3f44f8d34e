'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { markWords } from '@/core/levels';
import { shaftScene } from '@/core/papers';
import { quantity, say } from '@/core/units';
import { isDirty } from '../editor/editorStore';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { usePrinting } from '../parts/usePrinting';
import { Shaft } from '../shaft/Shaft';
import { useJudgement } from './useJudgement';

/** The tape list on paper, drawn only while it is printed. */
export function TapePaper() {
  return usePrinting() ? <TapeSheet /> : null;
}

/** The shaft, and each float rim down and floor up, with a box to tick when it is set. */
function TapeSheet() {
  const judgement = useJudgement();
  const system = useStationSystem();
  const { context, tape, raise } = judgement;
  const { identity } = context.station;
  const revision = useEditor((s) => s.saved.revision);
  const dirty = useEditor(isDirty);
  const scene = shaftScene(context, { width: 420, height: 480, detail: 'full', system, level: context.stop });
  const height = (v: number) => say(quantity('height', v), system);
  return (
    <Box
      aria-hidden
      sx={{
        display: 'none',
        '@media print': { display: 'block' },
        '& table': { borderCollapse: 'collapse', width: '100%', my: 2 },
        '& td, & th': { textAlign: 'left', borderBottom: 1, borderColor: 'divider', py: 0.75 },
      }}
    >
      <Typography variant="h1" component="p">
        {identity.site}, {identity.name}: tape list
      </Typography>
      <Typography>{dirty ? `after revision ${revision}, not yet saved` : `revision ${revision}`}</Typography>
      <Shaft scene={scene} title="shaft" />
      <table>
        <thead>
          <tr>
            {['float', 'contact', 'rim down', 'floor up', 'on', 'off', 'water, hose', 'cord', 'set'].map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {tape.map((row) => (
            <tr key={row.sensor}>
              <td>
                {row.order} {row.role}
                {row.bearing !== null && `, faces ${say(quantity('angle', row.bearing), system)}`}
              </td>
              <td>{row.contact === 'closes-on-rise' ? 'closes on rise (NO hanging)' : 'opens on rise (NC hanging)'}</td>
              <td>
                {row.settings.map((m) => (
                  <div key={m.field}>
                    {m.label} {height(m.rimDown ?? m.value)}
                  </div>
                ))}
              </td>
              <td>{height(row.floorUp)}</td>
              <td>
                {height(row.rise)}
                {row.measured && ' (measured)'}
              </td>
              <td>{height(row.fall)}</td>
              <td>
                {say(quantity('volume', row.water), system)}, {say(quantity('time', row.byHose), system)}
              </td>
              <td>{say(quantity('distance', row.cord), system)}</td>
              <td>☐</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Typography>
        Water from the floor:{' '}
        {raise
          .map((r) => `${markWords(r.to, context.station.duty)} ${say(quantity('volume', r.fromFloor), system)}`)
          .join(', ')}
        .
      </Typography>
      <Typography>Isolate, lock and prove dead before reaching in. Do not enter the pit.</Typography>
    </Box>
  );
}
