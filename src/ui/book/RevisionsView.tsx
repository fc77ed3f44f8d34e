'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Station } from '@/core/station';
import { changesBetween } from '@/core/surveyed';
import { sayPhrase, type UnitSystem } from '@/core/units';
import { isDirty } from '../editor/editorStore';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Pick } from '../parts/Pick';
import { clock } from '../parts/when';

/** One revision as it is kept. */
export interface RevisionShown {
  readonly revision: number;
  readonly savedAt: string;
  readonly savedBy: string | null;
  readonly station: Station | null;
}

/** Changes that are named at once. */
const FEW = 5;

/** In what one document is otherwise than another, a few at first. */
function Changes({ from, to, system, first }: { from: Station; to: Station; system: UnitSystem; first: string }) {
  const [all, setAll] = useState(false);
  const changes = changesBetween(from, to).map((c) => sayPhrase(c.sentence, system));
  if (changes.length === 0) return <Typography variant="body2">{first}: nothing</Typography>;
  return (
    <>
      <Typography variant="label">{first}</Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {(all ? changes : changes.slice(0, FEW)).map((c) => (
          <Typography component="li" variant="body2" key={c}>
            {c}
          </Typography>
        ))}
      </Box>
      {!all && changes.length > FEW && (
        <Button onClick={() => setAll(true)} sx={{ minHeight: 44 }}>
          and {changes.length - FEW} more
        </Button>
      )}
    </>
  );
}

interface RowProps {
  shown: RevisionShown;
  /** The one before it; null: there is none. */
  before: RevisionShown | null;
  begins: boolean;
}

/** A revision beside any other of those that are shown. */
function Beside({ of, others }: { of: RevisionShown; others: readonly RevisionShown[] }) {
  const system = useStationSystem();
  const [picked, setPicked] = useState<number | ''>('');
  const other = others.find((r) => r.revision === picked);
  const [from, to] = other && other.revision > of.revision ? [of, other] : [other, of];
  const readable = others.filter((r) => r.station !== null && r.revision !== of.revision);
  if (of.station === null || readable.length === 0) return null;
  return (
    <>
      <Pick
        label={`revision ${of.revision} beside`}
        value={picked}
        empty=""
        choices={readable.map((r): readonly [number, string] => [
          r.revision,
          `revision ${r.revision}, ${clock(r.savedAt)}`,
        ])}
        onPick={(r) => setPicked(r)}
        sx={{ maxWidth: 280, my: 1 }}
      />
      {from?.station && to.station && (
        <Changes
          from={from.station}
          to={to.station}
          system={system}
          first={`from revision ${from.revision} to revision ${to.revision}`}
        />
      )}
    </>
  );
}

/** What a revision changed; where that cannot be told, why. */
function Changed({ shown: { station }, before, begins }: RowProps) {
  const system = useStationSystem();
  if (station === null)
    return <Typography variant="body2">cannot be read by this version; it can be had as a file</Typography>;
  if (begins) return <Typography variant="body2">the station as it was first kept</Typography>;
  if (!before?.station)
    return <Typography variant="body2">what it changed cannot be told: the one before it cannot be read</Typography>;
  return <Changes from={before.station} to={station} system={system} first="it changed" />;
}

/** One revision: when, by whom, what it changed; beside today’s, as a file, and taken into the editor again. */
function Revision({ shown, before, begins, others }: RowProps & { others: readonly RevisionShown[] }) {
  const router = useRouter();
  const id = useEditor((s) => s.id);
  const document = useEditor((s) => s.document);
  const dirty = useEditor(isDirty);
  const now = useEditor((s) => s.saved.revision);
  const edit = useEditor((s) => s.edit);
  const system = useStationSystem();
  const [compared, setCompared] = useState(false);
  const { station, revision } = shown;
  const take = () => {
    if (!station) return;
    edit(() => station);
    router.push(`/stations/${id}/levels`);
  };
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 1.5 }} aria-label={`revision ${revision}`}>
      <Typography variant="h3" component="h2">
        Revision {revision}
        {revision === now && ', as it is now'}
      </Typography>
      <Typography variant="label" component="p" sx={{ m: 0 }}>
        saved {clock(shown.savedAt)}
        {shown.savedBy !== null && ` by ${shown.savedBy}`}
      </Typography>
      <Changed shown={shown} before={before} begins={begins} />
      {compared && station && (
        <Changes from={station} to={document} system={system} first="since then, to what stands in the editor now" />
      )}
      <Beside of={shown} others={others} />
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        {station && revision !== now && (
          <>
            <Button aria-expanded={compared} onClick={() => setCompared(!compared)} sx={{ minHeight: 44 }}>
              {compared ? 'enough' : 'beside today’s'}
            </Button>
            <Button disabled={dirty} onClick={take} sx={{ minHeight: 44 }}>
              take it into the editor
            </Button>
          </>
        )}
        <a href={`/api/stations/${id}/file?revision=${revision}`}>as a file</a>
      </Box>
    </Box>
  );
}

/** Every revision of a station, newest first: nothing that was saved is ever gone. */
export function RevisionsView({ kept, older }: { kept: readonly RevisionShown[]; older: RevisionShown | null }) {
  const id = useEditor((s) => s.id);
  const dirty = useEditor(isDirty);
  return (
    <Box sx={{ maxWidth: 760, p: { xs: 2, md: 3 }, height: { md: '100%' }, overflow: 'auto' }}>
      <Typography variant="h1">Revisions</Typography>
      <Typography variant="body2" sx={{ mt: 1 }}>
        What is taken into the editor is saved as a new revision, by you; the old one stays.
        {dirty && ' Save or take back what you changed first.'} <Link href={`/stations/${id}/book`}>the book</Link>
      </Typography>
      <Box component="ul" aria-label="revisions" sx={{ listStyle: 'none', m: 0, mt: 2, p: 0 }}>
        {kept.map((r, i) => (
          <Revision
            key={r.revision}
            shown={r}
            before={kept[i + 1] ?? older}
            begins={r.revision === 1}
            others={older ? [...kept, older] : kept}
          />
        ))}
      </Box>
      {older && <Link href={`/stations/${id}/book/revisions?before=${kept.at(-1)!.revision}`}>older revisions</Link>}
    </Box>
  );
}
