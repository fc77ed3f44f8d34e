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
  // What was taken along goes with him; what he wrote and is not sent waits for him.
  const leave = async () => {
    const { leaveAll } = await import('../along/take');
    await leaveAll();
    await askDoor('/api/door/leave', {});
    window.location.reload();
  };
  return (
    <Box component="span" sx={{ display: 'inline-flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
      <span>
        <b>{person.name}</b>, {person.role}
      </span>
      {person.role === 'owner' && <Link href="/people">people</Link>}
      <Button size="small" onClick={() => void leave()} sx={{ minHeight: 44 }}>
        sign out
      </Button>
    </Box>
  );
}
