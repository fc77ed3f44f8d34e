'use client';
import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
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

/** The paint of the rules: plain elements under one rule of style each, for all of them follow every mark of a drag. */
const Rules = styled('ul')(({ theme }) => {
  const { pit } = theme.palette;
  return {
    margin: 0,
    padding: 0,
    listStyle: 'none',
    '& > li': { borderBottom: `1px solid ${theme.palette.divider}` },
    '& > li.lit': { background: theme.palette.action.hover },
    '& .rule': {
      display: 'grid',
      gridTemplateColumns: 'minmax(0, 1fr) auto',
      [theme.breakpoints.up('sm')]: {
        gridTemplateColumns: 'minmax(150px, 1.1fr) 58px minmax(110px, 1fr) minmax(150px, 1.25fr)',
        minHeight: 34,
      },
      columnGap: 10,
      rowGap: 2,
      alignItems: 'center',
      width: '100%',
      textAlign: 'left',
      padding: '5px 12px',
      minHeight: 44,
      border: 0,
      background: 'none',
      color: pit.ink,
      cursor: 'pointer',
      ...theme.typography.body2,
    },
    '& .title': { fontWeight: 600 },
    '& .state': { fontWeight: 700 },
    '& .holds .state': { fontWeight: 400 },
    '& .broken .state': { color: theme.palette.error.main },
    '& .figures': { ...theme.typography.readingSmall, fontSize: 12 },
    '& .slack': { position: 'relative', height: 10, width: '100%', borderBottom: `1px solid ${theme.palette.divider}` },
    '& .need': { position: 'absolute', left: '35%', top: -2, bottom: -3, borderLeft: `1px solid ${pit.ink}` },
    '& .bar': {
      position: 'absolute',
      top: 1,
      height: 7,
      color: theme.palette.divider,
      border: '1px solid currentColor',
      backgroundImage: 'repeating-linear-gradient(45deg, currentColor 0 2px, transparent 2px 5px)',
    },
    '& .tight .bar': { color: theme.palette.warning.main },
    '& .broken .bar': { color: theme.palette.error.main },
    '& .holds .bar': { color: pit.ink, border: 0, backgroundImage: 'none', background: 'currentColor' },
  };
});

/** How far from the need, as a bar about its middle: right of it slack, left of it what is missing. Full length is once the need. */
function SlackBar({ share }: { share: number | null }) {
  const of = share === null ? 0 : Math.min(Math.max(share, -1), 1);
  const side = of < 0 ? { right: '65%', width: `${-of * 35}%` } : { left: '35%', width: `${of * 65}%` };
  return (
    <span aria-hidden className="slack">
      <span className="need" />
      <span className="bar" style={{ ...side, minWidth: share === null ? 0 : 3 }} />
    </span>
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
    <li
      ref={row}
      className={`${rule.state}${lit ? ' lit' : ''}`}
      onPointerEnter={answer}
      onPointerLeave={() => point([])}
    >
      <button
        type="button"
        className="rule"
        onClick={() => onToggle(rule.id)}
        onFocus={answer}
        onBlur={() => point([])}
        aria-expanded={open}
      >
        <span className="title">{rule.title}</span>
        <span className="state">{WORD[rule.state]}</span>
        <SlackBar share={rule.share} />
        <span className="figures">
          {rule.has && rule.needs
            ? `${say(rule.has, system)} ${rule.sense === 'at-most' ? '≤' : '≥'} ${say(rule.needs, system)}`
            : '–'}
        </span>
      </button>
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
    </li>
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
      <Rules aria-label="rules, tightest first">
        {rules.map((rule) => (
          <RuleRow key={rule.id} rule={rule} open={open === rule.id} onToggle={toggle} />
        ))}
      </Rules>
      <Box sx={{ px: 1.5, py: 1 }}>
        <RestsOn station={station} />
      </Box>
    </>
  );
}
