'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { drillFile, DRILL_LEVELS, type Bench, type Drill, type DrillAct, type Offers, type Review } from '@/core/drill';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { KEEPING, type Keeping } from '../parts/browserKeep';
import { downloadJson, fileNameOf } from '../parts/download';
import type { FloatsByHand } from '../shaft/StationShaft';
import { Beside } from './Beside';
import { BenchLog, Latest, StandingLine } from './BenchLog';
import { Doing } from './Doing';
import { InWords } from './InWords';
import { Marked } from './Marked';
import { ReviewBox } from './ReviewBox';
import { useDrill } from './useDrill';

// What draws the water over time is fetched when it is looked back at.
const PanelShown = dynamic(() => import('./PanelShown').then((m) => m.PanelShown), { ssr: false, loading: () => null });
const Replay = dynamic(() => import('./Replay').then((m) => m.Replay), { ssr: false, loading: () => null });

const Said = ({ children }: { children: ReactNode }) => (
  <Typography role="status" variant="body2" component="p" sx={{ m: 0 }}>
    {children}
  </Typography>
);

/** The water of the drawing follows the bench, where it is of the station that is drawn. @returns how a replay brings it elsewhere */
function useWaterShown(bench: Bench | null, drawn: boolean): (level: number) => void {
  const setLevel = useEditor((s) => s.setLevel);
  const show = useCallback((level: number) => void (drawn && setLevel(level)), [drawn, setLevel]);
  const level = bench?.water?.level;
  useEffect(() => {
    if (level !== undefined) show(level);
  }, [level, show]);
  return show;
}

interface BenchProps {
  drill: Drill;
  onActs(acts: readonly DrillAct[]): void;
  onEnd(): void;
  keeping: Keeping;
  /** It went on in another tab. */
  elsewhere: boolean;
  /** Under which name it is kept in this browser; which drill that was set it is, null where it is none. */
  at: string;
  set: number | null;
  /** What it is called, and what stands over it. */
  label: string;
  head?: ReactNode;
  /** Whether it is of the station that is drawn, as it is saved now. */
  drawn: boolean;
}

/** Looks back once it is named. */
function useReview(
  over: boolean,
  acts: readonly DrillAct[],
  ask: (acts: readonly DrillAct[]) => Promise<Review | null>,
) {
  const [review, setReview] = useState<Review | null>(null);
  useEffect(() => {
    if (!over) return;
    let left = false;
    void ask(acts).then((r) => void (!left && setReview(r)));
    return () => void (left = true);
  }, [over, acts, ask]);
  return over ? review : null;
}

/** What the drawing is of. */
const WhatIsDrawn = ({ drill, drawn }: Pick<BenchProps, 'drill' | 'drawn'>) =>
  drawn ? (
    <Typography variant="label" component="p" sx={{ m: 0 }}>
      The drawing has the water as it is, and the floats as they should be; one that is touched is lifted with a dry
      rod, and let go.
    </Typography>
  ) : (
    <Said>
      This drill is of “{drill.station.identity.name}” as it was handed on or as it stood when it was begun: it is not
      drawn here.
    </Said>
  );

interface HintProps {
  acts: readonly DrillAct[];
  ask(acts: readonly DrillAct[]): Promise<string | null>;
  busy: boolean;
}

/** What Trace would do next, where a level lets one ask. */
function Hint({ acts, ask, busy }: HintProps) {
  const [hinted, setHinted] = useState<{ of: readonly DrillAct[]; words: string } | null>(null);
  const told = async () => {
    const words = await ask(acts);
    setHinted({ of: acts, words: words ?? 'nothing that is left tells enough for its minutes: say what it is' });
  };
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      <Button disabled={busy} onClick={() => void told()} sx={{ minHeight: 44 }}>
        what would Trace do next?
      </Button>
      {hinted?.of === acts && <Said>{hinted.words}</Said>}
    </Box>
  );
}

const Cannot = ({ reasons, onEnd }: { reasons: readonly string[]; onEnd(): void }) => (
  <Box sx={PAD}>
    <Typography role="alert" variant="body1" component="p" sx={{ m: 0 }}>
      This drill cannot be: {reasons.join('; ')}.
    </Typography>
    <Button onClick={onEnd}>another drill</Button>
  </Box>
);

/** What is said of how it is kept, and of what goes on. */
function Sayings({
  keeping,
  elsewhere,
  asking,
}: Pick<BenchProps, 'keeping' | 'elsewhere'> & { asking: number | null }) {
  return (
    <>
      {keeping !== 'kept' && <Said>What you do is {KEEPING[keeping]}</Said>}
      {elsewhere && <Said>This drill went on in another tab: this one follows it.</Said>}
      {asking !== null && <Said>Every suspect is asked what it would show: {Math.round(100 * asking)} %</Said>}
    </>
  );
}

function Foot({ drill, over, onEnd }: { drill: Drill; over: boolean; onEnd(): void }) {
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
      <Button onClick={onEnd} sx={{ minHeight: 44 }}>
        {over ? (drill.lesson === null ? 'another drill' : 'the lesson again') : 'give up'}
      </Button>
      <Button
        onClick={() => downloadJson(fileNameOf(drill.station.identity.name, `drill ${drill.seed}`), drillFile(drill))}
        sx={{ minHeight: 44 }}
      >
        export
      </Button>
      <Typography variant="label">
        {drill.lesson === null ? `drill ${drill.seed}, ` : ''}
        {DRILL_LEVELS[drill.level].words}
      </Typography>
    </Box>
  );
}

type InnerProps = BenchProps & {
  bench: Bench;
  offers: Offers;
  over: boolean;
  of: ReturnType<typeof useDrill>;
  show(level: number): void;
};

/** What is done at a bench that is ready. */
function Inner(props: InnerProps) {
  const { drill, onActs, onEnd, keeping, elsewhere, drawn, at, set, bench, offers, over, of, show } = props;
  const system = useStationSystem();
  const review = useReview(over, drill.acts, of.review);
  const { faults, hints } = DRILL_LEVELS[drill.level];
  return (
    <Box sx={PAD}>
      <StandingLine bench={bench} system={system} />
      <WhatIsDrawn drill={drill} drawn={drawn} />
      <InWords offers={offers} system={system} />
      <Sayings {...{ keeping, elsewhere }} asking={of.asking} />
      {review && (
        <>
          <Marked {...{ review, bench, drill, at, set }} />
          <ReviewBox review={review} bench={bench} system={system} />
          {bench.water && <Replay bench={bench} water={bench.water} system={system} onLevel={show} />}
        </>
      )}
      {!over && <Latest entries={bench.entries} />}
      {!over && <Doing offers={offers} bench={bench} hidden={faults} act={(act) => onActs([...drill.acts, act])} />}
      {drawn && <PanelShown />}
      {!over && hints && <Hint acts={drill.acts} ask={of.hint} busy={of.asking !== null} />}
      <Box>
        <Typography variant="h2">What was done</Typography>
        <BenchLog entries={bench.entries} heard={bench.water?.heard ?? []} />
      </Box>
      <Foot drill={drill} over={over} onEnd={onEnd} />
    </Box>
  );
}

/** Floats as hands hold them, to be lifted and let go in the drawing. */
function floatsByHand(offers: Offers, bench: Bench, act: (act: DrillAct) => void): FloatsByHand {
  const floats = offers.devices.filter((d) => d.sensor !== null);
  const held = new Set(bench.left.flatMap(({ act: a }) => (a.kind === 'put' ? [a.device] : [])));
  return {
    held: Object.fromEntries(floats.filter((d) => held.has(d.tag)).map((d) => [d.sensor!, 'up' as const])),
    onHand(sensor) {
      const float = floats.find((d) => d.sensor === sensor);
      if (float)
        act(held.has(float.tag) ? { do: 'let go', device: float.tag } : { do: 'put', device: float.tag, to: 'up' });
    },
  };
}

/** A bench beside the shaft: what is done at it, what it shows, and how it is looked back at. */
export function BenchView(props: BenchProps) {
  const { drill, onActs, onEnd, drawn, label, head } = props;
  // What is hidden hangs on station, level, seed and choice alone: acts make no other drill.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const begun = useMemo(() => ({ ...drill, acts: [] }), [drill.station, drill.level, drill.seed, drill.faults]);
  const of = useDrill(begun, drill.acts);
  const { stage, bench } = of;
  const show = useWaterShown(bench, drawn);
  const over = bench !== null && bench.named !== null && of.current;
  const ready = stage.kind === 'ready' && bench !== null;
  const byHand = ready && !over ? floatsByHand(stage.offers, bench, (act) => onActs([...drill.acts, act])) : undefined;
  return (
    <Beside label={label} drawn={drawn} byHand={byHand}>
      {head}
      {stage.kind === 'cannot' ? (
        <Cannot reasons={stage.reasons} onEnd={onEnd} />
      ) : ready ? (
        <Inner {...{ ...props, bench, over, of, show }} offers={stage.offers} />
      ) : (
        <Box sx={PAD}>
          <Said>Something is being put wrong…</Said>
        </Box>
      )}
    </Beside>
  );
}

const PAD = { p: { xs: 2, md: 2.5 }, display: 'flex', flexDirection: 'column', gap: 1.75, maxWidth: 760 } as const;
