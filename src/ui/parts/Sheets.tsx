'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import type { SxProps, Theme } from '@mui/material/styles';
import { useId, type KeyboardEvent, type ReactNode } from 'react';

interface Props<S extends string> {
  /** What the list of tabs is called. */
  label: string;
  sheets: readonly (readonly [id: S, label: string])[];
  sheet: S;
  onSheet(sheet: S): void;
  /** Sheets that cannot be opened now. */
  closed?(sheet: S): boolean;
  /** What stands beside the tabs. */
  beside?: ReactNode;
  barSx?: SxProps<Theme>;
  sx?: SxProps<Theme>;
  /** The sheet that is open. */
  children: ReactNode;
}

const TAB = {
  minHeight: { xs: 44, sm: 36 },
  px: 1.75,
  fontSize: 14,
  fontWeight: 600,
  whiteSpace: 'nowrap',
  color: 'text.secondary',
  borderBottom: 2,
  borderColor: 'transparent',
  '&[aria-selected="true"]': { color: 'primary.main', borderColor: 'primary.main' },
  '&:disabled': { opacity: 0.45 },
} as const;

/** Sheets of which one is open, each behind its tab. */
export function Sheets<S extends string>({
  label,
  sheets,
  sheet,
  onSheet,
  closed,
  beside,
  barSx,
  sx,
  children,
}: Props<S>) {
  const id = useId();
  /** Arrow keys, Home and End go from tab to tab, past those that are closed. */
  const turn = (e: KeyboardEvent<HTMLElement>) => {
    const tabs = [...e.currentTarget.querySelectorAll<HTMLButtonElement>('[role="tab"]:not(:disabled)')];
    const at = tabs.indexOf(e.target as HTMLButtonElement);
    const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: tabs.length - 1 }[e.key];
    if (to === undefined) return;
    e.preventDefault();
    const tab = tabs[(to + tabs.length) % tabs.length]!;
    tab.focus();
    tab.click();
  };
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'center', borderBottom: 1, borderColor: 'divider', ...barSx }}>
        <Box
          role="tablist"
          aria-label={label}
          onKeyDown={turn}
          sx={{ flex: 1, display: 'flex', minWidth: 0, overflowX: 'auto', scrollbarWidth: 'none' }}
        >
          {sheets.map(([s, words]) => (
            <ButtonBase
              key={s}
              role="tab"
              id={`${id}-${s}`}
              aria-selected={s === sheet}
              // Only the open sheet is there to be pointed at.
              aria-controls={s === sheet ? `${id}-sheet` : undefined}
              tabIndex={s === sheet ? 0 : -1}
              disabled={closed?.(s)}
              onClick={() => onSheet(s)}
              sx={TAB}
            >
              {words}
            </ButtonBase>
          ))}
        </Box>
        {beside}
      </Box>
      <Box
        role="tabpanel"
        id={`${id}-sheet`}
        aria-labelledby={`${id}-${sheet}`}
        tabIndex={0}
        sx={{ minHeight: 0, overflow: 'auto', '@media print': { overflow: 'visible' }, ...sx }}
      >
        {children}
      </Box>
    </>
  );
}
