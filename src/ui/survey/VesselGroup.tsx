'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import { setAt, withSection, withShape } from '@/core/editing';
import { depthOf, type VesselShape } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { DepthTableField } from './DepthTableField';
import { ChoiceField, QuantityField, WordsField } from '../fields/fields';
import { Row } from '../parts/Row';
import { Group } from './Group';
import { VesselSketch } from './VesselSketch';
import { Segments } from '../parts/Segments';

const SECTIONS = [
  ['cylinder', 'round'],
  ['box', 'box'],
] as const;

const SHAPE = 'vessel.shape';

function Sections({ shape }: { shape: Extract<VesselShape, { kind: 'stacked' }> }) {
  const edit = useEditor((s) => s.edit);
  const set = (sections: typeof shape.sections) => edit((d) => setAt(d, `${SHAPE}.sections`, sections));
  return (
    <>
      {shape.sections.map((section, i) => {
        const at = `${SHAPE}.sections.${i}` as const;
        return (
          <Box key={i} sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5 }}>
              <Typography variant="h3" component="h3">
                section {i + 1}
                {i === 0 ? ', on the floor' : i === shape.sections.length - 1 ? ', to the rim' : ''}
              </Typography>
              <Segments
                label={`shape of section ${i + 1}`}
                value={section.kind}
                choices={SECTIONS}
                onPick={(kind) => edit((d) => withSection(d, i, kind))}
              />
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
                <QuantityField path={`${at}.diameter`} n={i + 1} />
              ) : (
                <>
                  <QuantityField path={`${at}.length`} n={i + 1} />
                  <QuantityField path={`${at}.width`} n={i + 1} />
                </>
              )}
              <QuantityField path={`${at}.depth`} n={i + 1} />
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
          <QuantityField path={`${SHAPE}.diameter`} />
          <QuantityField path={`${SHAPE}.depth`} />
        </Row>
      );
    case 'box':
      return (
        <Row>
          <QuantityField path={`${SHAPE}.length`} />
          <QuantityField path={`${SHAPE}.width`} />
          <QuantityField path={`${SHAPE}.depth`} />
        </Row>
      );
    case 'frustum':
      return (
        <Row>
          <QuantityField path={`${SHAPE}.bottomDiameter`} />
          <QuantityField path={`${SHAPE}.topDiameter`} />
          <QuantityField path={`${SHAPE}.depth`} />
        </Row>
      );
    case 'lying':
      return (
        <Row>
          <QuantityField path={`${SHAPE}.diameter`} hint="and depth" />
          <QuantityField path={`${SHAPE}.length`} hint="between flat ends" />
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
        const at = `vessel.displacement.${i}` as const;
        return (
          <Box
            key={i}
            sx={{ display: 'grid', gridTemplateColumns: '1.6fr 1fr 1fr 1fr 36px', gap: 1, alignItems: 'start' }}
          >
            <WordsField path={`${at}.name`} />
            <QuantityField path={`${at}.volume`} />
            <QuantityField path={`${at}.from`} />
            <QuantityField path={`${at}.to`} />
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
      <ChoiceField path={`${SHAPE}.kind`} onPick={(v) => edit((d) => withShape(d, v as VesselShape['kind']))} />
      <ShapeFields shape={vessel.shape} />
      <Row>
        <QuantityField path="vessel.inletInvert" />
        <QuantityField path="vessel.overflow" />
      </Row>
      <Equipment />
    </Group>
  );
}
