'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Masthead } from '../frame/Masthead';
import { day } from '../parts/when';
import { usePrefs } from '../theme/Surface';
import type { Switched, WaitingShown } from './sendBackup';
import { heldWords, type HereShown } from './shown';
import { Waits } from './Waits';

interface Props {
  here: HereShown;
  /** Days of which a copy of the night is there, newest first. */
  copies: readonly string[];
  waiting: readonly WaitingShown[];
}

const SECTION = { borderTop: 1, borderColor: 'text.primary', pt: 1.5, mt: 2.5 } as const;

/** What is under way, and what went wrong. */
type Doing = { readonly what: string; readonly share: number | null } | { readonly failed: string } | null;

function DoingLine({ doing }: { doing: Doing }) {
  if (doing === null) return null;
  if ('failed' in doing)
    return (
      <Typography role="alert" variant="body1" color="error">
        Not laid beside: {doing.failed}. Nothing here was changed.
      </Typography>
    );
  return (
    <Typography role="status" variant="body1">
      {doing.what}
      {doing.share === null ? '' : `: ${Math.floor(doing.share * 100)} %`}
    </Typography>
  );
}

/** What came of a switch. */
function SwitchedLine({ what }: { what: Switched }) {
  return (
    <Typography
      role="status"
      variant="body1"
      component="p"
      sx={{ m: 0, mb: 2, borderLeft: 3, borderColor: 'text.primary', pl: 1 }}
    >
      <b>It is switched.</b>{' '}
      {what.before === null ? '' : `What was here before is kept as ${what.before} in the folder “copies”. `}
      {what.photos.added > 0 && `${what.photos.added} photographs came with it. `}
      {what.photos.strange > 0 && `${what.photos.strange} pictures were not what their names say, and were left out. `}A
      device that has stations along shows them as it took them until it takes them again.
    </Typography>
  );
}

/** Everything as one file. */
const TakeOne = ({ here }: Pick<Props, 'here'>) => (
  <>
    <Typography variant="h2">Take one</Typography>
    <Typography variant="body1" component="p" sx={{ m: 0 }}>
      Here now: {heldWords(here)}. Last written {here.last === null ? 'never' : day(here.last)}.
    </Typography>
    <Typography variant="body2" component="p" sx={{ mt: 0.5 }}>
      One file holds all of it, photographs too. It is made while everybody works, and read through before it is given
      out. Keep it where neither fire nor theft takes both: it holds whatever people wrote, so keep it locked.
    </Typography>
    <Button component="a" variant="contained" href="/api/backup/file" download sx={{ minHeight: 44, mt: 1 }}>
      take everything as one file
    </Button>
  </>
);

/** Copies that the server made by itself. */
function Nights({ copies, busy, onLook }: Pick<Props, 'copies'> & { busy: boolean; onLook(day: string): void }) {
  return (
    <Box component="section" aria-label="copies of the night" sx={SECTION}>
      <Typography variant="h2">Copies of the night</Typography>
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        {copies.length === 0
          ? 'None is there yet: the server makes one each night, unless it was started with --copies 0.'
          : 'In the folder “copies” of the data folder, on the same disk: they help against a mistake, not against a lost disk. Photographs are not in them; those that are here stay.'}
      </Typography>
      <Box component="ul" aria-label="copies" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {copies.map((c) => (
          <Box component="li" key={c} sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
            <Typography variant="body1">{day(c)}</Typography>
            <Button
              disabled={busy}
              onClick={() => onLook(c)}
              aria-label={`look into the copy of ${day(c)}`}
              sx={{ minHeight: 44 }}
            >
              look into it
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** Everything as one file, and back again: made, looked into, and switched. */
export function BackupView({ here, copies, waiting }: Props) {
  const { units } = usePrefs();
  const router = useRouter();
  const [doing, setDoing] = useState<Doing>(null);
  const [switched, setSwitched] = useState<Switched | null>(null);
  const busy = doing !== null && 'what' in doing;
  const after = (said: { ok: true } | { ok: false; why: string }) => {
    setDoing(said.ok ? null : { failed: said.why });
    if (said.ok) router.refresh();
  };
  const send = async (file: File) => {
    const { sendBackup } = await import('./sendBackup');
    setDoing({ what: 'It is sent', share: 0 });
    after(
      await sendBackup(file, (share) =>
        setDoing(share < 1 ? { what: 'It is sent', share } : { what: 'It is read through', share: null }),
      ),
    );
  };
  const look = async (of: string) => {
    const { layCopy } = await import('./sendBackup');
    setDoing({ what: 'It is read through', share: null });
    after(await layCopy(of));
  };
  return (
    <>
      <Masthead
        system={units}
        crumbs={
          <Typography component="h1" variant="body1" noWrap>
            ▸ <b>backup</b>
          </Typography>
        }
      />
      <Box component="main" sx={{ maxWidth: 760, mx: 'auto', p: { xs: 2, md: 3 } }}>
        {switched && <SwitchedLine what={switched} />}
        <TakeOne here={here} />
        <Box component="section" aria-label="bring one back" sx={SECTION}>
          <Typography variant="h2">Bring one back</Typography>
          <Typography variant="body2" component="p" sx={{ m: 0 }}>
            It is laid beside what is here and read through; you see what it holds, and then say whether it takes its
            place. What is here now stays as a copy.
          </Typography>
          <Button component="label" disabled={busy} variant="outlined" sx={{ minHeight: 44, my: 1.5 }}>
            look into a backup
            <input
              type="file"
              accept=".sqlite,application/vnd.sqlite3"
              hidden
              onChange={(e) => {
                const file = e.target.files?.[0];
                e.target.value = '';
                if (file) void send(file);
              }}
            />
          </Button>
          <DoingLine doing={doing} />
          {waiting.map((w) => (
            <Waits
              key={w.id}
              of={w}
              here={here}
              onSwitched={(what) => {
                setSwitched(what);
                router.refresh();
              }}
              onDropped={() => router.refresh()}
            />
          ))}
        </Box>
        <Nights copies={copies} busy={busy} onLook={(of) => void look(of)} />
      </Box>
    </>
  );
}
