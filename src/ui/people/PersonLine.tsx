'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from 'next/link';
import { askDoor } from './askDoor';
import { usePerson } from './PersonProvider';

/** Who is in, and the ways to people and out; nothing where nobody signs in. */
export function PersonLine() {
  const person = usePerson();
  if (!person) return null;
  // What was read before is gone from the screen too: the door is asked anew.
  const leave = () => void askDoor('/api/door/leave', {}).then(() => window.location.reload());
  return (
    <Box component="span" sx={{ display: 'inline-flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
      <span>
        <b>{person.name}</b>, {person.role}
      </span>
      {person.role === 'owner' && <Link href="/people">people</Link>}
      <Button size="small" onClick={leave} sx={{ minHeight: 44 }}>
        sign out
      </Button>
    </Box>
  );
}
