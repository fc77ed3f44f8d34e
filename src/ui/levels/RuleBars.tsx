'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import type { Judgement, RuleState } from '@/core/levels';
import { say, sayPhrase, type UnitSystem } from '@/core/units';
import { useEditor, useStationSystem } from '../editor/StationProvider';
import { useJudgement } from './useJudgement';

// Fields are fetched when a rule is opened.
const HangsOn = dynamic(() => import('../parts/Resting').then((m) => m.HangsOn), { ssr: false });
const RestsOn = dynamic(() => import('../parts/Resting').then((m) => m.RestsOn), { ssr: false });
const RuleSettings = dynamic(() => import('./RuleSettings').then((m) => m.RuleSettings), { loading: () => null });

type JudgedRule = Judgement['rules'][number];

const WORD: Readonly<Record<RuleState, string>> = {
  holds: 'holds',
  tight: 'tight',
  broken: 'broken',
  unknown: 'not known',
  'not-applicable': 'not asked',
};

/** How far from the need, as a bar about its middle: right of it slack, left of it what is missing. Full length is once the need. */
function SlackBar({ rule }: { rule: JudgedRule }) {
  const share = rule.share === null ? 0 : Math.min(Math.max(rule.share, -1), 1);
  const pattern = {
    holds: 'text.primary',
    tight: 'warning.main',
    broken: 'error.main',
    unknown: 'divider',
    'not-applicable': 'divider',
  }[rule.state];
  return (
    <Box
      aria-hidden
      sx={{ position: 'relative', height: 10, width: '100%', borderBottom: 1, borderColor: 'divider', color: pattern }}
    >
      <Box
        sx={{ position: 'absolute', left: '35%', top: -2, bottom: -3, borderLeft: 1, borderColor: 'text.primary' }}
      />
      <Box
        sx={{
          position: 'absolute',
          top: 1,
          height: 7,
          minWidth: rule.share === null ? 0 : 3,
          ...(share < 0 ? { right: '65%', width: `${-share * 35}%` } : { left: '35%', width: `${share * 65}%` }),
          ...(rule.state === 'holds'
            ? { bgcolor: 'currentColor' }
            : {
                border: 1,
                borderColor: 'currentColor',
                backgroundImage: 'repeating-linear-gradient(45deg, currentColor 0 2px, transparent 2px 5px)',
              }),
        }}
      />
    </Box>
  );
}

function slackWords(rule: JudgedRule, system: UnitSystem): string {
  if (!rule.needs || !rule.has || !rule.slack) return '';
  const sense = rule.sense === 'at-most' ? 'at most' : 'at least';
  const slack =
    rule.slack.value < 0
      ? `short by ${say({ ...rule.slack, value: -rule.slack.value }, system)}`
      : `slack ${say(rule.slack, system)}`;
  return `needs ${sense} ${say(rule.needs, system)}, has ${say(rule.has, system)}, ${slack}`;
}

interface RowProps {
  rule: JudgedRule;
  open: boolean;
  onToggle(id: string): void;
}

/** Most rules say the same from one mark of a drag to the next: those rows are not drawn again. */
const sameRow = (a: RowProps, b: RowProps): boolean =>
  a.open === b.open && a.onToggle === b.onToggle && JSON.stringify(a.rule) === JSON.stringify(b.rule);

const RuleRow = memo(function RuleRow({ rule, open, onToggle }: RowProps) {
  const system = useStationSystem();
  const point = useEditor((s) => s.point);
  const pointed = useEditor((s) => s.pointed);
  const lit = rule.about.some((p) => pointed.includes(p));
  const answer = () => point(rule.about);
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (open) row.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  return (
    <Box
      component="li"
      ref={row}
      sx={{ listStyle: 'none', borderBottom: 1, borderColor: 'divider', bgcolor: lit ? 'action.hover' : undefined }}
      onPointerEnter={answer}
      onPointerLeave={() => point([])}
    >
      <ButtonBase
        onClick={() => onToggle(rule.id)}
        onFocus={answer}
        onBlur={() => point([])}
        aria-expanded={open}
        sx={{
          display: 'grid',
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr) auto',
            sm: 'minmax(150px, 1.1fr) 58px minmax(110px, 1fr) minmax(150px, 1.25fr)',
          },
          columnGap: 1.25,
          rowGap: 0.25,
          alignItems: 'center',
          width: '100%',
          textAlign: 'left',
          px: 1.5,
          py: 0.6,
          minHeight: { xs: 44, sm: 34 },
        }}
      >
        <Typography variant="body2" component="span" sx={{ fontWeight: 600 }}>
          {rule.title}
        </Typography>
        <Typography
          variant="body2"
          component="span"
          color={rule.state === 'broken' ? 'error' : 'text.primary'}
          sx={{ fontWeight: rule.state === 'holds' ? 400 : 700 }}
        >
          {WORD[rule.state]}
        </Typography>
        <SlackBar rule={rule} />
        <Typography variant="readingSmall" component="span" sx={{ fontSize: 12 }}>
          {rule.has && rule.needs
            ? `${say(rule.has, system)} ${rule.sense === 'at-most' ? '≤' : '≥'} ${say(rule.needs, system)}`
            : '–'}
        </Typography>
      </ButtonBase>
      {open && (
        <Box sx={{ px: 1.5, pb: 1 }}>
          <Typography variant="readingSmall" component="p" sx={{ m: 0 }}>
            {rule.severity === 'must' ? 'must' : 'should'}: {slackWords(rule, system) || WORD[rule.state]}
          </Typography>
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            {sayPhrase(rule.why, system)}
          </Typography>
          <HangsOn rule={rule} />
          <RuleSettings id={rule.id} />
        </Box>
      )}
    </Box>
  );
}, sameRow);

/** Every rule as a bar of slack, tightest first; opened, the need, what there is, and why. */
export function RuleBars() {
  const { rules } = useJudgement();
  const { station } = useEditor((s) => s.judged.context);
  const asked = useSearchParams().get('rule');
  const [chosen, setChosen] = useState<string | null>(null);
  const open = chosen ?? asked;
  const toggle = useCallback((id: string) => setChosen((now) => ((now ?? asked) === id ? '' : id)), [asked]);
  return (
    <>
      <Box component="ul" aria-label="rules, tightest first" sx={{ m: 0, p: 0 }}>
        {rules.map((rule) => (
          <RuleRow key={rule.id} rule={rule} open={open === rule.id} onToggle={toggle} />
        ))}
      </Box>
      <Box sx={{ px: 1.5, py: 1 }}>
        <RestsOn station={station} />
      </Box>
    </>
  );
}
