import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { database } from '@/server/db';
import { listNames } from '@/server/heads';
import { now } from '@/server/edge';
import { peopleIn, triedLately } from '@/server/people/people';
import { personFrom } from '@/server/people/who';
import { PeopleView } from '@/ui/people/PeopleView';

export const metadata: Metadata = { title: 'People' };

const DAY = 86_400_000;

export default async function PeoplePage() {
  const person = personFrom(await headers());
  if (!person) redirect('/');
  const at = now();
  return (
    <PeopleView
      me={person.id}
      people={peopleIn(database(), at)}
      stations={listNames(database())}
      tried={triedLately(database(), Date.parse(at) - DAY)}
    />
  );
}
