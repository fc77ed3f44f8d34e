'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { AsLanded } from '@/core/wiring';
import { landedWords } from './effectWords';

/**
 * How the panel is landed, always in its place and always as high: what comes to be known moves no terminal from under a hand. Touched, it goes to
 * the whole list.
 * @param report null while it is being worked out: silence would read as “nothing is wrong”
 */
export function LandedLine({ report, onGo }: { report: AsLanded | null; onGo(): void }) {
  const [worst] = report?.effects ?? [];
  const none = report !== null && !worst && report.differences.length + report.strays.length === 0;
  return (
    <Box
      role="status"
      sx={{
        flex: 'none',
        // On a phone the terminals are further down than the ladder is high: what is wrong goes along.
        ...(!none && { position: { xs: 'sticky', md: 'static' }, top: 0, zIndex: 2, bgcolor: 'background.default' }),
      }}
    >
      <ButtonBase
        disabled={report === null || none}
        onClick={onGo}
        sx={{
          display: 'block',
          width: '100%',
          height: 46,
          px: 1.5,
          borderTop: 1,
          borderColor: 'divider',
          textAlign: 'left',
          fontSize: 13.5,
          lineHeight: 1.4,
          fontWeight: none || report === null ? 400 : 600,
          color: worst?.severity === 'danger' ? 'error.main' : 'text.primary',
          '& > span': { display: '-webkit-box', WebkitLineClamp: 2, WebkitBoxOrient: 'vertical', overflow: 'hidden' },
        }}
      >
        <span>{report === null ? 'checking what this landing does…' : landedWords(report)}</span>
      </ButtonBase>
    </Box>
  );
}
