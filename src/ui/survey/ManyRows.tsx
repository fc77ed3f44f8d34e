import Box from '@mui/material/Box';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, type ReactNode } from 'react';

/** Up to so many rows are laid out whole: they are found by the browser’s own search, and printed. */
const WHOLE = 40;
/** A row of fields with its help line, px; each is measured as it comes. */
const ROW = 66;

interface Props {
  /** What the list is called. */
  label: string;
  count: number;
  row(index: number): ReactNode;
}

/** Rows of fields beneath each other; of a long list only those that are looked at. */
export function ManyRows({ label, count, row }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const long = count > WHOLE;
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing is memoised by a compiler here
  const rows = useVirtualizer({
    count: long ? count : 0,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 6,
    gap: 8,
  });
  if (!long)
    return (
      <Box
        role="group"
        aria-label={label}
        sx={{ maxHeight: 260, overflow: 'auto', display: 'flex', flexDirection: 'column', gap: 1, pt: 1 }}
      >
        {Array.from({ length: count }, (_, i) => row(i))}
      </Box>
    );
  return (
    <Box
      ref={box}
      role="group"
      aria-label={`${label}, ${count} rows`}
      tabIndex={0}
      sx={{ height: 360, overflow: 'auto', pt: 1 }}
    >
      <Box sx={{ height: rows.getTotalSize(), position: 'relative' }}>
        {rows.getVirtualItems().map(({ index, start }) => (
          <Box
            key={index}
            data-index={index}
            ref={rows.measureElement}
            sx={{ position: 'absolute', insetInline: 0, pt: 1 }}
            style={{ transform: `translateY(${start}px)` }}
          >
            {row(index)}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
