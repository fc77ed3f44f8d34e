'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { landedByDesign } from '@/core/editing';
import type { AsLanded, Effect } from '@/core/wiring';
import { useEditor } from '../editor/StationProvider';
import { BEFORE } from './effectWords';
import { usePanel } from './PanelProvider';

/** So many sentences are read at once; danger is told whole. */
const AT_ONCE = 5;

/** What is landed otherwise than designed, what that will do, and in which inputs it shows. */
export function Landed({ report }: { report: AsLanded }) {
  const pose = usePanel((s) => s.pose);
  const edit = useEditor((s) => s.edit);
  const dangers = report.effects.filter((e) => e.severity === 'danger').length;
  const [shown, more] = [0, 1].map((part) =>
    report.effects.filter((_, i) => Number(i >= Math.max(dangers, AT_ONCE)) === part),
  ) as [Effect[], Effect[]];
  const line = (e: Effect) => (
    <Box
      component="li"
      key={e.id}
      sx={{ fontWeight: 600, color: e.severity === 'danger' ? 'error.main' : 'text.primary' }}
    >
      {BEFORE[e.severity]}
      {e.sentence} ({e.when}){' '}
      {e.inputs && (
        <Button size="small" sx={{ minHeight: 24, py: 0 }} onClick={() => pose(e.inputs!)}>
          show it
        </Button>
      )}
    </Box>
  );
  return (
    <Box
      component="section"
      aria-label="not as designed"
      sx={{ px: 1.5, py: 1, borderTop: 1, borderColor: 'divider', '& ul': { m: 0, pl: 2.5 } }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Typography component="h2" variant="h3" sx={{ flex: 1 }}>
          Not as designed
        </Typography>
        <Button onClick={() => edit(landedByDesign)}>land all by design</Button>
      </Box>
      <ul>
        {report.differences.map((d) => (
          <li key={d.what}>{d.what}</li>
        ))}
        {report.strays.map((s) => (
          <li key={s}>kept from before: {s}</li>
        ))}
      </ul>
      {report.effects.length > 0 && (
        <Box component="ul" aria-label="what it will do">
          {shown.map(line)}
        </Box>
      )}
      {more.length > 0 && (
        <details>
          <Box component="summary" sx={{ cursor: 'pointer', minHeight: 30 }}>
            {more.length} more that{' '}
            {more.every((e) => e.severity === 'latent') ? 'wait for a second fault' : 'do not work as they should'}
          </Box>
          <Box component="ul" aria-label="what else it will do">
            {more.map(line)}
          </Box>
        </details>
      )}
      {report.effects.length === 0 && report.differences.length > 0 && (
        <Typography>
          No effect in what was asked: every float and every hand of this panel, with its timers run out; and, with all
          floats hanging and all lifted, each supply cut, each battery flat, and a winding of each motor that has an
          earth core to its frame. Not asked here: two of these at once, and a neutral lost.
        </Typography>
      )}
    </Box>
  );
}
