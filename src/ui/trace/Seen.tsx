'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { LATELY, settingWords, type Lately, type Looks, type Told } from '@/core/trace';
import type { Station } from '@/core/station';
import { Segments, WRAPPED } from '../parts/Segments';
import { TickBox } from '../parts/TickBox';
import { LookLine } from './LookLine';
import { OwnReading } from './OwnReading';

/** How the station stands, in few words. */
function standsOf(station: Station, { settings }: Looks) {
  const words = settingWords(station);
  return settings.map(
    ({ setting: s }) => [s, s === 'dead' ? 'all is isolated' : words[s].replace(/^the water /, '')] as const,
  );
}

interface Props {
  told: Told;
  tell(next: Told): void;
  looks: Looks;
  station: Station;
  onGo(): void;
}

/** What somebody sees, hears, feels and smells; where the water stands; what was done lately; what was read already. */
export function Seen({ told, tell, looks, station, onGo }: Props) {
  const shownOf = (id: string) => {
    const e = told.evidence.find((x) => x.kind === 'symptom' && x.symptom === id);
    return e?.kind === 'symptom' ? e.shown : null;
  };
  const setSymptom = (id: string, shown: boolean | null) =>
    tell({
      ...told,
      evidence: [
        ...told.evidence.filter((x) => !(x.kind === 'symptom' && x.symptom === id)),
        ...(shown === null ? [] : [{ kind: 'symptom' as const, symptom: id, shown }]),
      ],
    });
  const setLately = (what: Lately, is: boolean) =>
    tell({ ...told, lately: is ? [...told.lately, what] : told.lately.filter((l) => l !== what) });
  return (
    <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2, display: 'flex', flexDirection: 'column', gap: 2, maxWidth: 720 }}>
      <Box>
        <Typography variant="h2">Where does the water stand?</Typography>
        <Segments
          label="the water stands"
          value={told.setting}
          choices={standsOf(station, looks)}
          onPick={(v) => tell({ ...told, setting: v === told.setting ? null : v })}
          sx={{ mt: 1, ...WRAPPED }}
        />
      </Box>
      <Box>
        <Typography variant="h2">What is seen?</Typography>
        <Typography variant="body2" component="p" sx={{ m: 0 }}>
          Say yes or no; leave out what nobody knows.
        </Typography>
        <Box component="ul" aria-label="what is seen" sx={{ m: 0, mt: 1, p: 0, listStyle: 'none' }}>
          {looks.looks.map((s) => (
            <LookLine
              key={s.id}
              says={s.says}
              ofTheTrade={s.ofTheTrade}
              shown={shownOf(s.id)}
              onTell={(v) => setSymptom(s.id, v)}
            />
          ))}
        </Box>
      </Box>
      <Button variant="contained" onClick={onGo} sx={{ minHeight: 48, alignSelf: 'flex-start' }}>
        on to the next test
      </Button>
      <Box>
        <Typography variant="h3" component="h2">
          What was done lately?
        </Typography>
        <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(240px, 1fr))' }}>
          {(Object.keys(LATELY) as Lately[]).map((l) => (
            <TickBox key={l} label={LATELY[l]} checked={told.lately.includes(l)} onChange={(is) => setLately(l, is)} />
          ))}
        </Box>
      </Box>
      <Box component="details">
        <Typography component="summary" variant="body1" sx={{ cursor: 'pointer', minHeight: 32 }}>
          A reading that was taken already
        </Typography>
        <OwnReading told={told} tell={tell} station={station} />
      </Box>
    </Box>
  );
}
