'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import type { UnitSystem } from '@/core/units';
import { THEME_NAMES, type ThemeName } from '../theme/palettes';
import { useNames } from './useNames';
import { usePrefs } from '../theme/Surface';
import type { Command } from './GoTo';
import type { KeyBinding } from './hotkeys';
import { Keys } from './Keys';
import { useAnswers } from './useAnswers';
import { OutboxState } from '../outbox/OutboxState';
import { Segments } from '../parts/Segments';

const GoTo = dynamic(() => import('./GoTo').then((m) => m.GoTo), { ssr: false });
const KeysHelp = dynamic(() => import('./KeysHelp').then((m) => m.KeysHelp), { ssr: false });

interface Props {
  /** The units in use; null where there is no single station to take them from. */
  system: UnitSystem | null;
  errands?: readonly Command[];
  crumbs?: ReactNode;
  children?: ReactNode;
}

const UNITS = [
  ['metric', 'mm·L'],
  ['us', 'in·gal'],
] as const;

/** What “go to” offers on every screen. */
function commandsOf(go: (path: string) => void, { theme, change }: ReturnType<typeof usePrefs>): Command[] {
  return [
    { group: 'views', name: 'Round', keys: 'g r', run: () => go('/') },
    { group: 'views', name: 'what is due everywhere', keys: 'g e', run: () => go('/due') },
    { group: 'views', name: 'on this device: what opens without signal, what is not sent', run: () => go('/along') },
    { group: 'views', name: 'Learn: the course, marks, what to practise next', run: () => go('/learn') },
    { group: 'views', name: 'archive and bin', run: () => go('/resting') },
    { group: 'views', name: 'a fault at an unknown site', run: () => go('/trace') },
    ...(Object.keys(THEME_NAMES) as ThemeName[])
      .filter((t) => t !== theme)
      .map((t) => ({ group: 'surface', name: `theme: ${THEME_NAMES[t]}`, run: () => change({ theme: t }) })),
    { group: 'surface', name: 'units: millimetres and litres', run: () => change({ units: 'metric' }) },
    { group: 'surface', name: 'units: inches and gallons', run: () => change({ units: 'us' }) },
    { group: 'surface', name: "units: each station's own", run: () => change({ units: null }) },
  ];
}

/** The top line of every screen: where one is, go to, units, and what the view adds (saved or not). */
export function Masthead({ system, errands = [], crumbs, children }: Props) {
  useAnswers();
  const router = useRouter();
  const prefs = usePrefs();
  const { change } = prefs;
  const [goTo, setGoTo] = useState(false);
  const [help, setHelp] = useState(false);
  const stations = useNames(goTo);
  const bindings: KeyBinding[] = [
    { keys: '/', run: () => setGoTo(true), character: true },
    { keys: 'mod+k', run: () => setGoTo(true), inFields: true },
    { keys: 'shift+slash, ?', run: () => setHelp(true), character: true },
    { keys: 'g>r', run: () => router.push('/') },
    { keys: 'g>e', run: () => router.push('/due') },
  ];

  const all: Command[] = [
    ...errands,
    ...commandsOf(router.push, prefs),
    ...stations.map((s) => ({
      group: 'stations',
      name: `${s.name}, ${s.site}`,
      run: () => router.push(`/stations/${s.id}/levels`),
    })),
    { group: 'surface', name: 'keys', keys: '?', run: () => setHelp(true) },
  ];

  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        // On a phone what does not fit stands beneath, over nothing.
        flexWrap: { xs: 'wrap', sm: 'nowrap' },
        columnGap: 1.5,
        minHeight: 48,
        px: 2,
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      <Typography
        component={Link}
        href="/"
        prefetch={false}
        variant="h2"
        sx={{ color: 'text.primary', textDecoration: 'none', whiteSpace: 'nowrap' }}
      >
        Pit Bell
      </Typography>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minWidth: { xs: 56, sm: 0 }, flex: 1 }}>{crumbs}</Box>
      <Button
        color="secondary"
        variant="text"
        onClick={() => setGoTo(true)}
        aria-keyshortcuts="/"
        sx={{ whiteSpace: 'nowrap', minWidth: 0 }}
      >
        go to…
      </Button>
      <Segments
        label="units"
        value={system}
        choices={UNITS}
        onPick={(units) => change({ units })}
        sx={{ whiteSpace: 'nowrap', display: { xs: 'none', sm: 'flex' } }}
      />
      <OutboxState />
      {children}
      <Keys bindings={bindings} />
      {goTo && <GoTo open onClose={() => setGoTo(false)} errands={all} />}
      {help && <KeysHelp open onClose={() => setHelp(false)} />}
    </Box>
  );
}
