'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { setAt } from '@/core/editing';
import { powerOf } from '@/core/hydraulics';
import { useEditor } from '../editor/StationProvider';
import { QuantityField } from '../fields/fields';
import { TickBox } from '../parts/TickBox';
import { ListRow } from './ListRow';

/** What a pump takes by its flow, where its maker tells it. It begins with the shape that is assumed otherwise. */
export function PowerPoints({ index }: { index: number }) {
  const pump = useEditor((s) => s.document.pumps[index]!);
  const supply = useEditor((s) => s.document.supply);
  const edit = useEditor((s) => s.edit);
  const at = `pumps.${index}.power` as const;
  const put = (power: typeof pump.power) => edit((d) => setAt(d, at, power));
  const { power } = pump;
  const assumed = () => {
    const of = powerOf(pump, supply);
    return pump.curve.map(({ flow }) => ({ flow, power: Math.round(of(flow)) }));
  };
  return (
    <>
      <TickBox
        label="its maker tells what it takes by flow (else a typical shape is assumed)"
        checked={power !== null}
        onChange={(told) => put(told ? assumed() : null)}
      />
      {power?.map((_, i) => (
        <ListRow
          key={i}
          columns="1fr 1fr"
          remove={`power point ${i + 1}`}
          removable={power.length > 2}
          onRemove={() => put(power.filter((__, j) => j !== i))}
        >
          <QuantityField path={`${at}.${i}.flow`} n={i + 1} />
          <QuantityField path={`${at}.${i}.power`} n={i + 1} />
        </ListRow>
      ))}
      {power && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          <Button onClick={() => put([...power, { flow: power.at(-1)!.flow * 1.1, power: power.at(-1)!.power }])}>
            add a point of power
          </Button>
          <Typography variant="body2">Electrical input, from no flow to the last of the curve.</Typography>
        </Box>
      )}
    </>
  );
}
