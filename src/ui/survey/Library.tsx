'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { withPumpModel } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { notify } from '../parts/notify';
import type { PumpModel } from './pumpLibrary';
import { Offer } from './SegmentList';

/** What asks the server for it, fetched when it is first asked. */
const library = () => import('./pumpLibrary');

/** The pumps that were typed before, on this server: take one, or keep this one for the next station. */
export function Library({ index }: { index: number }) {
  const pump = useEditor((s) => s.document.pumps[index]!);
  const edit = useEditor((s) => s.edit);
  const [models, setModels] = useState<readonly PumpModel[]>([]);
  useEffect(() => {
    void library()
      .then((l) => l.listPumpModels())
      .then(setModels);
  }, []);
  const keep = async () => {
    const { listPumpModels, modelOf, sendPumpModel } = await library();
    const kept = await sendPumpModel(modelOf(pump));
    if (!kept.ok) return void notify(`Not kept: ${kept.reason}`, 'error');
    if (kept.here) return void notify(`“${pump.name}” is kept on this device only, until the server answers`);
    void notify(`“${pump.name}” is in the library`);
    setModels(await listPumpModels());
  };
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1.5, alignItems: 'center' }}>
      <Offer
        label="take from the library"
        choices={models.map((m) => m.name)}
        onPick={(i) => edit((d) => withPumpModel(d, index, models[i]!))}
      />
      <Button onClick={() => void keep()}>keep in the library</Button>
    </Box>
  );
}
