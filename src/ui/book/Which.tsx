import Box from '@mui/material/Box';
import { useState } from 'react';
import { PAGE_KINDS, type PageKept } from '@/core/book';
import { useEditor } from '../editor/StationProvider';
import { Pick } from '../parts/Pick';
import { Segments } from '../parts/Segments';
import type { PagesOf } from './shown';

const ALL: PagesOf = { kind: null, about: null };
const isAll = ({ kind, about }: PagesOf): boolean => kind === null && about === null;

/** Older pages, or those of one kind or about one thing, fetched when they are asked for. */
export function useOlder(stationId: number, first: readonly PageKept[]) {
  const [of, setOf] = useState(ALL);
  const [more, setMore] = useState<readonly PageKept[]>([]);
  const [picked, setPicked] = useState<readonly PageKept[]>([]);
  const shown = isAll(of) ? [...first, ...more] : picked;
  const before = async (page: number | null, which: PagesOf) =>
    (await (await import('./sendPage')).pagesBefore(stationId, page, which)) ?? [];
  return {
    of,
    shown,
    whole: shown.length === 0 || shown.length % 50 !== 0,
    async pick(next: PagesOf) {
      setOf(next);
      setPicked(isAll(next) ? [] : await before(null, next));
    },
    async fetchMore() {
      const next = await before(shown.at(-1)?.id ?? null, of);
      if (isAll(of)) setMore([...more, ...next]);
      else setPicked([...shown, ...next]);
    },
  };
}

/** Which pages are read: of which kind, and about what. */
export function Which({
  of,
  parts,
  onPick,
}: {
  of: PagesOf;
  parts: readonly PageKept[];
  onPick(of: PagesOf): Promise<void>;
}) {
  const pumps = useEditor((s) => s.judged.context.station.pumps.length);
  const about = [
    ['', 'anything'] as const,
    ...(pumps > 1 ? Array.from({ length: pumps }, (_, i) => [`pump ${i + 1}`, `pump ${i + 1}`] as const) : []),
    ...parts.flatMap((p) =>
      p.page?.kind === 'part'
        ? [[`part ${p.id}`, [p.page.name, p.page.place].filter(Boolean).join(', ')] as const]
        : [],
    ),
  ];
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-end', my: 1 }}>
      <Segments
        label="pages of"
        value={of.kind ?? 'all'}
        choices={[
          ['all', 'all'] as const,
          ...PAGE_KINDS.filter(([k]) => k !== 'struck' && k !== 'meter' && k !== 'later'),
        ]}
        onPick={(k) => void onPick({ ...of, kind: k === 'all' ? null : k })}
        sx={{ flexWrap: 'wrap' }}
      />
      {about.length > 1 && (
        <Pick
          label="about"
          value={of.about ? `${of.about.what} ${of.about.number}` : ''}
          choices={about}
          onPick={(text) => {
            const [what, number] = String(text).split(' ');
            void onPick({
              ...of,
              about: what === 'pump' || what === 'part' ? { what, number: Number(number) } : null,
            });
          }}
          sx={{ maxWidth: 220 }}
        />
      )}
    </Box>
  );
}
