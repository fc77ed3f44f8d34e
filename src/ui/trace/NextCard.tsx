'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { settingWords, type Card, type Field, type Thought, type Told } from '@/core/trace';
import type { Station } from '@/core/station';
import { useStationSystem } from '../editor/StationProvider';
import { Caution } from '../parts/Caution';
import { ProbeLadder } from '../prove/ProbeLadder';
import { ProbeStrip } from '../prove/ProbeStrip';
import { LookLine } from './LookLine';
import { FoundAnswer, foundOf, soundDraft, type Draft } from './FoundAnswer';
import type { Stage } from './useTracing';

interface Props {
  card: Card | null;
  stage: Stage;
  thought: Thought | null;
  station: Station;
  told: Told;
  tell(next: Told): void;
  onTake(id: string): void;
}

/** What would be found under the leading suspects; where it is the same under all, that it tells nothing of them. */
function Expected({ field }: { field: Field }) {
  const [first] = field.expects;
  if (!first) return null;
  if (field.expects.length === 1)
    return (
      <Typography component="p" variant="body2" sx={{ m: 0, color: 'text.secondary' }}>
        Under each of the leading suspects: {first.shows}.
      </Typography>
    );
  return (
    <Box component="ul" aria-label={`what would be found: ${field.label}`} sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {field.expects.map((e) => (
        <Typography component="li" key={e.shows} variant="body2" sx={{ color: 'text.secondary' }}>
          <Typography component="span" variant="readingSmall" sx={{ color: 'text.primary' }}>
            {e.shows}
          </Typography>{' '}
          – {e.under.join('; ')}
        </Typography>
      ))}
    </Box>
  );
}

/** Minutes and what they are spent on. */
const costs = ({ minutes, before, people, risk }: Card): string =>
  [
    `about ${minutes} min`,
    ...(before > 0 ? [`and ${before} to come there`] : []),
    ...(people > 1 ? [`${people} people`] : []),
    risk,
  ].join(' · ');

/** Tests that could be made in place of the one that is proposed, or all the same where none is. */
function Others({ title, thought, onTake }: { title: string } & Pick<Props, 'thought' | 'onTake'>) {
  if (!thought || thought.besides.length === 0) return null;
  return (
    <Box component="section" aria-label="other tests">
      <Typography variant="h3">{title}</Typography>
      {thought.besides.map((b) => (
        <Button key={b.id} size="small" onClick={() => onTake(b.id)} sx={{ display: 'block', textAlign: 'left' }}>
          {b.title} – {b.minutes} min, {b.risk}
        </Button>
      ))}
    </Box>
  );
}

/** Nothing is proposed: why, what that means, and what can be made all the same. */
function Nothing({
  stage,
  thought,
  told,
  tell,
  onTake,
}: Pick<Props, 'stage' | 'thought' | 'told' | 'tell' | 'onTake'>) {
  const passed = told.skipped.length;
  const words =
    stage.kind === 'cannot'
      ? `No trace of this station: ${stage.reasons.join('; ')}.`
      : thought
        ? 'No test that is left here tells enough to be worth its minutes and its risk. What remains open stands among the suspects.'
        : 'Every suspect is being asked what it would show …';
  return (
    <Box sx={{ px: { xs: 2, md: 2.5 }, pt: 2, display: 'flex', flexDirection: 'column', gap: 1.75, maxWidth: 760 }}>
      <Typography role="status" variant="body1">
        {words}
      </Typography>
      {thought && passed > 0 && (
        <Button
          variant="outlined"
          onClick={() => tell({ ...told, skipped: [] })}
          sx={{ minHeight: 44, alignSelf: 'flex-start' }}
        >
          {passed === 1 ? 'go back to the one that was passed over' : `go back to the ${passed} that were passed over`}
        </Button>
      )}
      <Others title="All the same" thought={thought} onTake={onTake} />
    </Box>
  );
}

/** What stands while it is made, what can hurt, what to do. */
function What({ card, station }: { card: Card; station: Station }) {
  return (
    <>
      <Box>
        <Typography variant="label">{costs(card)}</Typography>
        <Typography variant="h1" component="h2">
          {card.title}
        </Typography>
      </Box>
      {card.setting && (
        <Typography variant="body1" component="p" sx={{ m: 0, borderLeft: 3, borderColor: 'text.primary', pl: 1 }}>
          {card.first.length > 0 && (
            <>
              <b>First:</b> {card.first.join('; ')}.{' '}
            </>
          )}
          <b>State:</b> {settingWords(station)[card.setting]}
          {card.state.length > 0 ? `; ${card.state.join('; ')}` : ''}.
        </Typography>
      )}
      {card.cautions.map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {card.actions.map((a) => (
          <Typography component="li" key={a} variant="body1">
            {a}
          </Typography>
        ))}
      </Box>
    </>
  );
}

/** What is put back, what each answer would leave, and what could be asked instead. */
function After({ card, thought, onTake }: { card: Card } & Pick<Props, 'thought' | 'onTake'>) {
  return (
    <>
      {card.restores.length > 0 && (
        <Typography variant="body1" component="p" sx={{ m: 0 }}>
          <b>Then put back:</b> {card.restores.join('; ')}.
        </Typography>
      )}
      {card.leaves.length > 1 && (
        <Box component="section" aria-label="what each answer would leave">
          <Typography variant="h3">What each answer would leave</Typography>
          {card.leaves.map((l) => (
            <Typography key={l.answer} variant="body2" component="p" sx={{ m: 0, mt: 0.5 }}>
              <b>{l.answer}</b> ({Math.round(l.chance * 100)} %): {l.left.join('; ')}
            </Typography>
          ))}
        </Box>
      )}
      <Others title="Instead of it" thought={thought} onTake={onTake} />
    </>
  );
}

/** Where the probes go: on the strip, and on the drawing. Of several readings on one card the first shows its drawing, the others when they are asked to. */
function Probes({
  station,
  probes,
  alone,
  first,
}: {
  station: Station;
  probes: NonNullable<Field['probes']>;
  alone: boolean;
  first: boolean;
}) {
  const [open, setOpen] = useState(first);
  return (
    <>
      <ProbeStrip station={station} probes={probes} />
      {!alone && (
        <Button
          size="small"
          aria-expanded={open}
          aria-label={`on the drawing: ${probes.a} and ${probes.b}`}
          onClick={() => setOpen(!open)}
          sx={{ minHeight: 44, alignSelf: 'flex-start' }}
        >
          {open ? 'without the drawing' : 'on the drawing'}
        </Button>
      )}
      {(alone || open) && <ProbeLadder station={station} probes={probes} />}
    </>
  );
}

type Drafts = Readonly<Record<string, Draft>>;

/** Where every observation of a card is answered. */
function Fields({
  card,
  station,
  drafts,
  onDrafts,
}: {
  card: Card;
  station: Station;
  drafts: Drafts;
  onDrafts(drafts: Drafts): void;
}) {
  const system = useStationSystem();
  const answered = Object.fromEntries(Object.entries(drafts).filter(([, d]) => d !== null && d !== ''));
  const sound = card.fields.filter((f) => f.sound !== null);
  const probed = card.fields.filter((f) => f.probes);
  const asShould = () => Object.fromEntries(sound.map((f) => [f.id, soundDraft(f, system)]));
  return (
    <>
      {card.fields.map((f) => (
        <Box
          key={f.id}
          sx={{ borderTop: 1, borderColor: 'text.primary', pt: 1.25, display: 'flex', flexDirection: 'column', gap: 1 }}
        >
          {f.probes && (
            <Probes station={station} probes={f.probes} alone={probed.length === 1} first={f === probed[0]} />
          )}
          <FoundAnswer
            field={f}
            draft={drafts[f.id] ?? null}
            system={system}
            onDraft={(d) => onDrafts({ ...drafts, [f.id]: d })}
          />
          <Expected field={f} />
        </Box>
      ))}
      {sound.length > 1 && (
        <Button
          variant="outlined"
          onClick={() => onDrafts({ ...asShould(), ...answered })}
          sx={{ minHeight: 44, alignSelf: 'flex-start' }}
        >
          all the others as they should be
        </Button>
      )}
    </>
  );
}

type Looks = Readonly<Record<string, boolean>>;

/** What is looked for in a round, each yes, no, or not known. */
function LookList({ card, looks, onLooks }: { card: Card; looks: Looks; onLooks(looks: Looks): void }) {
  if (card.looks.length === 0) return null;
  const set = (id: string, shown: boolean | null) => {
    const { [id]: _, ...rest } = looks;
    onLooks(shown === null ? rest : { ...rest, [id]: shown });
  };
  return (
    <Box component="ul" aria-label="what to look for" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {card.looks.map((l) => (
        <LookLine
          key={l.id}
          says={l.says}
          ofTheTrade={l.ofTheTrade}
          shown={looks[l.id] ?? null}
          onTell={(v) => set(l.id, v)}
        />
      ))}
    </Box>
  );
}

/** The next test as one card: state, cautions, what to do, what would be found, what was; and others instead of it. */
export function NextCard({ card, stage, thought, station, told, tell, onTake }: Props) {
  const system = useStationSystem();
  const [drafts, setDrafts] = useState<Drafts>({});
  const [looks, setLooks] = useState<Looks>({});
  if (!card) return <Nothing {...{ stage, thought, told, tell, onTake }} />;
  const found = card.fields.flatMap((f) => {
    const is = foundOf(f, drafts[f.id] ?? null, system);
    return is === null ? [] : [{ kind: 'reading' as const, test: card.id, observation: f.id, found: is }];
  });
  const seen = Object.entries(looks).map(([symptom, shown]) => ({ kind: 'symptom' as const, symptom, shown }));
  const all = [...found, ...seen];
  const enter = () => tell({ ...told, setting: card.setting ?? told.setting, evidence: [...told.evidence, ...all] });
  return (
    <Box
      component="article"
      aria-label={card.title}
      sx={{ p: { xs: 2, md: 2.5 }, display: 'flex', flexDirection: 'column', gap: 1.75, maxWidth: 760 }}
    >
      <What card={card} station={station} />
      <Fields card={card} station={station} drafts={drafts} onDrafts={setDrafts} />
      <LookList card={card} looks={looks} onLooks={setLooks} />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="contained" disabled={all.length === 0} onClick={enter} sx={{ minHeight: 48 }}>
          that was found
        </Button>
        <Button onClick={() => tell({ ...told, skipped: [...told.skipped, card.id] })} sx={{ minHeight: 48 }}>
          another one
        </Button>
        <Button onClick={() => tell({ ...told, impossible: [...told.impossible, card.id] })} sx={{ minHeight: 48 }}>
          cannot be done here
        </Button>
      </Box>
      <After card={card} thought={thought} onTake={onTake} />
    </Box>
  );
}
