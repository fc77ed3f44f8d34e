'use client';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import dynamic from 'next/dynamic';
import { createContext, use, useMemo, useState, type ReactNode } from 'react';
import { systemOf, type Profile, type UnitSystem } from '@/core/units';
import { keepPrefs, type Prefs } from './prefs';
import { THEMES } from './theme';

interface PrefsState extends Prefs {
  change(part: Partial<Prefs>): void;
}

const Messages = dynamic(() => import('../parts/Messages').then((m) => m.Messages), { ssr: false });

const PrefsContext = createContext<PrefsState | null>(null);

/** Theme, units and messages around everything; begins with what the browser's cookies said, so that the first paint is right. */
export function Surface({ initial, children }: { initial: Prefs; children: ReactNode }) {
  const [prefs, setPrefs] = useState(initial);
  const state = useMemo<PrefsState>(
    () => ({
      ...prefs,
      change(part) {
        const next = { ...prefs, ...part };
        keepPrefs(next);
        setPrefs(next);
      },
    }),
    [prefs],
  );
  return (
    <PrefsContext value={state}>
      <ThemeProvider theme={THEMES[prefs.theme]}>
        <CssBaseline />
        {children}
        <Messages />
      </ThemeProvider>
    </PrefsContext>
  );
}

export function usePrefs(): PrefsState {
  const state = use(PrefsContext);
  if (!state) throw new Error('usePrefs outside Surface');
  return state;
}

/** The units to write in: the person's choice, else the station's own. */
export function useSystem(profile: Profile): UnitSystem {
  return usePrefs().units ?? systemOf(profile);
}
