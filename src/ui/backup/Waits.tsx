'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { day } from '../parts/when';
import { heldWords, type HereShown } from './shown';
import type { Switched, WaitingShown } from './sendBackup';

interface Props {
  of: WaitingShown;
  here: HereShown;
  onSwitched(what: Switched): void;
  onDropped(): void;
}

/** That it ends earlier than what is here; null: it does not. */
function endsEarlier({ last }: WaitingShown, here: HereShown): string | null {
  if (here.last === null || (last !== null && last >= here.last)) return null;
  if (last === null) return 'Nothing was ever written in it: what was written here would be out of sight.';
  return day(last) === day(here.last)
    ? 'It ends on the same day as what is here, but earlier: what was written since would be out of sight.'
    : `It ends on ${day(last)}: what was written here since then, up to ${day(here.last)}, would be out of sight.`;
}

/** What speaks against switching: it ends earlier than what is here, or holds fewer stations. */
function warnings(of: WaitingShown, here: HereShown): string[] {
  const earlier = endsEarlier(of, here);
  const { stations } = of.holds;
  return [
    ...(earlier === null ? [] : [earlier]),
    ...(stations < here.stations
      ? [`It has ${stations} station${stations === 1 ? '' : 's'}, here there are ${here.stations}.`]
      : []),
  ];
}

/** A backup that is laid beside what is here: what it holds, and whether it takes its place. */
export function Waits({ of, here, onSwitched, onDropped }: Props) {
  const [sure, setSure] = useState(false);
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const put = async () => {
    if (!sure) return setSure(true);
    setBusy(true);
    const { switchBackup } = await import('./sendBackup');
    const said = await switchBackup(of.id);
    setBusy(false);
    setSure(false);
    if (said.ok) onSwitched(said.value);
    else setFailed(said.why);
  };
  const leave = async () => {
    const { dropBackup } = await import('./sendBackup');
    const said = await dropBackup(of.id);
    if (said.ok) onDropped();
    else setFailed(said.why);
  };
  return (
    <Box
      component="section"
      aria-label={`backup ${of.name}`}
      sx={{ borderTop: 1, borderColor: 'text.primary', py: 1.5 }}
    >
      <Typography variant="h3" component="h3">
        {of.name}
      </Typography>
      <Typography variant="body1" component="p" sx={{ m: 0 }}>
        {heldWords(of.holds)}. Last written {of.last === null ? 'never' : day(of.last)}.
      </Typography>
      <Box component="details">
        <Typography component="summary" variant="body2" sx={{ cursor: 'pointer', minHeight: 44, pt: 1.25 }}>
          Its stations
        </Typography>
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {of.stations.map((s, i) => (
            <Typography component="li" variant="body2" key={i}>
              {s.site} ▸ {s.name}: revision {s.revision}, saved {day(s.savedAt)}
            </Typography>
          ))}
        </Box>
      </Box>
      {warnings(of, here).map((w) => (
        <Typography
          key={w}
          role="note"
          variant="body1"
          component="p"
          sx={{ m: 0, mt: 1, borderLeft: 3, borderColor: 'warning.main', pl: 1 }}
        >
          {w}
        </Typography>
      ))}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1.5, '& button': { minHeight: 44 } }}>
        <Button
          variant={sure ? 'contained' : 'outlined'}
          color={sure ? 'error' : 'primary'}
          disabled={busy}
          onClick={() => void put()}
        >
          {busy
            ? 'being switched…'
            : sure
              ? 'yes: everybody works with it from now on'
              : 'put it in the place of what is here'}
        </Button>
        <Button disabled={busy} onClick={() => (sure ? setSure(false) : void leave())}>
          {sure ? 'not yet' : 'leave it, and take it away'}
        </Button>
      </Box>
      {failed !== null && (
        <Typography role="alert" variant="body2" color="error">
          Not done: {failed}
        </Typography>
      )}
    </Box>
  );
}
