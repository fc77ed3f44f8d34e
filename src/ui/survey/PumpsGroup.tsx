'use client';
import { traitsOf } from '@/core/duties';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { withPumpCount, withPumpsLike } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { CurveField } from './CurveField';
import { QuantityField, TickField, WordsField } from '../fields/fields';
import { Row } from '../parts/Row';
import { Group } from './Group';
import { Library } from './Library';
import { PowerPoints } from './PowerPoints';
import { SegmentList } from './SegmentList';
import { PumpSketch } from './sketches';
import { Segments } from '../parts/Segments';

const HOW_MANY = [
  [1, 'one pump'],
  [2, '2'],
  [3, '3'],
] as const satisfies readonly (readonly [Parameters<typeof withPumpCount>[1], string])[];

/** One pump: what its plate and its curve say, where it stands, its own riser. */
function PumpFields({ index }: { index: number }) {
  const pump = useEditor((s) => s.document.pumps[index]!);
  const many = useEditor((s) => s.document.pumps.length > 1);
  const { mover } = traitsOf({ duty: useEditor((s) => s.document.duty) });
  const here = mover.kind === 'pump' && mover.stands === 'in-vessel';
  const edit = useEditor((s) => s.edit);
  const at = `pumps.${index}` as const;
  const last = useEditor((s) => s.document.discharge.segments[0]!);
  return (
    <>
      <WordsField path={`${at}.name`} />
      <Library index={index} />
      {here && (
        <Row>
          <QuantityField path={`${at}.intake`} />
          <QuantityField path={`${at}.volute`} />
          <QuantityField path={`${at}.motorTop`} />
        </Row>
      )}
      <Row>
        <QuantityField path={`${at}.startsPerHour`} />
        <QuantityField path={`${at}.minimumRun`} />
        <QuantityField path={`${at}.ratedCurrent`} />
        <QuantityField path={`${at}.headShare`} />
        <QuantityField path={`${at}.minimumFlow`} nullable />
      </Row>
      {here && (
        <Row>
          <QuantityField path={`${at}.diameter`} />
          <QuantityField path={`${at}.bell`} nullable />
          <QuantityField path={`${at}.bearing`} />
          <QuantityField path={`${at}.offset`} />
          <QuantityField path={`${at}.riserBearing`} />
          <QuantityField path={`${at}.riserOffset`} />
        </Row>
      )}
      <CurveField index={index} />
      <PowerPoints index={index} />
      {pump.riser.length > 0 && (
        <Typography variant="h3" component="h3">
          its own riser
        </Typography>
      )}
      <SegmentList
        path={`${at}.riser`}
        segments={pump.riser}
        least={0}
        addLabel={pump.riser.length === 0 ? 'give it a riser of its own' : 'add a length to the riser'}
        made={{ ...last, name: 'riser', length: 2, fittings: [] }}
      />
      {many && (
        <Box>
          <Button onClick={() => edit((d) => withPumpsLike(d, index))}>make all pumps like this one</Button>
        </Box>
      )}
    </>
  );
}

/** One to three pumps, alike or not. A tank that is filled through a valve has none. */
export function PumpsGroup({ shown: chosen, onShow }: { shown: number; onShow(index: number): void }) {
  const pumps = useEditor((s) => s.document.pumps);
  const valve = useEditor((s) => traitsOf(s.document).mover.kind === 'valve');
  const stop = useEditor((s) => s.judged.context.stop);
  const edit = useEditor((s) => s.edit);
  const shown = Math.min(chosen, pumps.length - 1);
  if (valve) return null;
  return (
    <Group
      id="pump"
      title={pumps.length === 1 ? 'Pump' : 'Pumps'}
      sketch={<PumpSketch pump={pumps[shown]!} stop={stop} />}
    >
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
        <Segments
          label="how many pumps"
          value={HOW_MANY[pumps.length - 1]?.[0] ?? null}
          choices={HOW_MANY}
          onPick={(n) => edit((d) => withPumpCount(d, n))}
        />
        {pumps.length > 1 && (
          <Segments
            label="pump shown"
            value={shown}
            choices={pumps.map((_, i) => [i, `pump ${i + 1}`] as const)}
            onPick={onShow}
          />
        )}
        {pumps.length > 1 && <TickField path="control.alternates" />}
      </Box>
      <PumpFields key={shown} index={shown} />
    </Group>
  );
}
