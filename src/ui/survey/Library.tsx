'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { withPumpModel } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { listPumpModels, modelOf, sendPumpModel, type PumpModel } from './pumpLibrary';
import { Offer } from './SegmentList';

/** The pumps that were typed before, on this server: take one, or keep this one for the next station. */
export function Library({ index }: { index: number }) {
  const pump = useEditor((s) => s.document.pumps[index]!);
  const edit = useEditor((s) => s.edit);
  const [models, setModels] = useState<readonly PumpModel[]>([]);
  const { enqueueSnackbar } = useSnackbar();
  useEffect(() => {
    void listPumpModels().then(setModels);
  }, []);
  const keep = async () => {
    const kept = await sendPumpModel(modelOf(pump));
    enqueueSnackbar(kept.ok ? `“${pump.name}” is in the library` : `Not kept: ${kept.reason}`, {
      variant: kept.ok ? 'default' : 'error',
    });
    if (kept.ok) setModels(await listPumpModels());
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
