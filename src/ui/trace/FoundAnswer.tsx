'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import InputAdornment from '@mui/material/InputAdornment';
import Typography from '@mui/material/Typography';
import type { Field } from '@/core/trace';
import { format, parseQuantity, quantity, unitOf, type UnitSystem } from '@/core/units';
import { Segments } from '../parts/Segments';
import { TextBox } from '../parts/TextBox';

/** What stands in the answer of one observation: text of a figure, chosen words, things that happen; null: not known. */
export type Draft = string | readonly string[] | null;

/** What nobody foretold. */
export const OTHERWISE = 'something else';

/** What a draft comes to; null where nothing is answered, or it cannot be read. */
export function foundOf({ as }: Field, draft: Draft, system: UnitSystem): number | 'open' | string | string[] | null {
  if (draft === null || draft === '') return null;
  if (as.kind === 'happens') return typeof draft === 'string' ? null : [...draft];
  if (typeof draft !== 'string') return null;
  if (as.kind === 'words') return draft;
  if (as.format === 'resistance' && /^(ol|open)$/i.test(draft.trim())) return 'open';
  const parsed = parseQuantity(as.format, draft, system);
  return parsed.ok ? parsed.value : null;
}

/** More than this is open to a meter, Ω. */
const OPEN = 1e7;

/** What a field is answered with where all is as it should be; null where that cannot be told. */
export function soundDraft({ as, sound }: Field, system: UnitSystem): Draft {
  if (typeof sound !== 'number' || as.kind !== 'figure') return typeof sound === 'number' ? null : sound;
  return as.format === 'resistance' && sound > OPEN ? 'OL' : format(quantity(as.format, sound), system).number;
}

const CHOICE = {
  maxWidth: '100%',
  textAlign: 'left',
  px: 1.5,
  py: 1,
  minHeight: 44,
  border: 1,
  borderColor: 'divider',
  borderRadius: '3px',
  '&[aria-pressed="true"]': { borderColor: 'primary.main', bgcolor: 'action.selected', fontWeight: 600 },
} as const;

interface Props {
  field: Field;
  draft: Draft;
  system: UnitSystem;
  onDraft(draft: Draft): void;
}

/** A figure, with what cannot be read said beneath. */
function Figure({ field, draft, system, onDraft }: Props & { field: Field & { as: { kind: 'figure' } } }) {
  const text = typeof draft === 'string' ? draft : '';
  const { format } = field.as;
  const ohms = format === 'resistance';
  const open = ohms && /^(ol|open)$/i.test(text.trim());
  const parsed = text.trim() === '' || open ? null : parseQuantity(format, text, system);
  const unit = system === 'us' && format === 'height' ? '' : unitOf(format, system);
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
      <TextBox
        label={`found: ${field.label}`}
        value={text}
        onChange={(e) => onDraft(e.target.value)}
        inputMode={system === 'us' && format === 'height' ? 'text' : 'decimal'}
        autoComplete="off"
        problem={parsed && !parsed.ok ? parsed.reason : undefined}
        end={unit ? <InputAdornment position="end">{unit}</InputAdornment> : undefined}
      />
      {ohms && (
        <Segments
          label={`${field.label}: open line`}
          value={open ? 'OL' : null}
          choices={[['OL', 'OL']] as const}
          onPick={() => onDraft(open ? '' : 'OL')}
          sx={{ flex: 'none', '& button': { minHeight: 40, minWidth: 48 } }}
        />
      )}
    </Box>
  );
}

/** What happens, each thing yes or no; nothing of it is an answer too. */
function Happens({ field, draft, onDraft }: Props & { field: Field & { as: { kind: 'happens' } } }) {
  const on = typeof draft === 'string' || draft === null ? null : draft;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
      {field.as.outcomes.map((o) => {
        const is = on?.includes(o.id) ?? false;
        return (
          <ButtonBase
            key={o.id}
            aria-pressed={is}
            onClick={() => onDraft(is ? on!.filter((x) => x !== o.id) : [...(on ?? []), o.id])}
            sx={CHOICE}
          >
            {o.label}
          </ButtonBase>
        );
      })}
      <ButtonBase aria-pressed={on?.length === 0} onClick={() => onDraft(on?.length === 0 ? null : [])} sx={CHOICE}>
        nothing of it
      </ButtonBase>
    </Box>
  );
}

function Words({ field, draft, onDraft }: Props & { field: Field & { as: { kind: 'words' } } }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
      {[...field.as.choices, OTHERWISE].map((words) => (
        <ButtonBase
          key={words}
          aria-pressed={draft === words}
          onClick={() => onDraft(draft === words ? null : words)}
          sx={CHOICE}
        >
          {words}
        </ButtonBase>
      ))}
    </Box>
  );
}

/** Where what was found is entered, by what it is. Left empty it is not known. */
export function FoundAnswer(props: Props) {
  const { field } = props;
  return (
    <Box role="group" aria-label={field.label} sx={{ display: 'flex', flexDirection: 'column', gap: 0.75 }}>
      {field.as.kind !== 'figure' && (
        <Typography component="p" variant="label" sx={{ m: 0 }}>
          {field.label}
        </Typography>
      )}
      {field.as.kind === 'figure' && <Figure {...props} field={{ ...field, as: field.as }} />}
      {field.as.kind === 'words' && <Words {...props} field={{ ...field, as: field.as }} />}
      {field.as.kind === 'happens' && <Happens {...props} field={{ ...field, as: field.as }} />}
    </Box>
  );
}
