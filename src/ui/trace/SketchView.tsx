'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { DUTIES, type DutyName } from '@/core/duties';
import { CONTROLS, SIZES, type Sketch } from '@/core/trace';
import { Masthead } from '../frame/Masthead';
import { hereAt, sendStation } from '../round/sendStation';
import { Segments, WRAPPED } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';

const DUTY = Object.values(DUTIES).map((d) => [d.kind as DutyName, d.picks] as const);
const SIZE = Object.entries(SIZES) as [Sketch['size'], string][];
const CONTROL = Object.entries(CONTROLS) as [Sketch['control'], string][];
const PUMPS = [
  [1, 'one'],
  [2, 'two'],
  [3, 'three'],
] as const;
const SUPPLY = [
  ['metric-230', '230 V 50 Hz'],
  ['us-120', '120 V 60 Hz'],
] as const;
const ALARM = [
  [true, 'an alarm float'],
  [false, 'none'],
] as const;

/** Makes the station that six taps tell of, and goes to its trace; what cannot be kept is said. */
function useBegin(sketch: Sketch, name: string) {
  const router = useRouter();
  const [said, setSaid] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState(false);
  const begin = async () => {
    setBusy(true);
    const { sketchStation } = await import('@/core/trace');
    const called = name.trim() === '' ? `Sketch of ${new Date().toLocaleString('en-GB')}` : name.trim();
    const { station, notTaken } = sketchStation(called, 'not surveyed', sketch);
    const note =
      notTaken.length > 0 ? `Sketched in six taps; not taken: ${notTaken.join('; ')}` : 'Sketched in six taps.';
    const sent = await sendStation(
      JSON.stringify({ ...station, identity: { ...station.identity, note: note.slice(0, 400) } }),
    );
    setBusy(false);
    if (sent.ok === 'kept') router.push(hereAt(sent.key, 'trace'));
    else if (sent.ok) router.push(`/stations/${sent.id}/trace`);
    else setSaid(sent.problems.map((p) => p.message));
  };
  return { begin, said, busy };
}

/** The six questions. */
function Taps({ sketch, put }: { sketch: Sketch; put(change: Partial<Sketch>): void }) {
  return (
    <>
      <Asked what="What is it for?">
        <Segments
          label="what it is for"
          value={sketch.duty}
          choices={DUTY}
          onPick={(duty) => put({ duty })}
          sx={WRAPPED}
        />
      </Asked>
      <Asked what="How big does the vessel look?">
        <Segments label="how big" value={sketch.size} choices={SIZE} onPick={(size) => put({ size })} sx={WRAPPED} />
      </Asked>
      <Asked what="What do the floats work?">
        <Segments
          label="what the floats work"
          value={sketch.control}
          choices={CONTROL}
          onPick={(control) => put({ control })}
          sx={WRAPPED}
        />
      </Asked>
      <Asked what="How many pumps?">
        <Segments label="pumps" value={sketch.pumps} choices={PUMPS} onPick={(pumps) => put({ pumps })} sx={WRAPPED} />
      </Asked>
      <Asked what="Which supply?">
        <Segments
          label="supply"
          value={sketch.profile}
          choices={SUPPLY}
          onPick={(profile) => put({ profile })}
          sx={WRAPPED}
        />
      </Asked>
      <Asked what="Is there an alarm?">
        <Segments label="alarm" value={sketch.alarm} choices={ALARM} onPick={(alarm) => put({ alarm })} sx={WRAPPED} />
      </Asked>
    </>
  );
}

/** Six taps, and a typical station stands there, every figure of it assumed: the trace begins. */
export function SketchView() {
  const [sketch, setSketch] = useState<Sketch>({
    duty: 'empty',
    size: 'narrow',
    control: 'cord',
    pumps: 1,
    profile: 'metric-230',
    alarm: true,
  });
  const [name, setName] = useState('');
  const { begin, said, busy } = useBegin(sketch, name);
  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: 'column' }}>
      <Masthead
        system={null}
        crumbs={
          <Typography component="h1" variant="body1">
            <Link href="/">Round</Link> ▸ a fault at an unknown site
          </Typography>
        }
      />
      <Box
        component="main"
        sx={{ p: { xs: 2, md: 3 }, display: 'flex', flexDirection: 'column', gap: 1.75, maxWidth: 860 }}
      >
        <Typography variant="body1" component="p" sx={{ m: 0 }}>
          Six taps make a typical station. Every figure of it is assumed, and marked so, until somebody measures it; it
          can become the survey of this site.
        </Typography>
        <Taps sketch={sketch} put={(change) => setSketch({ ...sketch, ...change })} />
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', flexWrap: 'wrap' }}>
          <Button variant="contained" disabled={busy} onClick={() => void begin()} sx={{ minHeight: 44 }}>
            begin the trace
          </Button>
          <TextBox
            label="what the site is called"
            value={name}
            onChange={(e) => setName(e.target.value.slice(0, 80))}
            help="empty: by today’s date"
            sx={{ width: 280 }}
          />
        </Box>
        {said.length > 0 && (
          <Typography role="alert" variant="body2" color="error">
            Not begun: {said.join('; ')}. Nothing is lost: try again.
          </Typography>
        )}
      </Box>
    </Box>
  );
}

/** One question with its answers. */
function Asked({ what, children }: { what: string; children: ReactNode }) {
  return (
    <Box>
      <Typography variant="h3" component="h2" sx={{ mb: 0.5 }}>
        {what}
      </Typography>
      {children}
    </Box>
  );
}
