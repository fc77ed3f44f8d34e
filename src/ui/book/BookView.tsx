'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { ownMetersOf, type PageSent } from '@/core/book';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { newKey } from '../parts/browserKeep';
import { Segments } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';
import { useWho, type Who } from '../people/useWho';
import { useWorks, Works } from '../people/Works';
import { StationShaft } from '../shaft/StationShaft';
import { BookLines } from './BookLines';
import { DueList } from './DueList';
import { HerePages } from './HerePages';
import { Meaning } from './Meaning';
import { Pages } from './Pages';
import { Parts } from './Parts';
import { useOlder, Which } from './Which';
import type { BookProps, PageId } from './shown';
import { WriteVisit } from './WriteVisit';

const WriteOther = dynamic(() => import('./WriteOther').then((m) => m.WriteOther), { ssr: false, loading: () => null });
const ImportReadings = dynamic(() => import('./ImportReadings').then((m) => m.ImportReadings), {
  ssr: false,
  loading: () => null,
});
const Live = dynamic(() => import('./Live').then((m) => m.Live), { ssr: false, loading: () => null });
const Search = dynamic(() => import('./Search').then((m) => m.Search), { ssr: false, loading: () => null });

type Writing = 'visit' | 'alarm' | 'part' | 'rule' | 'site';
const WRITING: readonly (readonly [Writing, string])[] = [
  ['visit', 'visit'],
  ['alarm', 'alarm'],
  ['part', 'part'],
  ['rule', 'to do again'],
  ['site', 'site'],
];

/** Writes pages, and answers the number of each; what could not be written stays in its form, and why is said. */
function useWriting(stationId: number, who: string, at: string) {
  const router = useRouter();
  const [failed, setFailed] = useState<string | null>(null);
  // What writes is there before signal is lost.
  useEffect(() => void import('./sendPage'), []);
  // The same page sent again after a lost answer is written once.
  const key = useRef(newKey());
  const send = async (page: Omit<PageSent, 'at' | 'by' | 'corrects'>, corrects: number | null = null) => {
    if (who.trim() === '') {
      setFailed('say who writes');
      return null;
    }
    const { sendPage } = await import('./sendPage');
    const when = at === '' ? new Date() : new Date(at);
    const written = { ...page, at: when.toISOString(), by: who.trim(), corrects };
    const sent = await sendPage(stationId, written, at === '', key.current);
    setFailed(sent.ok ? null : sent.why);
    if (!sent.ok) return null;
    key.current = newKey();
    if (!sent.here) router.refresh();
    return sent.id;
  };
  const photos = async (page: PageId, files: readonly File[]) => {
    const { sendPagePhoto } = await import('./sendPage');
    const lost: string[] = [];
    for (const file of files) {
      const wrong = await sendPagePhoto(stationId, page, who.trim(), file, newKey());
      if (wrong !== null) lost.push(`${file.name}: ${wrong}`);
    }
    if (lost.length > 0) setFailed(`the page stands, and these photographs do not: ${lost.join('; ')}`);
    if (typeof page === 'number') router.refresh();
  };
  return { failed, send, photos };
}

/** What there is to write, who writes and when it happened. */
function Write({ site, last, who }: Pick<BookProps, 'site' | 'last'> & { who: Who }) {
  const id = useEditor((s) => s.id);
  const { station } = useEditor((s) => s.judged.context);
  const system = useStationSystem();
  const { name, signedIn, say } = who;
  const [at, setAt] = useState('');
  const [writing, setWriting] = useState<Writing>('visit');
  const { failed, send, photos } = useWriting(id, name, at);
  return (
    <Box
      component="section"
      aria-label="write in the book"
      sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}
    >
      <Segments label="what is written" value={writing} choices={WRITING} onPick={setWriting} />
      <Box sx={{ display: 'flex', gap: 1.25, flexWrap: 'wrap' }}>
        <TextBox
          label="who"
          value={name}
          readOnly={signedIn}
          onChange={(e) => say(e.target.value)}
          sx={{ width: signedIn ? 200 : 130 }}
        />
        <TextBox
          label="when"
          type="datetime-local"
          value={at}
          onChange={(e) => setAt(e.target.value)}
          help={at === '' ? 'empty: now' : undefined}
          sx={{ width: 200 }}
        />
      </Box>
      {failed !== null && (
        <Typography role="alert" variant="body2" color="error">
          Not written: {failed}. What you typed stands here.
        </Typography>
      )}
      {writing === 'visit' ? (
        <WriteVisit
          station={station}
          system={system}
          last={last}
          now={() => (at === '' ? Date.now() : new Date(at).getTime())}
          onWrite={send}
          onPhotos={photos}
        />
      ) : (
        <WriteOther
          key={writing}
          kind={writing}
          before={writing === 'site' ? (site?.page ?? null) : null}
          onWrite={send}
        />
      )}
    </Box>
  );
}

/** What is to know before one goes in. */
function SiteLine({ site }: Pick<BookProps, 'site'>) {
  if (site?.page?.kind !== 'site') return null;
  const { gas, access, keys, dog, call } = site.page;
  const said = [
    ['Gas and air', gas],
    ['Way in', access],
    ['Keys', keys],
    ['Dog', dog],
    ['Call', call],
  ].filter(([, words]) => words !== '');
  return (
    <Typography variant="body2" sx={{ mb: 1 }}>
      {said.map(([label, words]) => `${label}: ${words}`).join(' · ')}
    </Typography>
  );
}

/** Pages of the book: parts, those that are looked for, all of them. */
function Reading({
  pages,
  parts,
  together,
  site,
  due,
  now,
  who,
}: Pick<BookProps, 'pages' | 'parts' | 'together' | 'site' | 'due' | 'now'> & { who: string }) {
  const id = useEditor((s) => s.id);
  const system = useStationSystem();
  const router = useRouter();
  const older = useOlder(id, pages);
  const works = useWorks();
  const { failed, send } = useWriting(id, who, '');
  return (
    <>
      <SiteLine site={site} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, mb: 1, fontSize: 13 }}>
        <Link href={`/stations/${id}/book/owner`}>a page for the owner, in plain words</Link>
        <Link href={`/stations/${id}/book/revisions`} prefetch={false}>
          revisions of the station
        </Link>
        <Link href={`/stations/${id}/book/whole`} prefetch={false}>
          the whole book, to print
        </Link>
        <span>
          the whole book as a file: <a href={`/api/stations/${id}/book/file`}>JSON</a>,{' '}
          <a href={`/api/stations/${id}/book/file?form=csv`}>pages as CSV</a>
        </span>
      </Box>
      <DueList
        due={due}
        now={now}
        onLater={async (of, until, why) =>
          (await send({ page: { kind: 'later', due: of, until, why }, readings: [] })) !== null
        }
      />
      <Parts parts={parts} together={together} onWrite={send} />
      <Works>
        <ImportReadings stationId={id} who={who} onDone={() => router.refresh()} />
      </Works>
      <Search stationId={id} />
      <Which of={older.of} parts={parts} onPick={older.pick} />
      {failed !== null && (
        <Typography role="alert" variant="body2" color="error">
          Not written: {failed}
        </Typography>
      )}
      <HerePages />
      <Pages stationId={id} pages={older.shown} system={system} onWrite={works ? send : null} />
      {!older.whole && (
        <Button sx={{ minHeight: 44 }} onClick={() => void older.fetchMore()}>
          older pages
        </Button>
      )}
    </>
  );
}

/** The book of a station: what its readings mean, their course, and its pages, newest first; and writing in it. */
export function BookView(props: BookProps) {
  const { feed, happened, site, analysis, last } = props;
  const id = useEditor((s) => s.id);
  const { station } = useEditor((s) => s.judged.context);
  const system = useStationSystem();
  const who = useWho();
  const own = ownMetersOf(Object.keys(last)).map((m) => m.id);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '330px minmax(0, 1fr) minmax(0, 1fr)' },
        height: { md: '100%' },
      }}
    >
      <Box sx={{ display: { xs: 'none', md: 'block' }, minHeight: 0, borderRight: 1, borderColor: 'divider' }}>
        <StationShaft guess={{ width: 330, height: 660 }} />
      </Box>
      <Box
        sx={{
          minHeight: 0,
          overflow: 'auto',
          p: 2,
          display: 'flex',
          flexDirection: 'column',
          gap: 2,
          borderRight: { md: 1 },
          borderColor: { md: 'divider' },
          // At the pit writing comes first.
          order: { xs: 1, md: 0 },
        }}
      >
        {feed && <Live begin={feed} own={own} who={who.name} />}
        <Meaning analysis={analysis} stationId={id} system={system} />
        <BookLines analysis={analysis} happened={happened} station={station} system={system} />
        {!feed && <Live begin={feed} own={own} who={who.name} />}
      </Box>
      <Box sx={{ minHeight: 0, overflow: 'auto', p: 2, minWidth: 0 }}>
        <Works else={<Typography variant="body2">You look here: an installer writes in the book.</Typography>}>
          <Write site={site} last={last} who={who} />
        </Works>
        <Box sx={{ borderTop: 1, borderColor: 'text.primary', mt: 2, mb: 1 }} />
        <Reading {...props} who={who.name} />
      </Box>
    </Box>
  );
}
