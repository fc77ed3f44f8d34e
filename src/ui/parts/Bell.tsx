import Box from '@mui/material/Box';

export type BellState = 'quiet' | 'due' | 'ringing';

const WORDS: Readonly<Record<BellState, string>> = {
  quiet: 'bell quiet',
  due: 'bell: something is tight',
  ringing: 'bell ringing: something is broken',
};

/** The bell: an outline when quiet, filled when something is tight, leaning with strokes beside it when ringing. */
export function Bell({ state, size = 20 }: { state: BellState; size?: number }) {
  return (
    <Box
      component="svg"
      viewBox="0 0 24 24"
      role="img"
      aria-label={WORDS[state]}
      sx={{
        width: size,
        height: size,
        flex: 'none',
        color: state === 'ringing' ? 'error.main' : 'primary.main',
        '& path': { stroke: 'currentColor', strokeWidth: 1.7, strokeLinecap: 'round', strokeLinejoin: 'round' },
      }}
    >
      <g transform={state === 'ringing' ? 'rotate(-14 12 4)' : undefined}>
        <path
          d="M5 18 Q7 16 7 11.5 Q7 5 12 5 Q17 5 17 11.5 Q17 16 19 18 Z"
          fill={state === 'quiet' ? 'none' : 'currentColor'}
        />
        <path d="M10.5 20.6 h3 M12 5 V3.4" fill="none" />
      </g>
      {state === 'ringing' && <path d="M2.4 8.5 Q1.4 11 2.2 14 M21.6 6.5 Q22.8 9 22.2 12" fill="none" />}
    </Box>
  );
}
