'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { FINDING_KINDS, jobOfFinding, meterName, meterSays, surely, type Analysis, type Finding } from '@/core/book';
import { quantity, say, sayPhrase, type UnitSystem } from '@/core/units';
import { day } from '../parts/when';

const when = (ms: number) => day(new Date(ms).toISOString());

/** One finding: what it is, its figures, since when, how surely, and what to check next. */
function OneFinding({ finding, stationId, system }: { finding: Finding; stationId: number; system: UnitSystem }) {
  const { kind, sentence, figures, since, chance, next, test } = finding;
  return (
    <Box component="li" sx={{ py: 1, borderTop: 1, borderColor: 'divider' }}>
      <Typography variant="h3" component="p" sx={{ m: 0 }}>
        {FINDING_KINDS[kind]}{' '}
        <Typography component="span" variant="label">
          {surely(chance)}
          {since !== null && ` · since about ${when(since)}`}
        </Typography>
      </Typography>
      <Typography variant="body2">{sayPhrase(sentence, system)}</Typography>
      <Box component="dl" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, m: 0, my: 0.5 }}>
        {figures.map((f) => (
          <Box key={f.label} sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline' }}>
            <Typography component="dt" variant="label">
              {f.label}
            </Typography>
            <Typography component="dd" variant="readingSmall" sx={{ m: 0 }}>
              {say(f.value, system)}
            </Typography>
          </Box>
        ))}
      </Box>
      <Typography variant="body2">
        <b>Next:</b> {sayPhrase(next, system)}{' '}
        {test && <Link href={`/stations/${stationId}/prove?job=${jobOfFinding(kind)}`}>begin its job</Link>}
      </Typography>
    </Box>
  );
}

/** Readings that do not fit: asked about, and left out of every figure until they are corrected. */
function Doubts({ analysis: { doubts, swaps }, system }: { analysis: Analysis; system: UnitSystem }) {
  if (doubts.length === 0 && swaps.length === 0) return null;
  const WHY = {
    backwards: 'stands below the one before, and it does not roll over there',
    'too much': 'is more than the time allows',
    twice: 'is another figure than was read at the same time',
  } as const;
  return (
    <Box component="section" aria-label="readings to ask about" sx={{ mt: 1 }}>
      <Typography variant="h3" component="h2">
        Is this right?
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {swaps.map(({ meters: [a, b], readings: [x, y] }) => (
          <Typography component="li" variant="body2" key={`${x.id} ${y.id}`}>
            {when(x.at)}: {meterSays(a, x.value, system)} of {meterName(a)} and {meterSays(b, y.value, system)} of{' '}
            {meterName(b)} make sense the other way round: were they typed in one another’s fields?
          </Typography>
        ))}
        {doubts.map(({ meter, doubt }) => (
          <Typography component="li" variant="body2" key={doubt.reading.id}>
            {when(doubt.reading.at)}, {meterName(meter)}: {meterSays(meter, doubt.reading.value, system)}{' '}
            {WHY[doubt.why]}. It is left out until it is corrected on its page; a new meter is said with its reading.
          </Typography>
        ))}
      </Box>
    </Box>
  );
}

/** Fewer days than these are told: a season is no year. */
const YEAR = 330;

/** What the pumping takes and costs, and how that is known. */
function EnergyLine({ energy, system }: { energy: Analysis['energy']; system: UnitSystem }) {
  if (!energy) return null;
  const { perDay, by, perVolume, costPerYear, days } = energy;
  const said = [
    `${say(quantity('energy', perDay * 365.25 * 3.6e6), system)} a year`,
    ...(perVolume === null ? [] : [say(quantity('specificEnergy', perVolume * 3.6e6), system)]),
    ...(costPerYear === null
      ? []
      : [`costs ${costPerYear < 10 ? costPerYear.toFixed(2) : Math.round(costPerYear)} a year`]),
  ];
  return (
    <Typography variant="body2" sx={{ mt: 0.5 }}>
      Energy: {said.join(' · ')}{' '}
      <Typography component="span" variant="label">
        {days < YEAR && `as in ${Math.round(days)} days; `}
        {by === 'meter'
          ? 'by its meter, with all else that hangs on it'
          : 'by hours run and what the motors are assumed to draw: no energy meter is read'}
        {costPerYear === null && '; what a kWh costs stands on the page of the site'}
      </Typography>
    </Typography>
  );
}

/** What the readings mean: findings, the likeliest first; what was not asked, and why. */
export function Meaning({
  analysis,
  stationId,
  system,
}: {
  analysis: Analysis;
  stationId: number;
  system: UnitSystem;
}) {
  const { findings, notAsked, asked } = analysis;
  return (
    <Box component="section" aria-label="what the readings mean">
      <Typography variant="h2">What the readings mean</Typography>
      {findings.length === 0 && (
        <Typography variant="body2">
          {asked.length === 0
            ? 'Nothing could be asked of them yet: what is wanted stands below.'
            : `Nothing stands out of what was asked: ${asked.map((k) => FINDING_KINDS[k]).join('; ')}.`}
        </Typography>
      )}
      <Box component="ul" aria-label="findings" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {findings.map((f) => (
          <OneFinding key={`${f.kind} ${f.pump}`} finding={f} stationId={stationId} system={system} />
        ))}
      </Box>
      <EnergyLine energy={analysis.energy} system={system} />
      <Doubts analysis={analysis} system={system} />
      {notAsked.length > 0 && (
        <Box component="details" sx={{ mt: 0.5 }}>
          <Typography component="summary" variant="body2" sx={{ minHeight: 32, cursor: 'pointer' }}>
            Not asked here, and why
          </Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {notAsked.map((n) => (
              <Typography component="li" variant="body2" key={n.kinds.join()}>
                {n.kinds.map((k) => FINDING_KINDS[k]).join('; ')}: {sayPhrase(n.why, system)}
              </Typography>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
}
