import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { meterOf, ownMeterId, type Meter } from '@/core/book';
import { Pick } from '../parts/Pick';
import { Segments } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';

const WAYS = [
  ['figure', 'shows a figure'],
  ['counts', 'counts up'],
] as const;

/** Registers a meter that is in no list: what it is called, its unit, whether it counts, and which pump it belongs to. */
export function OwnMeterForm({
  pumps,
  known,
  onAdd,
}: {
  pumps: number;
  known: readonly string[];
  onAdd(meter: Meter): void;
}) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [unit, setUnit] = useState('');
  const [way, setWay] = useState<(typeof WAYS)[number][0]>('figure');
  const [pump, setPump] = useState(0);
  if (!open)
    return (
      <Button sx={{ alignSelf: 'flex-start', minHeight: 44 }} onClick={() => setOpen(true)}>
        a meter of your own
      </Button>
    );
  const id = ownMeterId({ name, unit, counts: way === 'counts', pump: pump === 0 ? null : pump });
  const meter = id === null ? null : meterOf(id);
  const there = id !== null && known.includes(id);
  const add = () => {
    if (!meter || there) return;
    onAdd(meter);
    setOpen(false);
    setName('');
    setUnit('');
  };
  return (
    <Box
      role="group"
      aria-label="a meter of your own"
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.25, borderLeft: 3, borderColor: 'divider', pl: 1.5 }}
    >
      <TextBox
        label="what it is called"
        value={name}
        problem={
          there
            ? 'is among the meters already'
            : name.trim() !== '' && !meter
              ? 'a name of up to 40 letters and a unit of up to 12, without colons'
              : undefined
        }
        help="its readings are kept, shown and carried; no finding is made of them"
        onChange={(e) => setName(e.target.value)}
      />
      <TextBox label="its unit" value={unit} onChange={(e) => setUnit(e.target.value)} />
      <Segments label="what it does" value={way} choices={WAYS} onPick={setWay} />
      {pumps > 0 && (
        <Pick
          label="it belongs to"
          value={pump}
          choices={[
            [0, 'the station'] as const,
            ...Array.from({ length: pumps }, (_, i) => [i + 1, `pump ${i + 1}`] as const),
          ]}
          onPick={(n) => setPump(Number(n))}
        />
      )}
      <Button sx={{ alignSelf: 'flex-start', minHeight: 44 }} disabled={!meter || there} onClick={add}>
        add it
      </Button>
    </Box>
  );
}
