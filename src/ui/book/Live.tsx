'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { kindOfMeter, meterSays } from '@/core/book';
import { traitsOf } from '@/core/duties';
import { signalName, signalOf, type Values } from '@/core/feeds';
import type { UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { Bell } from '../parts/Bell';
import { clock } from '../parts/when';
import { FeedForm } from './FeedForm';
import type { FeedGiven } from './shown';

/** How often the screen asks how the panel stands, ms. */
const LOOK = 2000;

const figureOf = (values: Values, id: string): number | null => {
  const read = values[id];
  return read?.ok ? read.value : null;
};

/** Asks again and again how the panel stands, while somebody looks. */
function useStanding(stationId: number, begin: FeedGiven | null) {
  const [given, setGiven] = useState(begin);
  const on = given?.kept.feed.on === true;
  useEffect(() => {
    if (!on) return;
    const timer = setInterval(() => {
      if (document.visibilityState !== 'visible') return;
      void import('./askFeed').then(({ askFeed }) => askFeed(stationId)).then((next) => next && setGiven(next));
    }, LOOK);
    return () => clearInterval(timer);
  }, [stationId, on]);
  return [given, setGiven] as const;
}

/** The water of the drawing stands where the panel says, as long as it says it; then where it stood before. */
function useWaterOf(level: number | null) {
  const setLevel = useEditor((s) => s.setLevel);
  const before = useEditor((s) => s.level);
  const stood = useRef<number | null>(null);
  useEffect(() => {
    if (level === null) return;
    stood.current ??= before;
    setLevel(level);
    // What stood there before is looked at once alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [level, setLevel]);
  useEffect(
    () => () => {
      if (stood.current !== null) setLevel(stood.current);
    },
    [setLevel],
  );
}

/** A lamp: filled while it is lit. */
function Lamp({ lit, words }: { lit: boolean | null; words: string }) {
  return (
    <Box component="span" sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.75 }}>
      <Box component="svg" viewBox="0 0 16 16" aria-hidden sx={{ width: 16, height: 16, color: 'primary.main' }}>
        <circle cx="8" cy="8" r="6" fill={lit ? 'currentColor' : 'none'} stroke="currentColor" strokeWidth="1.5" />
        {lit === null && <path d="M4 12 12 4" stroke="currentColor" strokeWidth="1.5" />}
      </Box>
      <Typography component="span" variant="body2">
        {words}
      </Typography>
    </Box>
  );
}

const runsWords = (n: number, runs: number | null): string =>
  runs === null ? `pump ${n}: not said` : `pump ${n} ${runs ? 'runs' : 'rests'}`;

/** What stands on the dials, as the panel says it. */
function Dials({ heard, system }: { heard: Values; system: UnitSystem }) {
  const dials = Object.entries(heard).flatMap(([id, read]) => {
    const signal = signalOf(id);
    return signal?.kind === 'meter' && kindOfMeter(signal.meter).counts && read.ok
      ? [[signalName(signal), meterSays(signal.meter, read.value, system)] as const]
      : [];
  });
  if (dials.length === 0) return null;
  return (
    <Box component="dl" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, m: 0 }}>
      {dials.map(([name, says]) => (
        <Box key={name} sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline' }}>
          <Typography component="dt" variant="label">
            {name}
          </Typography>
          <Typography component="dd" variant="readingSmall" sx={{ m: 0 }}>
            {says}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

/** How long ago, or how it stands with the line. */
function heardWords({ kept: { feed }, shown }: FeedGiven, now: number): string {
  if (!feed.on) return 'It is not read: what it said last stands here no more.';
  if (feed.protocol === 'sends')
    return shown.heardAt === null
      ? 'It has sent nothing yet.'
      : `It sent word last at ${clock(new Date(shown.heardAt).toISOString())}.`;
  if (shown.heardAt === null) return shown.failures > 0 ? 'It has never answered.' : 'It has not been asked yet.';
  const ago = Math.max(0, Math.round((now - shown.heardAt) / 1000));
  return shown.stale
    ? `Last heard at ${clock(new Date(shown.heardAt).toISOString())}: this is how it stood then, not how it stands.`
    : `Heard ${ago < 2 ? 'just now' : `${ago} s ago`}.`;
}

/** What time it is by the server’s clock: what it said last, and what has passed here since. The clock of a phone may be anywhere. */
function useNow(said: number): number {
  const [passed, setPassed] = useState(0);
  useEffect(() => {
    const from = performance.now();
    const timer = setInterval(() => setPassed(performance.now() - from), 1000);
    return () => {
      clearInterval(timer);
      setPassed(0);
    };
  }, [said]);
  return said + passed;
}

/** Water, pumps and alarm, as the panel says it. */
function Lamps({ given, pumps, system }: { given: FeedGiven; pumps: number; system: UnitSystem }) {
  const { heard, stale } = given.shown;
  const level = figureOf(heard, 'level');
  const alarm = figureOf(heard, 'alarm');
  const sends = given.kept.feed.protocol === 'sends';
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 2,
        rowGap: 0.5,
        alignItems: 'center',
        opacity: stale ? 0.6 : 1,
      }}
    >
      {level !== null && (
        <Typography variant="reading" component="span">
          {meterSays({ id: 'level', kind: 'level' }, level, system)}
        </Typography>
      )}
      {!sends &&
        Array.from({ length: pumps }, (_, i) => figureOf(heard, `running-${i + 1}`)).map((runs, i) => (
          <Lamp key={i} lit={runs === null ? null : runs !== 0} words={runsWords(i + 1, runs)} />
        ))}
      {alarm !== null && (
        <Box component="span" sx={{ display: 'inline-flex', gap: 0.75, alignItems: 'center' }}>
          <Bell state={alarm ? 'ringing' : 'quiet'} />
          <Typography component="span" variant="body2" sx={alarm ? { fontWeight: 650 } : undefined}>
            {alarm ? 'the alarm rings' : 'the alarm is quiet'}
          </Typography>
        </Box>
      )}
    </Box>
  );
}

/** A panel’s clock may be off by so much before it is told, s. */
const OFF = 300;

/** When it is by the clock of the panel, where that is another time than ours: what it says is of then. */
function clockWords({ kept, shown: { heard, heardAt } }: FeedGiven): string {
  const says = figureOf(heard, 'clock');
  if (!kept.feed.on || says === null || heardAt === null || Math.abs(says - heardAt / 1000) < OFF) return '';
  return ` By its own clock that was ${clock(new Date(says * 1000).toISOString())}: what it says is of then.`;
}

/** What is not as it should be with what was heard, or with the line. */
function troubleWords({ kept, shown: { failures, why } }: FeedGiven): string {
  if (!kept.feed.on || why === null) return '';
  return failures > 0 ? ` Not answered ${failures} times since: ${why}.` : ` Not believed, or not there: ${why}.`;
}

/** How the panel says that everything stands. */
function Standing({ given, pumps, system }: { given: FeedGiven; pumps: number; system: UnitSystem }) {
  const now = useNow(given.shown.now);
  return (
    <>
      {given.kept.feed.on && given.shown.heardAt !== null && (
        <>
          <Lamps given={given} pumps={pumps} system={system} />
          <Dials heard={given.shown.heard} system={system} />
        </>
      )}
      <Typography variant="body2" role="status">
        {heardWords(given, now)}
        {clockWords(given)}
        {troubleWords(given)}
      </Typography>
      <Typography variant="body2">
        A lamp that is out proves nothing dead, and a pump that rests may start by itself: isolate, and prove it dead at
        the box.
      </Typography>
    </>
  );
}

/** The station as its panel says that it stands: the water of the drawing moves, lamps light, the book fills. */
export function Live({ begin, own, who }: { begin: FeedGiven | null; own: readonly string[]; who: string }) {
  const id = useEditor((s) => s.id);
  const station = useEditor((s) => s.judged.context.station);
  // What a valve fills has no pump that could run.
  const pumps = traitsOf(station).mover.kind === 'valve' ? 0 : station.pumps.length;
  const depth = useEditor((s) => s.judged.context.vessel.depth);
  const system = useStationSystem();
  const router = useRouter();
  const [given, setGiven] = useStanding(id, begin);
  const [open, setOpen] = useState(false);
  const level = given && given.kept.feed.on && !given.shown.stale ? figureOf(given.shown.heard, 'level') : null;
  useWaterOf(level === null ? null : Math.min(Math.max(level, 0), depth));
  const kept = given?.shown.kept ?? 0;
  const drawn = useRef(kept);
  useEffect(() => {
    if (drawn.current === kept) return;
    drawn.current = kept;
    router.refresh();
  }, [kept, router]);
  return (
    <Box
      component="section"
      aria-label="what the panel says"
      sx={{ display: 'flex', flexDirection: 'column', gap: 0.75 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, flexWrap: 'wrap' }}>
        <Typography variant="h2">What the panel says</Typography>
        <Button aria-expanded={open} onClick={() => setOpen(!open)} sx={{ minHeight: 44 }}>
          {given ? 'how it is read' : 'read its panel over the network'}
        </Button>
      </Box>
      {given && <Standing given={given} pumps={pumps} system={system} />}
      {open && (
        <FeedForm
          stationId={id}
          pumps={pumps}
          own={own}
          who={who}
          given={given}
          system={system}
          onKept={(next) => {
            setGiven(next);
            router.refresh();
          }}
        />
      )}
    </Box>
  );
}
