import { notFound } from 'next/navigation';
import { cache } from 'react';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { readStation, type Found, type Saved } from '@/server/stations';

/** The station of an address, readable or not, or the page that says there is none. Read once for a request. */
export const foundAt = cache((id: string): Found => {
  const number = idFrom(id);
  return (number === null ? null : readStation(database(), number)) ?? notFound();
});

/** The station of an address; null where it cannot be read: then its frame says so in place of every view. */
export function stationAt(id: string): Saved | null {
  const found = foundAt(id);
  return found.ok ? found.saved : null;
}
