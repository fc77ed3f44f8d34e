import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { kindOfMeter, meterName, type Meter, type Reading } from '@/core/book';
import { unitOf, type UnitSystem } from '@/core/units';
import { Pick } from '../parts/Pick';
import { Segments } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';
import { oddly } from './readingText';

const unitShown = (meter: Meter, system: UnitSystem): string => {
  const { format, unit } = kindOfMeter(meter);
  return format ? unitOf(format, system) : unit;
};

/** What is typed for one meter: its figure, and what came between it and the last: a new meter and where that began, or a dial that rolled over. */
export interface Typing {
  readonly text: string;
  readonly between: 'nothing' | 'new meter' | 'rolled over';
  readonly began: string;
  /** Where the dial begins anew. */
  readonly rollsAt: number;
}
export const EMPTY: Typing = { text: '', between: 'nothing', began: '0', rollsAt: 100_000 };

const BETWEEN = [
  ['nothing', 'as typed'],
  ['new meter', 'a new meter was put in'],
  ['rolled over', 'its dial rolled over'],
] as const;
const DIALS = [1000, 10_000, 100_000, 1_000_000, 10_000_000].map((n) => [n, n.toLocaleString('en-GB')] as const);

interface Props {
  meter: Meter;
  system: UnitSystem;
  last: Reading | undefined;
  value: number | null | undefined;
  typing: Typing;
  now: () => number;
  onType(typing: Typing): void;
}

/** One meter’s figure; what is odd beside the last one is asked at once. */
export function MeterField({ meter, system, last, value, typing, now, onType }: Props) {
  const odd = typeof value === 'number' && typing.between === 'nothing' ? oddly(meter, value, last, now()) : null;
  return (
    <Box>
      <TextBox
        label={meterName(meter)}
        value={typing.text}
        inputMode="decimal"
        placeholder={last ? String(last.value) : ''}
        problem={value === undefined ? 'is no figure' : undefined}
        help={odd ?? undefined}
        end={<Typography variant="label">{unitShown(meter, system)}</Typography>}
        onChange={(e) => onType({ ...typing, text: e.target.value })}
        inputSx={{ minHeight: 44 }}
      />
      {(odd !== null || typing.between !== 'nothing') && kindOfMeter(meter).counts && (
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: 0.75, mt: 0.5 }}>
          <Segments
            label={`what came between, ${meterName(meter)}`}
            value={typing.between}
            choices={BETWEEN}
            onPick={(between) => onType({ ...typing, between })}
            sx={{ flexWrap: 'wrap' }}
          />
          {typing.between === 'new meter' && (
            <TextBox
              label="the new one began at"
              value={typing.began}
              inputMode="decimal"
              onChange={(e) => onType({ ...typing, began: e.target.value })}
            />
          )}
          {typing.between === 'rolled over' && (
            <Pick
              label="it begins anew at"
              value={typing.rollsAt}
              choices={DIALS}
              onPick={(rollsAt) => onType({ ...typing, rollsAt: Number(rollsAt) })}
            />
          )}
        </Box>
      )}
    </Box>
  );
}
