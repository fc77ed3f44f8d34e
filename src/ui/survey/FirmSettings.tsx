'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEditor } from '../editor/StationProvider';
import { notify } from '../parts/notify';

/** What asks the server for it, fetched when it is first asked. */
const firm = () => import('./firmSettings');

/** The firm's own figures and schools: kept from a station that has them, taken by one that has not; a new station begins with them. */
export function FirmSettings() {
  const document = useEditor((s) => s.document);
  const edit = useEditor((s) => s.edit);
  const keep = async () => {
    const kept = await (await firm()).sendFirm(document);
    void (kept.ok
      ? notify(
          kept.here
            ? 'Kept on this device only: the firm’s from when the server answers'
            : 'These are the firm’s figures: new stations begin with them',
        )
      : notify(`Not kept: ${kept.reason}`, 'error'));
  };
  const take = async () => {
    const { askFirm, byFirm } = await firm();
    const asked = await askFirm(document.profile);
    if (!asked.ok) return void notify(`Not taken: ${asked.reason}`, 'error');
    const { firm: own } = asked;
    if (!own) return void notify('The firm has kept no figures of its own yet');
    edit((d) => byFirm(d, own));
    void notify('The firm’s figures are taken; undo brings these back');
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
      <Button onClick={() => void take()}>take the firm’s</Button>
      <Button onClick={() => void keep()}>make these the firm’s</Button>
      <Typography variant="body2" sx={{ flex: '1 1 220px' }}>
        Every figure and school that rules and wires take as given, ambient, grouping and the table of the conductors
        among them.
      </Typography>
    </Box>
  );
}
