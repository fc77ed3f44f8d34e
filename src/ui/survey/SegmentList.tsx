'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { setAt } from '@/core/editing';
import { COMMON_FITTINGS, COMMON_PIPES, PIPE_MATERIALS, type Segment } from '@/core/station';
import { useEditor } from '../editor/StationProvider';
import { QuantityField, WordsField } from '../fields/fields';
import { Pick } from '../parts/Pick';
import { Row } from '../parts/Row';
import { ListRow } from './ListRow';

/** A choice that sets something and then stands empty again. */
export function Offer({
  label,
  choices,
  onPick,
}: {
  label: string;
  choices: readonly string[];
  onPick(index: number): void;
}) {
  return <Pick label={label} value="" empty="" choices={choices.map((name, i) => [i, name])} onPick={onPick} />;
}

type At = 'discharge.segments' | `pumps.${number}.riser`;

function Fittings({ at, fittings }: { at: `${At}.${number}`; fittings: Segment['fittings'] }) {
  const edit = useEditor((s) => s.edit);
  const set = (next: Segment['fittings']) => edit((d) => setAt(d, `${at}.fittings`, next));
  return (
    <>
      {fittings.map((_, i) => (
        <ListRow
          key={i}
          columns="2fr 1fr 1fr"
          remove={`fitting ${i + 1}`}
          onRemove={() => set(fittings.filter((__, j) => j !== i))}
        >
          <WordsField path={`${at}.fittings.${i}.name`} />
          <QuantityField path={`${at}.fittings.${i}.k`} />
          <QuantityField path={`${at}.fittings.${i}.count`} />
        </ListRow>
      ))}
      <Offer
        label="add a fitting"
        choices={COMMON_FITTINGS.map((f) => f.name)}
        onPick={(i) => set([...fittings, { ...COMMON_FITTINGS[i]!, count: 1 }])}
      />
    </>
  );
}

interface Props {
  path: At;
  segments: readonly Segment[];
  /** How many must stay. */
  least: number;
  addLabel: string;
  /** What a new length begins as. */
  made: Segment;
}

const MATERIALS = [['unknown', 'not known'] as const, ...PIPE_MATERIALS.map((m) => [m, m.replace('-', ' ')] as const)];

/** Lengths of pipe one after the other, each with its fittings. */
export function SegmentList({ path, segments, least, addLabel, made }: Props) {
  const edit = useEditor((s) => s.edit);
  const school = useEditor((s) => s.document.settings.friction);
  const set = (next: readonly Segment[]) => edit((d) => setAt(d, path, next));
  return (
    <>
      {segments.map((segment, i) => {
        const at = `${path}.${i}` as const;
        return (
          <Box key={i} sx={{ display: 'flex', flexDirection: 'column', gap: 1.75 }}>
            {(segments.length > 1 || least === 0) && (
              <ListRow
                columns="1fr"
                remove={`length ${i + 1}`}
                removable={segments.length > least}
                onRemove={() => set(segments.filter((_, j) => j !== i))}
              >
                <WordsField path={`${at}.name`} n={i + 1} />
              </ListRow>
            )}
            <Row>
              <QuantityField path={`${at}.length`} />
              <QuantityField path={`${at}.bore`} />
              {school === 'darcy-weisbach' ? (
                <QuantityField path={`${at}.roughness`} />
              ) : (
                <QuantityField path={`${at}.hazenWilliams`} />
              )}
              <Offer
                label="as for"
                choices={COMMON_PIPES.map((r) => r.name)}
                onPick={(n) =>
                  edit((d) =>
                    setAt(
                      setAt(d, `${at}.roughness`, COMMON_PIPES[n]!.roughness),
                      `${at}.hazenWilliams`,
                      COMMON_PIPES[n]!.hazenWilliams,
                    ),
                  )
                }
              />
            </Row>
            <Row>
              <Pick
                label="pipe of"
                value={segment.material ?? 'unknown'}
                choices={MATERIALS}
                onPick={(m) => edit((d) => setAt(d, `${at}.material`, m === 'unknown' ? null : m))}
              />
              <QuantityField path={`${at}.wall`} nullable />
            </Row>
            <Fittings at={at} fittings={segment.fittings} />
          </Box>
        );
      })}
      <Box>
        <Button onClick={() => set([...segments, made])}>{addLabel}</Button>
      </Box>
    </>
  );
}
