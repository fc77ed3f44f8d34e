'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useRef, type ReactNode } from 'react';
import type { Gauge } from '@/core/papers';
import { isUnsaved } from '../editor/editorStore';
import { useEditor, useEditorStore, useStationSystem } from '../editor/StationProvider';
import { downloadJson, fileNameOf } from '../parts/download';
import { notify } from '../parts/notify';
import { AtFirst } from './AtFirst';
import { BellLine } from './BellLine';
import type { Command } from './GoTo';
import type { KeyBinding } from './hotkeys';
import { Keys } from './Keys';
import { Masthead } from './Masthead';
import { SaveState } from './SaveState';
import { UndoRedo } from './UndoRedo';
import { useSaving, type Saving } from './useSaving';
import { RestBar } from '../rest/RestBar';
import type { RestShown } from '../rest/shown';
import { FIRST_VIEW, VIEWS, viewAt } from './views';

const StaleDialog = dynamic(() => import('./StaleDialog').then((m) => m.StaleDialog), { ssr: false });
const SetAside = dynamic(() => import('./SetAside').then((m) => m.SetAside), { ssr: false });

/** The stations that hang beside this one on the wall. */
export interface Neighbours {
  readonly before: number;
  readonly after: number;
}

/** What keys and the “go to” box do at a station. */
function useStationCommands({ before, after }: Neighbours, saving: Saving) {
  const router = useRouter();
  const pathname = usePathname();
  const store = useEditorStore();
  const { id } = store.getState();
  const undo = () => store.temporal.getState().undo();
  const redo = () => store.temporal.getState().redo();
  const go = (path: string) => router.push(`/stations/${id}/${path}`);
  const neighbour = (next: number) => router.push(`/stations/${next}/${viewAt(pathname, id)?.path ?? FIRST_VIEW}`);
  const bindings: KeyBinding[] = [
    { keys: 'mod+s', run: () => void saving.save(), inFields: true },
    { keys: 'mod+z', run: undo },
    { keys: 'mod+shift+z, mod+y', run: redo },
    ...VIEWS.map((v) => ({ keys: `g>${v.key}`, run: () => go(v.path) })),
    { keys: '[', run: () => neighbour(before), character: true },
    { keys: ']', run: () => neighbour(after), character: true },
  ];

  const errands: Command[] = [
    ...VIEWS.map((v) => ({ group: 'views', name: v.name, keys: `g ${v.key}`, run: () => go(v.path) })),
    { group: 'this station', name: 'revisions: what was saved, when and by whom', run: () => go('book/revisions') },
    { group: 'this station', name: 'save', keys: 'Ctrl S', run: () => void saving.save() },
    { group: 'this station', name: 'undo', keys: 'Ctrl Z', run: undo },
    { group: 'this station', name: 'redo', keys: 'Ctrl Shift Z', run: redo },
    {
      group: 'this station',
      name: 'export as a file',
      run: () => {
        const { document } = store.getState();
        downloadJson(fileNameOf(document.identity.name), document);
      },
    },
  ];

  return { bindings, errands };
}

/** The views of a station, and undo and redo beside them. */
function ViewTabs() {
  const router = useRouter();
  const id = useEditor((s) => s.id);
  const view = viewAt(usePathname(), id)?.path;
  const tabs = useRef<HTMLDivElement>(null);
  // Where the views do not fit beside each other, the one that is open is in sight.
  useEffect(() => {
    tabs.current?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [view]);
  return (
    <Box
      component="nav"
      aria-label="views"
      sx={{
        display: 'flex',
        alignItems: 'center',
        px: 1,
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      <Box ref={tabs} sx={{ flex: 1, display: 'flex', minWidth: 0, overflowX: 'auto', scrollbarWidth: 'none' }}>
        {VIEWS.map((v) => (
          <ButtonBase
            key={v.path}
            component={Link}
            href={`/stations/${id}/${v.path}`}
            // Fetched when a hand comes near, not for every page that is looked at.
            prefetch={false}
            onPointerEnter={() => router.prefetch(`/stations/${id}/${v.path}`)}
            onFocus={() => router.prefetch(`/stations/${id}/${v.path}`)}
            aria-current={v.path === view ? 'page' : undefined}
            aria-keyshortcuts={`g ${v.key}`}
            sx={{
              px: { xs: 1.25, sm: 1.75 },
              minHeight: { xs: 44, sm: 40 },
              flexShrink: 0,
              fontSize: 14,
              fontWeight: 600,
              color: 'text.secondary',
              borderBottom: 2,
              borderColor: 'transparent',
              '&[aria-current]': { color: 'primary.main', borderColor: 'primary.main' },
            }}
          >
            {v.name}
          </ButtonBase>
        ))}
      </Box>
      <UndoRedo />
    </Box>
  );
}

/** Says what is left behind: a figure that stands in a field and not in the document, or work that nothing keeps. */
function useLeaving(): void {
  const store = useEditorStore();
  const pathname = usePathname();
  useEffect(() => {
    const [field] = Object.entries(store.getState().typed);
    if (field) void notify(`${field[0]}: “${field[1]}” is not in the document yet. It is kept as it was typed.`);
  }, [store, pathname]);
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent) => {
      const state = store.getState();
      if (isUnsaved(state) && state.keeping !== 'kept') event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [store]);
}

/** The frame around every view of a station: masthead, views, bell line; saving, undo and keys. */
export function StationFrame({
  resting,
  neighbours,
  first,
  nextDue,
  children,
}: {
  /** Where it rests; null: nowhere. */
  resting: RestShown | null;
  neighbours: Neighbours;
  /** The drawing that stands there until the view does; null where none is kept yet. */
  first: Gauge['scene'] | null;
  /** What is due next, in a line. */
  nextDue: string | null;
  children: ReactNode;
}) {
  const id = useEditor((s) => s.id);
  // What is dragged passes the frame by: it looks at the name alone.
  const { site, name } = useEditor((s) => s.document.identity);
  const system = useStationSystem();
  const saving = useSaving();
  useLeaving();
  const byServer = viewAt(usePathname(), id)?.byServer;
  const aside = useEditor((s) => s.aside.length > 0);
  const { bindings, errands } = useStationCommands(neighbours, saving);
  return (
    <Box
      sx={{
        display: 'flex',
        flexDirection: 'column',
        height: '100dvh',
        '@media print': { height: 'auto', display: 'block' },
      }}
    >
      <Masthead
        system={system}
        errands={errands}
        crumbs={
          <Typography component="h1" variant="body1" noWrap>
            <Typography component={Link} href="/" prefetch={false} variant="body1" sx={{ color: 'text.secondary' }}>
              {site}
            </Typography>{' '}
            ▸ <b>{name}</b>
          </Typography>
        }
      >
        <Keys bindings={bindings} />
        <SaveState busy={saving.busy} onSave={() => void saving.save()} />
      </Masthead>
      <ViewTabs />
      {resting && <RestBar id={id} name={name} resting={resting} />}
      {aside && <SetAside />}
      <Box
        component="main"
        sx={{ flex: 1, minHeight: 0, overflow: { xs: 'auto', md: 'hidden' }, '@media print': { overflow: 'visible' } }}
      >
        {byServer ? (
          children
        ) : (
          <AtFirst name={name} scene={first}>
            {children}
          </AtFirst>
        )}
      </Box>
      <BellLine nextDue={nextDue} />
      {saving.theirs && (
        <StaleDialog
          theirs={saving.theirs}
          onMerge={(both) => void saving.merge(both)}
          onTakeTheirs={saving.takeTheirs}
          onClose={saving.later}
        />
      )}
    </Box>
  );
}
