'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { TextBox } from '../parts/TextBox';
import { askDoor } from './askDoor';

interface Props {
  /** What this is, in a line, and what is done with it. */
  title: string;
  says: string;
  action: string;
  /** Where it is sent, and what goes with it. */
  path: '/api/door/enter' | '/api/door/join';
  word?: string;
  /** Where one comes in. */
  to: string;
  /** A new passphrase, with what makes a good one. */
  makes?: boolean;
}

/** What is typed, what the server said, and the sending. */
function useDoor({ path, word, to }: Props) {
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [told, setTold] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async () => {
    setBusy(true);
    setTold(null);
    const answer = await askDoor(path, { name, passphrase, ...(word !== undefined && { word }) });
    if (answer.ok) {
      window.location.assign(to);
      return;
    }
    setTold(answer.why);
    setBusy(false);
  };
  return {
    name,
    setName,
    passphrase,
    setPassphrase,
    told,
    ready: !busy && name.trim() !== '' && passphrase !== '',
    send,
  };
}

/** A passphrase, which can be looked at while it is typed. */
function Passphrase({ value, makes, onType }: { value: string; makes: boolean; onType(text: string): void }) {
  const [shown, setShown] = useState(false);
  return (
    <TextBox
      label="passphrase"
      type={shown ? 'text' : 'password'}
      value={value}
      autoComplete={makes ? 'new-password' : 'current-password'}
      help={makes ? 'ten letters or more: four words that do not belong together are good' : undefined}
      onChange={(e) => onType(e.target.value)}
      inputSx={{ minHeight: 48 }}
      end={
        <Button size="small" aria-pressed={shown} onClick={() => setShown(!shown)} sx={{ minWidth: 0, minHeight: 44 }}>
          {shown ? 'hide' : 'show'}
        </Button>
      }
    />
  );
}

/** A name and a passphrase. */
export function DoorForm(props: Props) {
  const { title, says, action, makes = false } = props;
  const { name, setName, passphrase, setPassphrase, told, ready, send } = useDoor(props);
  return (
    <Box
      component="main"
      sx={{
        maxWidth: 420,
        mx: 'auto',
        px: 2.5,
        pt: { xs: 4, md: 10 },
        display: 'flex',
        flexDirection: 'column',
        gap: 2,
      }}
    >
      <Typography component="p" variant="label">
        Pit Bell
      </Typography>
      <Typography variant="h1">{title}</Typography>
      <Typography variant="body1">{says}</Typography>
      <Box
        component="form"
        aria-label={title}
        onSubmit={(e) => (e.preventDefault(), void send())}
        sx={{ display: 'flex', flexDirection: 'column', gap: 1.75 }}
      >
        <TextBox
          label="name"
          value={name}
          autoComplete="username"
          autoFocus
          onChange={(e) => setName(e.target.value)}
          inputSx={{ minHeight: 48 }}
        />
        <Passphrase value={passphrase} makes={makes} onType={setPassphrase} />
        {told !== null && (
          <Typography role="alert" variant="body1" sx={{ borderLeft: 3, borderColor: 'error.main', pl: 1 }}>
            {told}
          </Typography>
        )}
        <Button type="submit" variant="contained" disabled={!ready} sx={{ minHeight: 52 }}>
          {action}
        </Button>
      </Box>
    </Box>
  );
}
