'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { setAt, withSection, withShape } from '@/core/editing';
import { depthOf, type VesselShape } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { DepthTableField } from './DepthTableField';
import { QuantityField, WordsField } from './fields';
import { Group, Row } from './Group';
import { VesselSketch } from './VesselSketch';

const KINDS: Readonly<Record<VesselShape['kind'], string>> = {
  cylinder: 'round, upright',
  box: 'box',
  frustum: 'round, tapered',
  lying: 'cylinder lying on its side',
  stacked: 'sections on one another',
  table: 'table of height and area',
};

const SHAPE = 'vessel.shape';

function Sections({ shape }: { shape: Extract<VesselShape, { kind: 'stacked' }> }) {
  const edit = useEditor((s) => s.edit);
  const set = (sections: typeof shape.sections) => edit((d) => setAt(d, `${SHAPE}.sections`, sections));
  return (
    <>
      {shape.sections.map((section, i) => {
        const at = `${SHAPE}.sections.${i}`;
        return (
          <Box key={i} sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
              <Typography variant="h3" component="h3">
                section {i + 1}
                {i === 0 ? ', on the floor' : i === shape.sections.length - 1 ? ', to the rim' : ''}
              </Typography>
              <ToggleButtonGroup
                exclusive
                value={section.kind}
                aria-label={`shape of section ${i + 1}`}
                onChange={(_, kind: 'cylinder' | 'box' | null) => kind && edit((d) => withSection(d, i, kind))}
              >
                <ToggleButton value="cylinder">round</ToggleButton>
                <ToggleButton value="box">box</ToggleButton>
              </ToggleButtonGroup>
              <IconButton
                aria-label={`remove section ${i + 1}`}
                disabled={shape.sections.length <= 2}
                onClick={() => set(shape.sections.filter((_, j) => j !== i))}
              >
                ×
              </IconButton>
            </Box>
            <Row>
              {section.kind === 'cylinder' ? (
                <QuantityField path={`${at}.diameter`} label={`diameter ${i + 1}`} kind="height" />
              ) : (
                <>
                  <QuantityField path={`${at}.length`} label={`length ${i + 1}`} kind="height" />
                  <QuantityField path={`${at}.width`} label={`width ${i + 1}`} kind="height" />
                </>
              )}
              <QuantityField path={`${at}.depth`} label={`height ${i + 1}`} kind="height" hint="its own" />
            </Row>
          </Box>
        );
      })}
      <Box>
        <Button onClick={() => set([...shape.sections, shape.sections.at(-1)!])}>add a section on top</Button>
      </Box>
    </>
  );
}

function ShapeFields({ shape }: { shape: VesselShape }) {
  switch (shape.kind) {
    case 'cylinder':
      return (
        <Row>
          <QuantityField path={`${SHAPE}.diameter`} label="diameter" kind="height" hint="inside" />
          <QuantityField path={`${SHAPE}.depth`} label="depth" kind="height" hint="floor to rim" />
        </Row>
      );
    case 'box':
      return (
        <Row>
          <QuantityField path={`${SHAPE}.length`} label="length" kind="height" hint="inside" />
          <QuantityField path={`${SHAPE}.width`} label="width" kind="height" hint="inside" />
          <QuantityField path={`${SHAPE}.depth`} label="depth" kind="height" hint="floor to rim" />
        </Row>
      );
    case 'frustum':
      return (
        <Row>
          <QuantityField path={`${SHAPE}.bottomDiameter`} label="diameter at the floor" kind="height" hint="inside" />
          <QuantityField path={`${SHAPE}.topDiameter`} label="diameter at the rim" kind="height" hint="inside" />
          <QuantityField path={`${SHAPE}.depth`} label="depth" kind="height" hint="floor to rim" />
        </Row>
      );
    case 'lying':
      return (
        <Row>
          <QuantityField path={`${SHAPE}.diameter`} label="diameter" kind="height" hint="and depth" />
          <QuantityField path={`${SHAPE}.length`} label="length" kind="height" hint="between flat ends" />
        </Row>
      );
    case 'stacked':
      return <Sections shape={shape} />;
    case 'table':
      return <DepthTableField rows={shape.rows} />;
  }
}

/** What stands in the water and takes its place. */
function Equipment() {
  const bodies = useEditor((s) => s.document.vessel.displacement);
  const depth = useEditor((s) => depthOf(s.document.vessel.shape));
  const edit = useEditor((s) => s.edit);
  const set = (next: typeof bodies) => edit((d) => setAt(d, 'vessel.displacement', next));
  return (
    <>
      {bodies.map((_, i) => {
        const at = `vessel.displacement.${i}`;
        return (
          <Box
            key={i}
            sx={{ display: 'grid', gridTemplateColumns: '1.6fr 1fr 1fr 1fr 36px', gap: 1, alignItems: 'start' }}
          >
            <WordsField path={`${at}.name`} label="equipment" />
            <QuantityField path={`${at}.volume`} label="takes up" kind="volume" />
            <QuantityField path={`${at}.from`} label="from" kind="height" />
            <QuantityField path={`${at}.to`} label="to" kind="height" />
            <IconButton aria-label={`remove equipment ${i + 1}`} onClick={() => set(bodies.filter((_, j) => j !== i))}>
              ×
            </IconButton>
          </Box>
        );
      })}
      <Box>
        <Button
          onClick={() =>
            set([...bodies, { name: 'pump and pipe', volume: 0.01, from: 0, to: Number((depth / 2).toFixed(3)) }])
          }
        >
          add equipment that displaces water
        </Button>
      </Box>
    </>
  );
}

/** The vessel: its shape, what stands in it, where water comes in and where it must not go out. */
export function VesselGroup() {
  const vessel = useEditor((s) => s.document.vessel);
  const edit = useEditor((s) => s.edit);
  return (
    <Group id="vessel" title="Vessel" sketch={<VesselSketch vessel={vessel} />}>
      <TextField
        select
        label="shape"
        value={vessel.shape.kind}
        onChange={(e) => edit((d) => withShape(d, e.target.value as VesselShape['kind']))}
      >
        {Object.entries(KINDS).map(([kind, words]) => (
          <MenuItem key={kind} value={kind}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      <ShapeFields shape={vessel.shape} />
      <Row>
        <QuantityField path="vessel.inletInvert" label="inlet invert" kind="height" hint="floor up" />
        <QuantityField path="vessel.overflow" label="overflow" kind="height" hint="floor up" />
      </Row>
      <Equipment />
    </Group>
  );
}
