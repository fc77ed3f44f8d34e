'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { COMMON_FITTINGS, COMMON_PIPES, depthOf, type Segment } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { ChoiceField, QuantityField, WordsField } from './fields';
import { Group, Row } from './Group';
import { LiftSketch } from './sketches';
import { Tick } from './Tick';

const SCHOOLS = [
  ['darcy-weisbach', 'Darcy–Weisbach'],
  ['hazen-williams', 'Hazen–Williams'],
] as const;

/** A choice that sets something and then stands empty again. */
function Offer({ label, choices, onPick }: { label: string; choices: readonly string[]; onPick(index: number): void }) {
  return (
    <TextField select label={label} value="" onChange={(e) => onPick(Number(e.target.value))} fullWidth>
      {choices.map((name, i) => (
        <MenuItem key={name} value={i}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}

function Fittings({ at, segment }: { at: string; segment: Segment }) {
  const edit = useEditor((s) => s.edit);
  const set = (fittings: Segment['fittings']) => edit((d) => setAt(d, `${at}.fittings`, fittings));
  return (
    <>
      {segment.fittings.map((_, i) => (
        <Box key={i} sx={{ display: 'grid', gridTemplateColumns: '2fr 1fr 1fr 36px', gap: 1, alignItems: 'start' }}>
          <WordsField path={`${at}.fittings.${i}.name`} label="fitting" />
          <QuantityField path={`${at}.fittings.${i}.k`} label="K each" kind="factor" />
          <QuantityField path={`${at}.fittings.${i}.count`} label="how many" kind="count" />
          <IconButton aria-label={`remove fitting ${i + 1}`} onClick={() => set(segment.fittings.filter((_, j) => j !== i))}>
            ×
          </IconButton>
        </Box>
      ))}
      <Offer label="add a fitting" choices={COMMON_FITTINGS.map((f) => f.name)} onPick={(i) => set([...segment.fittings, { ...COMMON_FITTINGS[i]!, count: 1 }])} />
    </>
  );
}

function SegmentFields({ index, segment, only }: { index: number; segment: Segment; only: boolean }) {
  const edit = useEditor((s) => s.edit);
  const school = useEditor((s) => s.document.settings.friction);
  const at = `discharge.segments.${index}`;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.75 }}>
      {!only && (
        <Box sx={{ display: 'flex', gap: 1 }}>
          <WordsField path={`${at}.name`} label={`length ${index + 1}`} />
          <Button onClick={() => edit((d) => setAt(d, 'discharge.segments', d.discharge.segments.filter((_, j) => j !== index)))}>remove</Button>
        </Box>
      )}
      <Row>
        <QuantityField path={`${at}.length`} label="pipe length" kind="distance" />
        <QuantityField path={`${at}.bore`} label="bore" kind="bore" hint="inside" />
        {school === 'darcy-weisbach' ? <QuantityField path={`${at}.roughness`} label="roughness" kind="roughness" /> : <QuantityField path={`${at}.hazenWilliams`} label="C" kind="count" hint="Hazen–Williams" />}
        <Offer label="as for" choices={COMMON_PIPES.map((r) => r.name)} onPick={(i) => edit((d) => setAt(setAt(d, `${at}.roughness`, COMMON_PIPES[i]!.roughness), `${at}.hazenWilliams`, COMMON_PIPES[i]!.hazenWilliams))} />
      </Row>
      <Fittings at={at} segment={segment} />
    </Box>
  );
}

/** Where the water must go: the line, its outlet, check valve and weep hole. */
export function DischargeGroup() {
  const discharge = useEditor((s) => s.document.discharge);
  const depth = useEditor((s) => depthOf(s.document.vessel.shape));
  const stop = useEditor((s) => s.judged.judgement.context.stop);
  const pump = useEditor((s) => s.document.pumps[0]!);
  const edit = useEditor((s) => s.edit);
  const addLength = () => edit((d) => setAt(d, 'discharge.segments', [...d.discharge.segments, { ...d.discharge.segments.at(-1)!, name: `length ${d.discharge.segments.length + 1}`, fittings: [] }]));
  return (
    <Group id="discharge" title="Discharge" sketch={<LiftSketch depth={depth} outlet={discharge.outlet} stop={stop} />}>
      {discharge.segments.map((segment, i) => (
        <SegmentFields key={i} index={i} segment={segment} only={discharge.segments.length === 1} />
      ))}
      <Box>
        <Button onClick={addLength}>add a length of another pipe</Button>
      </Box>
      <Row>
        <ChoiceField path="settings.friction" label="friction by" choices={SCHOOLS} hint="by roughness, or by C" />
        <QuantityField path="discharge.outlet" label="outlet height" kind="head" hint="above the floor of the pit" />
      </Row>
      <Tick label="check valve fitted" checked={discharge.checkValve !== null} onChange={(fitted) => edit((d) => setAt(d, 'discharge.checkValve', fitted ? { pipeBefore: 1 } : null))} />
      {discharge.checkValve && (
        <Row>
          <QuantityField path="discharge.checkValve.pipeBefore" label="pipe before the check valve" kind="distance" hint="it drains back at every stop" />
        </Row>
      )}
      <Tick
        label="weep hole below the check valve (lets trapped air out)"
        checked={discharge.weepHole !== null}
        onChange={(fitted) => edit((d) => setAt(d, 'discharge.weepHole', fitted ? { diameter: 0.005, height: Number((pump.volute + 0.1).toFixed(3)) } : null))}
      />
      {discharge.weepHole && (
        <Row>
          <QuantityField path="discharge.weepHole.diameter" label="weep hole, diameter" kind="bore" />
          <QuantityField path="discharge.weepHole.height" label="weep hole, floor up" kind="height" />
        </Row>
      )}
      {!discharge.checkValve && <Typography variant="body2">No check valve: the whole line runs back into the pit at every stop.</Typography>}
    </Group>
  );
}
