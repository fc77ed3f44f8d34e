'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { WriteOther } from '../book/WriteOther';
import { linesOf } from '../book/pageLines';
import { HereOnly } from '../outbox/HereOnly';
import { keep, kept } from '../parts/browserKeep';
import { TextBox } from '../parts/TextBox';
import type { FirmRuleShown, RuleSent } from './askFirmRules';

const WHO = 'pitbell.who';

/** What the firm does again and again at every station: written once, ended, and due everywhere. */
export function FirmRules() {
  const router = useRouter();
  const [rules, setRules] = useState<readonly FirmRuleShown[] | null>(null);
  const [who, setWho] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  const [here, setHere] = useState(false);
  useEffect(() => {
    // What the browser keeps is known only after the page.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setWho(kept(WHO) ?? '');
    void import('./askFirmRules').then(({ askFirmRules }) => askFirmRules()).then(setRules);
  }, []);
  const send = async (what: RuleSent) => {
    if (who.trim() === '') {
      setFailed('say who writes');
      return false;
    }
    const answer = await (await import('./askFirmRules')).sendFirmRule(who.trim(), what);
    setFailed(answer.ok ? null : answer.why);
    setHere(answer.ok && answer.rules === null);
    if (answer.ok && answer.rules !== null) {
      setRules(answer.rules);
      router.refresh();
    }
    return answer.ok;
  };
  return (
    <Box
      component="section"
      aria-label="rules of the firm"
      sx={{ mt: 3, display: 'flex', flexDirection: 'column', gap: 1 }}
    >
      <Typography variant="h2">At every station</Typography>
      <Typography variant="body2">
        What the firm does again and again at all of them; a station’s own stand in its book.
      </Typography>
      <Box component="ul" aria-label="rules that stand" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {(rules ?? []).map((r) => (
          <Box
            component="li"
            key={r.id}
            sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider' }}
          >
            <Typography variant="body2" sx={{ flex: 1 }}>
              {linesOf(r.rule).join(' · ')}{' '}
              <Typography component="span" variant="label">
                {r.by}
              </Typography>
            </Typography>
            <Button onClick={() => void send({ ends: r.id })} aria-label={`end: ${r.rule.what}`} sx={{ minHeight: 44 }}>
              end it
            </Button>
          </Box>
        ))}
      </Box>
      <TextBox
        label="who"
        value={who}
        onChange={(e) => {
          setWho(e.target.value);
          keep(WHO, e.target.value);
        }}
        sx={{ width: 160 }}
      />
      <WriteOther
        kind="rule"
        before={null}
        words="write it for every station"
        onWrite={async ({ page }) => (page.kind === 'rule' && (await send({ rule: page })) ? 0 : null)}
      />
      {here && <HereOnly what="what was written just now" />}
      {failed !== null && (
        <Typography role="alert" variant="body2" color="error">
          Not written: {failed}. What you typed stands here.
        </Typography>
      )}
    </Box>
  );
}
