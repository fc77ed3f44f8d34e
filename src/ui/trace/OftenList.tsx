'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { Often, Rate } from '@/core/trace';
import { keep, kept } from '../parts/browserKeep';
import { TextBox } from '../parts/TextBox';
import { sendRate } from './sendRate';

const WHO = 'pitbell.who';

/** Once in so many years, as one would say it. */
const years = (perYear: number): string => {
  const y = 1 / perYear;
  if (y < 1.5) return `${Math.round(12 * y)} months`;
  return `${y >= 10 ? Math.round(y) : Math.round(10 * y) / 10} years`;
};

/** Whose figure it is, and what the firm's own cases have made of it. */
function saidWords({ by, said, now, cases }: Often): string {
  const whose = by === 'assumed' ? 'assumed' : 'as the firm says';
  if (years(now) === years(said)) return whose;
  const counted = cases === 0 ? 'no case' : cases === 1 ? 'one case' : `${cases} cases`;
  return `${whose}: once in ${years(said)}; with ${counted} at the firm’s stations so`;
}

/** Reads years as they are typed; a reason where they are none. */
function readYears(text: string): number | string {
  const y = Number(text.trim().replace(',', '.'));
  if (text.trim() === '' || !Number.isFinite(y)) return 'years, as 12 or 0.5';
  return y < 0.05 || y > 10_000 ? 'between 0.05 and 10,000 years' : y;
}

interface EditProps {
  of: Often;
  who: string;
  onWho(who: string): void;
  onKept(rates: readonly Rate[]): void;
}

/** Says otherwise how often a kind comes. */
function Edit({ of, who, onWho, onKept }: EditProps) {
  const [text, setText] = useState(of.by === 'the firm' ? String(Math.round(100 / of.said) / 100) : '');
  const [said, setSaid] = useState<string | null>(null);
  const read = readYears(text);
  const send = async (value: number | null) => {
    keep(WHO, who);
    const sent = await sendRate(who.trim(), of.cause, value);
    if (sent.ok && sent.rates) onKept(sent.rates);
    else if (sent.ok) setSaid('Kept on this device only, until the server answers: suspects here begin as before.');
    else setSaid(`Not kept: ${sent.why}. What you typed stands here.`);
  };
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'flex-start', mt: 1, width: '100%' }}>
      <TextBox
        label="once in"
        value={text}
        onChange={(e) => setText(e.target.value)}
        inputMode="decimal"
        problem={text !== '' && typeof read === 'string' ? read : undefined}
        end={<InputAdornment position="end">years</InputAdornment>}
        sx={{ width: 150 }}
        autoFocus
      />
      <TextBox label="who" value={who} onChange={(e) => onWho(e.target.value)} sx={{ width: 130 }} />
      <Button
        variant="contained"
        disabled={typeof read === 'string' || who.trim() === ''}
        onClick={() => typeof read === 'number' && void send(read)}
        sx={{ minHeight: 44 }}
      >
        so it is with us
      </Button>
      {of.by === 'the firm' && (
        <Button disabled={who.trim() === ''} onClick={() => void send(null)} sx={{ minHeight: 44 }}>
          as assumed again
        </Button>
      )}
      {said && (
        <Typography role="alert" variant="body2" color="error" sx={{ width: '100%' }}>
          {said}
        </Typography>
      )}
    </Box>
  );
}

/** How often each kind of fault comes at one such part: what suspects begin with, and what the firm may say otherwise. */
export function OftenList({ ask, onKept }: { ask(): Promise<readonly Often[]>; onKept(rates: readonly Rate[]): void }) {
  const [all, setAll] = useState<readonly Often[] | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  const [who, setWho] = useState(() => kept(WHO) ?? '');
  useEffect(() => {
    let over = false;
    void ask().then((list) => void (!over && setAll(list)));
    return () => void (over = true);
  }, [ask]);
  return (
    <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2, maxWidth: 720 }}>
      <Typography variant="h2">How often each comes</Typography>
      <Typography variant="body2" component="p" sx={{ m: 0 }}>
        Suspects begin in this order, before anything is seen. The figures are assumed weights of practice, of one such
        part; the firm’s own confirmed cases move them, and the firm may say otherwise for all its stations.
      </Typography>
      <Box component="ul" aria-label="how often each comes" sx={{ m: 0, mt: 1, p: 0, listStyle: 'none' }}>
        {all?.map((o) => (
          <Box
            component="li"
            key={o.cause}
            sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 1, borderBottom: 1, borderColor: 'divider' }}
          >
            <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
              <Typography variant="body1" component="p" sx={{ m: 0 }}>
                {o.cause}
              </Typography>
              <Typography variant="body2" component="p" sx={{ m: 0, color: 'text.secondary' }}>
                {o.labels.slice(0, 2).join('; ')}
                {o.labels.length > 2 ? `; and ${o.labels.length - 2} more` : ''}
              </Typography>
            </Box>
            <Box sx={{ flex: '0 1 210px' }}>
              <Typography variant="body1" component="p" sx={{ m: 0, fontWeight: 650 }}>
                once in {years(o.now)}
              </Typography>
              <Typography variant="body2" component="p" sx={{ m: 0 }}>
                {saidWords(o)}
              </Typography>
            </Box>
            <Button
              aria-expanded={open === o.cause}
              aria-label={`say otherwise: ${o.cause}`}
              onClick={() => setOpen(open === o.cause ? null : o.cause)}
              sx={{ minHeight: 44, flex: 'none' }}
            >
              {open === o.cause ? 'leave it' : 'say otherwise'}
            </Button>
            {open === o.cause && (
              <Edit
                of={o}
                who={who}
                onWho={setWho}
                onKept={(rates) => {
                  setOpen(null);
                  onKept(rates);
                }}
              />
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
