'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { setAt, withObstacle } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { QuantityField, WordsField } from './fields';
import { Group, Row } from './Group';
import { ListRow } from './ListRow';
import { PlanSketch } from './PlanSketch';
import { settingField } from './settingFields';
import { Tick } from './Tick';

/** Where things stand, seen from above: the pole, the inlet's stream, ladders and posts. Bearings run clockwise from a mark on the rim. */
export function PlanGroup() {
  const obstacles = useEditor((s) => s.document.obstacles);
  const stream = useEditor((s) => s.document.vessel.inletStream);
  const edit = useEditor((s) => s.edit);
  return (
    <Group id="plan" title="From above" sketch={<PlanSketch />}>
      <Row>
        <QuantityField path="pole.bearing" label="pole at" kind="angle" hint="from the mark on the rim" />
        <QuantityField path="pole.offset" label="pole, from the axis" kind="height" />
        <QuantityField path="pole.diameter" label="pole, across" kind="height" />
        {settingField('swingClearance')}
        {settingField('sideSwingDeg')}
      </Row>
      <Tick
        label="the inlet falls free into the pit"
        checked={stream !== null}
        onChange={(falls) =>
          edit((d) => setAt(d, 'vessel.inletStream', falls ? { bearing: 0, offset: 0.2, diameter: 0.1 } : null))
        }
      />
      {stream && (
        <Row>
          <QuantityField path="vessel.inletStream.bearing" label="falls at" kind="angle" />
          <QuantityField path="vessel.inletStream.offset" label="falls, from the axis" kind="height" />
          <QuantityField path="vessel.inletStream.diameter" label="stream, across" kind="height" />
        </Row>
      )}
      {obstacles.map((o, i) => {
        const at = `obstacles.${i}`;
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
              <QuantityField path={`${at}.bearing`} label="at" kind="angle" />
              <QuantityField path={`${at}.offset`} label="from the axis" kind="height" />
              {o.kind === 'round' ? (
                <QuantityField path={`${at}.diameter`} label="across" kind="height" />
              ) : (
                <QuantityField path={`${at}.width`} label="wide" kind="height" />
              )}
              {o.kind === 'flat' && <QuantityField path={`${at}.facing`} label="its face looks to" kind="angle" />}
              <QuantityField path={`${at}.from`} label="from, floor up" kind="height" />
              <QuantityField path={`${at}.to`} label="to, floor up" kind="height" />
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
