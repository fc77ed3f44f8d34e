'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { Masthead } from '../frame/Masthead';
import { Works } from '../people/Works';
import { usePrefs } from '../theme/Surface';
import { BringBack } from './BringBack';
import { restWords, type RestShown } from './shown';

interface Station extends RestShown {
  readonly id: number;
  readonly name: string;
  readonly site: string;
}

/** The archive and the bin: every station that rests, where it can be looked at and brought back. */
export function RestingView({ stations }: { stations: readonly Station[] }) {
  const { units } = usePrefs();
  return (
    <>
      <Masthead
        system={units}
        crumbs={
          <Typography component="h1" variant="body1" noWrap>
            ▸ <b>archive and bin</b>
          </Typography>
        }
      />
      <Box component="main" sx={{ maxWidth: 760, mx: 'auto', p: { xs: 2, md: 3 } }}>
        <Typography variant="body2" component="p" sx={{ mt: 0 }}>
          A station in the archive opens as ever; Round, what is due and searches leave it out, and its panel is not
          asked. One that was deleted rests in the bin for thirty days, and is then gone with its revisions, its book
          and its runs. Both come from the foot of a station’s Survey.
        </Typography>
        {stations.length === 0 && <Typography variant="body1">Neither holds anything.</Typography>}
        <Box component="ul" aria-label="stations that rest" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {stations.map((s) => (
            <Box
              component="li"
              key={s.id}
              sx={{
                borderTop: 1,
                borderColor: 'divider',
                py: 1,
                display: 'flex',
                flexWrap: 'wrap',
                gap: 1.5,
                alignItems: 'center',
              }}
            >
              <Typography variant="body2" sx={{ flex: '1 1 240px' }}>
                <Link href={`/stations/${s.id}/levels`}>{s.name}</Link>, {s.site}
                <Typography component="span" variant="label" sx={{ display: 'block' }}>
                  {restWords(s)}
                </Typography>
              </Typography>
              <Works>
                <BringBack id={s.id} name={s.name} rest={s.rest} />
              </Works>
            </Box>
          ))}
        </Box>
      </Box>
    </>
  );
}
