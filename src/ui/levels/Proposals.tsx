'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { aimsFor, type Aim, type Gain, type Proposal } from '@/core/proposals';
import type { Station } from '@/core/station';
import { say, sayPhrase, type UnitSystem } from '@/core/units';
import { useEditor } from '../editor/StationProvider';
import { useProposals } from './useProposals';
import { Notice } from '../parts/Notice';
import { Segments } from '../parts/Segments';

const AIM_WORDS: Readonly<Record<Aim, string>> = {
  'fewest-starts': 'fewest starts',
  'least-stored': 'least stored water',
  'longest-reserve': 'longest reserve',
  'fewest-changes': 'fewest changes',
};

function GainLine({ gain, system }: { gain: Gain; system: UnitSystem }) {
  const [before, after] = [gain.before, gain.after].map((q) => (q ? say(q, system) : '–'));
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="label" component="div">
        {gain.what}
      </Typography>
      <Typography variant="readingSmall" component="div">
        {before === after ? after : `${before} → ${after}`}
      </Typography>
    </Box>
  );
}

/** One proposal: what it gains and gives up, the moves, to be taken whole or float by float. */
function Offered({ proposal, system }: { proposal: Extract<Proposal, { ok: true }>; system: UnitSystem }) {
  const edit = useEditor((s) => s.edit);
  const document = useEditor((s) => s.document);
  const point = useEditor((s) => s.point);
  const showGhosts = useEditor((s) => s.showGhosts);
  const { sensors, gains, moves, gives } = proposal;
  useEffect(() => {
    showGhosts(sensors);
    return () => showGhosts(null);
  }, [sensors, showGhosts]);
  const differs = (id: string) =>
    JSON.stringify(sensors.find((s) => s.id === id)) !== JSON.stringify(document.sensors.find((s) => s.id === id));
  const take = (id: string) =>
    edit((d) => ({ ...d, sensors: d.sensors.map((s) => sensors.find((p) => p.id === id && p.id === s.id) ?? s) }));
  const ids = [...new Set(sensors.map((s) => s.id))].filter(differs);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 1 }}>
        {gains.map((g) => (
          <GainLine key={g.what} gain={g} system={system} />
        ))}
      </Box>
      {gives.length > 0 && (
        <Typography variant="body2">
          It gives up what should hold but nothing on the tape keeps: {gives.join('; ')}.
        </Typography>
      )}
      {moves.length === 0 ? (
        <Typography variant="body2">Nothing is to be moved: what hangs there serves this best.</Typography>
      ) : (
        <Box component="ol" aria-label="moves" sx={{ m: 0, pl: 2.5 }}>
          {moves.map((m, i) => (
            <li key={i} onPointerEnter={() => point([`float:${m.sensor}`])} onPointerLeave={() => point([])}>
              <Typography variant="body2" component="span">
                {sayPhrase(m.sentence, system)}
              </Typography>
            </li>
          ))}
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          disabled={ids.length === 0}
          onClick={() => edit((d) => ({ ...d, sensors: [...sensors] }))}
        >
          {ids.length === 0 ? 'taken' : 'take it whole'}
        </Button>
        {ids.length > 1 &&
          ids.map((id) => (
            <Button key={id} onClick={() => take(id)}>
              take {sensors.find((s) => s.id === id)!.role} only
            </Button>
          ))}
      </Box>
    </Box>
  );
}

/** Nothing on the tape keeps what must hold: which rule stands in the way, and the least changes that help. */
function None({ proposal, system }: { proposal: Extract<Proposal, { ok: false }>; system: UnitSystem }) {
  const edit = useEditor((s) => s.edit);
  const take = (station: Station) => edit(() => station);
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
      <Notice severity="error">
        No setting on the tape keeps everything that must hold.{' '}
        {proposal.bites.length > 0
          ? `What stands in the way: ${proposal.bites.join('; ')}.`
          : 'Several rules together stand in the way.'}
      </Notice>
      <Typography variant="h3">
        {proposal.remedies.length > 0
          ? 'The least changes that help'
          : 'No single change that was tried helps: another pump or another pit.'}
      </Typography>
      {proposal.remedies.map((r, i) => (
        <Box key={i} sx={{ display: 'flex', gap: 1, alignItems: 'center', justifyContent: 'space-between' }}>
          <Typography variant="body2">{sayPhrase(r.sentence, system)}</Typography>
          <Button onClick={() => take(r.station)}>try it</Button>
        </Box>
      ))}
    </Box>
  );
}

/** Levels proposed per aim, drawn as outlines in the shaft. */
export function Proposals({ system }: { system: UnitSystem }) {
  const document = useEditor((s) => s.document);
  const sound = useEditor((s) => s.judged.problems.length === 0);
  const { proposed, ask, stop } = useProposals(document);
  const aims = aimsFor(document);
  const [wanted, setAim] = useState<Aim>('fewest-starts');
  const aim = aims.includes(wanted) ? wanted : aims[0]!;
  if (!sound)
    return <Typography sx={{ p: 1.5 }}>The document contradicts itself: correct it in Survey first.</Typography>;
  const chosen = proposed.state === 'there' ? proposed.proposals.find((p) => p.aim === aim) : undefined;
  // Taking a proposal changes the floats, not what it was made for.
  const stale =
    proposed.state === 'there' &&
    (['vessel', 'inflow', 'pumps', 'discharge', 'settings', 'duty', 'control'] as const).some(
      (part) => document[part] !== proposed.of[part],
    );
  return (
    <Box sx={{ p: 1.5, display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Segments
        label="what the levels are to serve"
        value={aim}
        choices={aims.map((a) => [a, AIM_WORDS[a]] as const)}
        onPick={setAim}
      />
      {proposed.state === 'working' && (
        <Box role="status">
          <Typography variant="body2">trying every mark of the tape…</Typography>
          <LinearProgress sx={{ my: 1 }} aria-label="trying every mark of the tape" />
          <Button onClick={stop}>stop</Button>
        </Box>
      )}
      {(proposed.state === 'stopped' || proposed.state === 'failed' || stale) && (
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <Typography variant="body2">
            {stale
              ? 'The station has changed since.'
              : proposed.state === 'stopped'
                ? 'Stopped.'
                : 'It could not be worked out.'}
          </Typography>
          <Button onClick={ask}>propose again</Button>
        </Box>
      )}
      {chosen &&
        (chosen.ok ? (
          <Offered key={aim} proposal={chosen} system={system} />
        ) : (
          <None proposal={chosen} system={system} />
        ))}
      <Typography variant="label">
        Every setting proposed is a mark of the tape ({system === 'us' ? '1/4"' : '5 mm'}), judged after rounding. Found
        hangings are counted from where recorded.
      </Typography>
    </Box>
  );
}
