import '@fontsource-variable/archivo/wght.css';
import '@fontsource-variable/spline-sans-mono/wght.css';
import { AppRouterCacheProvider } from '@mui/material-nextjs/v16-appRouter';
import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { personFrom } from '@/server/people/who';
import { PersonProvider } from '@/ui/people/PersonProvider';
import { Surface } from '@/ui/theme/Surface';
import { prefsFrom } from '@/ui/theme/prefs';
import './print.css';

export const metadata: Metadata = {
  title: { default: 'Pit Bell', template: '%s · Pit Bell' },
  description: 'Levels, controls and proof of pumped pits',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  const jar = await cookies();
  const person = personFrom(await headers());
  return (
    <html lang="en">
      <body data-person={person?.name}>
        <AppRouterCacheProvider>
          <PersonProvider person={person && { name: person.name, role: person.role, held: person.sees !== null }}>
            <Surface initial={prefsFrom((name) => jar.get(name)?.value)}>{children}</Surface>
          </PersonProvider>
        </AppRouterCacheProvider>
      </body>
    </html>
  );
}
