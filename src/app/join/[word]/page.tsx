import type { Metadata } from 'next';
import { database } from '@/server/db';
import { now } from '@/server/edge';
import { invitedAs } from '@/server/people/people';
import { ROLE_WORDS } from '@/server/people/roles';
import { Closed } from '@/ui/people/Closed';
import { DoorForm } from '@/ui/people/DoorForm';

export const metadata: Metadata = { title: 'Your account', referrer: 'no-referrer' };

export default async function JoinPage({ params }: { params: Promise<{ word: string }> }) {
  const { word } = await params;
  const role = invitedAs(database(), word, now());
  if (role === null) return <Closed />;
  return (
    <DoorForm
      title="Your account"
      says={`You are asked in as ${role}: ${ROLE_WORDS[role]}. Your name stands beside everything that you write.`}
      action="make it and come in"
      path="/api/door/join"
      word={word}
      to="/"
      makes
    />
  );
}
