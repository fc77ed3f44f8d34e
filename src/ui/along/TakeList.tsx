'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { TickBox } from '../parts/TickBox';
import { clock } from '../parts/when';
import type { AlongList, Progress } from './take';
import { takenNow, type Taken } from './taken';
import { useSuspects, type Suspects } from './useSuspects';
import { useStorage } from './useStorage';

export interface StationToTake {
  readonly id: number;
  readonly name: string;
  readonly site: string;
  /** Whether something is due there within a week. */
  readonly due: boolean;
}

const MB = 1024 * 1024;
const mb = (bytes: number) => `${(bytes / MB).toFixed(bytes < 10 * MB ? 1 : 0)} MB`;

/** What a station comes to while none has been taken yet, bytes. */
const USUAL = 0.75 * MB;
/** Below this it is said that room runs out, bytes. */
const TIGHT = 50 * MB;

/** What would be fetched: the program, where it is not here or has changed, and the stations. */
function useSize(chosen: readonly number[], taken: Taken | null) {
  const [list, setList] = useState<AlongList | null>(null);
  useEffect(() => {
    void import('./take').then(({ askAlong }) => askAlong([]).then((asked) => setList(asked.ok ? asked.list : null)));
  }, []);
  const same = taken !== null && list !== null && taken.build === list.build;
  const each =
    taken && taken.stations.length > 0
      ? taken.stations.reduce((s, t) => s + t.bytes, 0) / taken.stations.length
      : USUAL;
  const program = !list || same ? 0 : list.files.reduce((sum, f) => sum + f.bytes, 0);
  const stations =
    (same ? chosen.length : new Set([...chosen, ...(taken?.stations ?? []).map((s) => s.id)]).size) * each;
  // Nothing is said of a size while it is not known what is missing here.
  return { older: taken !== null && list !== null && !same, bytes: list && program + stations };
}

/** What this browser can keep, and what it may throw away. */
function Storage({ free, kept }: { free: number | null; kept: boolean | null }) {
  return (
    <Typography variant="body2" component="p" sx={{ m: 0, mt: 1.5 }}>
      {free !== null && (
        <b>
          {free < TIGHT ? `Only ${mb(free)} of room left for this page: ` : `${mb(free)} of room left for this page. `}
          {free < TIGHT && 'send what is here and make room before you go. '}
        </b>
      )}
      {kept === true
        ? 'This browser has promised not to throw it away by itself.'
        : 'This browser has not promised to keep it: when the device runs out of room, or the page is not opened for some weeks, it may throw away what is along, and what was not sent. Installed from the browser’s menu, or put on the home screen, it is kept longer. Send before you put the device away.'}
    </Typography>
  );
}

/** How long Trace would take to open there. */
const suspectWords = (is: Suspects | undefined): string => {
  if (is === undefined || is.kind === 'unknown') return '';
  if (is.kind === 'asking') return `; its suspects are asked for Trace: ${Math.round(is.share * 100)} %`;
  return is.kind === 'here'
    ? '; Trace has its suspects, as it was last saved'
    : '; Trace asks its suspects when it is opened';
};

function Ticks({
  stations,
  chosen,
  taken,
  suspects,
  onChosen,
  onLeave,
}: {
  stations: readonly StationToTake[];
  chosen: readonly number[];
  taken: Taken | null;
  suspects: ReadonlyMap<number, Suspects>;
  onChosen(ids: readonly number[]): void;
  onLeave(id: number): void;
}) {
  return (
    <Box component="ul" aria-label="stations" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {stations.map((s) => {
        const along = taken?.stations.find((t) => t.id === s.id);
        return (
          <Box
            component="li"
            key={s.id}
            sx={{ borderTop: 1, borderColor: 'divider', display: 'flex', gap: 1, alignItems: 'center', minHeight: 44 }}
          >
            <TickBox
              label=""
              name={`take along: ${s.name}, ${s.site}`}
              checked={chosen.includes(s.id)}
              onChange={(on) => onChosen(on ? [...chosen, s.id] : chosen.filter((c) => c !== s.id))}
            />
            <Typography variant="body2" sx={{ flex: 1, minWidth: 0 }}>
              <b>{s.name}</b>, {s.site}
              {s.due && ' · due within a week'}
              {along && (
                <Typography component="span" variant="label" sx={{ display: 'block' }}>
                  along since {clock(new Date(along.at).toISOString())}, {mb(along.bytes)}
                  {suspectWords(suspects.get(s.id))}
                </Typography>
              )}
            </Typography>
            {along && (
              <Button aria-label={`leave ${s.name} behind`} onClick={() => onLeave(s.id)} sx={{ minHeight: 44 }}>
                leave
              </Button>
            )}
          </Box>
        );
      })}
    </Box>
  );
}

/** What is picked, what is along, and taking it. */
function useTaking() {
  const [taken, setTaken] = useState<Taken | null>(null);
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [progress, setProgress] = useState<Progress | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [gone, setGone] = useState<readonly string[]>([]);
  useEffect(() => {
    const written = takenNow();
    // What is written down is looked for: nobody goes out with what is not here.
    if (written)
      void import('./take')
        .then((t) => t.lookedAfter(written))
        .then(
          (found) => (setTaken(found.taken), setGone(found.gone)),
          () => setGone(written.stations.map((s) => s.name)),
        );
  }, []);
  return {
    ...{ taken, gone, chosen, setChosen, progress, failed },
    async take() {
      setFailed(null);
      setProgress({ done: 0, of: 1 });
      const { takeAlong } = await import('./take');
      const done = await takeAlong(chosen, setProgress);
      setProgress(null);
      if (!done.ok) return setFailed(done.why);
      setTaken(done.taken);
      setGone([]);
      setChosen([]);
    },
    leave: (id: number) => void import('./take').then((t) => t.leaveBehind(id)).then(setTaken),
  };
}

/** The stations that open on this device without signal, and taking more of them. */
export function TakeList({ stations }: { stations: readonly StationToTake[] }) {
  const t = useTaking();
  const { able, free, kept } = useStorage(t.taken);
  const suspects = useSuspects(t.taken);
  const { older, bytes } = useSize(t.chosen, t.taken);
  const nothing = t.chosen.length === 0 && !older;
  return (
    <Box component="section" aria-label="take along">
      <Typography variant="h2" sx={{ mb: 1 }}>
        Opens without signal
      </Typography>
      {able === false ? (
        <Typography role="alert" variant="body1" component="p">
          This browser takes nothing along from here: it does so only over TLS (“npm run certificate” makes a
          certificate), or on the machine itself. What you write is kept on this device all the same, and sent when the
          server answers.
        </Typography>
      ) : (
        <>
          <Typography variant="body2" component="p" sx={{ m: 0, mb: 1 }}>
            Survey, Levels, Panel with its meter, Rehearse, Prove, Trace, the book as it was last seen and the door card
            of these stations, worked out on this device. Papers, imports and what asks another device need the server.
          </Typography>
          {older && (
            <Typography role="status" variant="body2" component="p" sx={{ m: 0, mb: 1, fontWeight: 700 }}>
              The program has changed since: what is along still opens; taking it again brings the new one.
            </Typography>
          )}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 1, '& button': { minHeight: 44 } }}>
            <Button onClick={() => t.setChosen(stations.map((s) => s.id))}>all</Button>
            <Button onClick={() => t.setChosen(stations.filter((s) => s.due).map((s) => s.id))}>
              what is due within a week
            </Button>
            <Button
              variant="contained"
              disabled={nothing || bytes === null || t.progress !== null}
              onClick={() => void t.take()}
            >
              {t.progress
                ? `${t.progress.done} of ${t.progress.of} …`
                : nothing || bytes === null
                  ? 'take along'
                  : `take along, about ${mb(bytes)}`}
            </Button>
          </Box>
          {t.gone.length > 0 && (
            <Typography role="alert" variant="body2" color="error">
              No more here, though taken along: {t.gone.join(', ')}. The browser has thrown it away; take it again.
            </Typography>
          )}
          {t.failed !== null && (
            <Typography role="alert" variant="body2" color="error">
              Not taken: {t.failed}.
            </Typography>
          )}
          <Ticks
            stations={stations}
            chosen={t.chosen}
            taken={t.taken}
            suspects={suspects}
            onChosen={t.setChosen}
            onLeave={t.leave}
          />
        </>
      )}
      <Storage free={free} kept={kept} />
    </Box>
  );
}
