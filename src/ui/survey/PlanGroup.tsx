'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { setAt, withObstacle } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { QuantityField, WordsField } from '../fields/fields';
import { Row } from '../parts/Row';
import { Group } from './Group';
import { ListRow } from './ListRow';
import { PlanSketch } from './PlanSketch';
import { SettingField } from '../fields/SettingField';
import { TickBox } from '../parts/TickBox';

/** Where things stand, seen from above: the pole, the inlet's stream, ladders and posts. Bearings run clockwise from a mark on the rim. */
export function PlanGroup() {
  const obstacles = useEditor((s) => s.document.obstacles);
  const stream = useEditor((s) => s.document.vessel.inletStream);
  const edit = useEditor((s) => s.edit);
  return (
    <Group id="plan" title="From above" sketch={<PlanSketch />}>
      <Row>
        <QuantityField path="pole.bearing" />
        <QuantityField path="pole.offset" />
        <QuantityField path="pole.diameter" />
        <SettingField name="swingClearance" />
        <SettingField name="sideSwingDeg" />
      </Row>
      <TickBox
        label="the inlet falls free into the pit"
        checked={stream !== null}
        onChange={(falls) =>
          edit((d) => setAt(d, 'vessel.inletStream', falls ? { bearing: 0, offset: 0.2, diameter: 0.1 } : null))
        }
      />
      {stream && (
        <Row>
          <QuantityField path="vessel.inletStream.bearing" />
          <QuantityField path="vessel.inletStream.offset" />
          <QuantityField path="vessel.inletStream.diameter" />
        </Row>
      )}
      {obstacles.map((o, i) => {
        const at = `obstacles.${i}` as const;
        return (
          <ListRow
            key={i}
            columns="1fr"
            remove={o.name}
            onRemove={() =>
              edit((d) =>
                setAt(
                  d,
                  'obstacles',
                  obstacles.filter((_, j) => j !== i),
                ),
              )
            }
          >
            <Row>
              <WordsField path={`${at}.name`} label={o.kind === 'round' ? 'post or pipe' : 'ladder or plate'} />
              <QuantityField path={`${at}.bearing`} />
              <QuantityField path={`${at}.offset`} />
              {o.kind === 'round' ? <QuantityField path={`${at}.diameter`} /> : <QuantityField path={`${at}.width`} />}
              {o.kind === 'flat' && <QuantityField path={`${at}.facing`} />}
              <QuantityField path={`${at}.from`} />
              <QuantityField path={`${at}.to`} />
            </Row>
          </ListRow>
        );
      })}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button onClick={() => edit((d) => withObstacle(d, 'flat'))}>add a ladder or plate</Button>
        <Button onClick={() => edit((d) => withObstacle(d, 'round'))}>add a post or pipe</Button>
      </Box>
    </Group>
  );
}
