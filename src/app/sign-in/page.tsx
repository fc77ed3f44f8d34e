import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { personFrom } from '@/server/people/who';
import { DoorForm } from '@/ui/people/DoorForm';

export const metadata: Metadata = { title: 'Come in' };

/** A place of ours, and none elsewhere. */
const placeOf = (to: string | undefined): string => (to !== undefined && /^\/(?![/\\])/.test(to) ? to : '/');

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ to?: string }> }) {
  const to = placeOf((await searchParams).to);
  if (personFrom(await headers())) redirect(to);
  return (
    <DoorForm
      title="Come in"
      says="Stations, panels and books of this firm. No account yet? An owner sends you an address that is good once."
      action="come in"
      path="/api/door/enter"
      to={to}
    />
  );
}
