import {
  atRest,
  GHOST,
  perform,
  predict,
  resetsOnWay,
  standing,
  type Observation,
  type Prediction,
  type Standing,
  type Test,
  type World,
} from '../tests';
import { phrase, quantity, type Phrase } from '../units';
import type { Expectation, Reading, Step } from './step';

/** Where the probes of an observation go, where they go to two points of the panel. */
function probesOf(o: Observation): Expectation['probes'] {
  if (o.kind === 'volts' || o.kind === 'ohms') return o.probes;
  return o.kind === 'continuity' ? { ...o.probes, mode: 'ohms' } : null;
}

type Value = Extract<Prediction, { kind: 'value' }>;

/** A figure and its band, and what most of the band comes from. */
function band({ value, least, most, mostly }: Value): Phrase {
  if (least === null) return phrase`${value} or less`;
  if (mostly === GHOST) return phrase`up to ${quantity(value.format, most!)}: a ghost, nothing stands behind it`;
  const by = (most! - least) / 2;
  const why = mostly === null ? phrase`` : phrase`: mostly ${mostly}`;
  // Levels are told by how much they may lie off, everything else by a share of itself.
  return value.format === 'height' || by === 0 || value.value === 0
    ? phrase`${value}, within ${quantity(value.format, by)}${why}`
    : phrase`${value}, within ${quantity('share', by / Math.abs(value.value))}${why}`;
}

const readingOf = (p: Prediction): Reading | null => {
  if (p.kind === 'value') return { expected: p.value, format: p.value.format, least: p.least, most: p.most };
  return p.kind === 'untold' && p.format !== null
    ? { expected: null, format: p.format, least: null, most: null }
    : null;
};

function expectation(o: Observation, p: Prediction): Expectation {
  const sentence = p.kind === 'value' ? band(p) : p.kind === 'untold' ? p.why : p.sentence;
  return { id: o.id, label: o.label, sentence, reading: readingOf(p), probes: probesOf(o), sets: o.sets ?? null };
}

/** What has to be done to come from one state to another, in words: first what is put back. */
function between(before: readonly Standing[], now: readonly Standing[]): string[] {
  const among = (all: readonly Standing[], s: Standing) => all.some((x) => x.is === s.is);
  return [
    ...before.filter((s) => !among(now, s)).map((s) => s.undo),
    ...now.filter((s) => !among(before, s)).map((s) => s.is),
  ];
}

/**
 * Tests as the steps of a card, in their order: each with what the world would answer, and with what must be put back or brought about after the
 * one before, so that nothing stays isolated, bridged, lifted or in Hand unseen.
 */
export function stepsOf(world: World, tests: readonly Test[]): Step[] {
  const rest = atRest(world);
  let left = rest;
  return tests.map((t) => {
    const predicted = predict(world, t);
    const before = standing(left);
    const start = t.anyhow ? left : t.needs.reduce(perform, rest);
    const now = standing(start);
    const step: Step = {
      id: t.id,
      phase: t.phase,
      title: t.title,
      first: [...between(before, now), ...(t.anyhow ? [] : resetsOnWay(left, start))],
      standing: now.map((s) => s.is),
      actions: t.actions,
      cautions: t.cautions,
      expects: t.parts.flatMap((p) => p.observes).map((o) => expectation(o, predicted.get(o.id)!)),
      decisions: t.decisions,
      minutes: t.minutes,
      people: t.people,
      risk: t.risk,
      about: t.about,
    };
    left = [...t.parts.flatMap((p) => p.acts), ...t.restores].reduce(perform, start);
    return step;
  });
}
