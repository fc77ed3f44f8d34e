import { notFound } from 'next/navigation';
import { cache } from 'react';
import { database } from '@/server/db';
import { idFrom } from '@/server/edge';
import { findStation, type Saved } from '@/server/stations';

/** The station of an address, or the page that says there is none. Read once for a request. */
export const stationAt = cache((id: string): Saved => {
  const number = idFrom(id);
  const saved = number === null ? null : findStation(database(), number);
  return saved ?? notFound();
});
