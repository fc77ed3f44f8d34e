import { EARTH, read, structureOf } from '../circuit';
import { pinOf, type Outcome, type Panel } from '../schemes';
import type { Station } from '../station';
import { coreWords, joins } from './changed';
import { comparedOf, hazardsOf, isolated, isOpening, type Compared } from './hazards';
import { happens as on, type Inputs } from './inputs';
import { secondTrials } from './secondFaults';
import { trialsOf, type Trial } from './trials';
import { wire, type Wired } from './wired';

/** What is not as the design has it: one core or link. */
export interface Difference {
  readonly what: string;
  readonly core: string | null;
}

/** What the differences together will do, and the inputs in which it shows. */
export interface Effect {
  readonly id: string;
  /** It can hurt somebody · something does not work, or works when it should not · it shows only after something else has failed. */
  readonly severity: 'danger' | 'fault' | 'latent';
  readonly sentence: string;
  /** In which it shows; null where the screen cannot be put into it. */
  readonly inputs: Inputs | null;
  readonly when: string;
}

export interface AsLanded {
  readonly differences: readonly Difference[];
  readonly effects: readonly Effect[];
  readonly strays: readonly string[];
}

/** A frame within this of earth is earthed, Ω. */
const EARTHED = 5;

/** How bad it is that what was isolated is live: after what one touches, before what burns. */
const ISOLATED = 4.5;

function differencesOf({ panel, landed, links }: Wired): Difference[] {
  const cores = panel.cores.flatMap((c): Difference[] => {
    const now = landed.get(c.id) ?? null;
    if (now === c.terminal) return [];
    const name = coreWords(panel, c);
    const by = c.terminal === null ? 'by design it is capped' : `by design on ${c.terminal}`;
    return [{ core: c.id, what: now === null ? `${name}: hangs loose, ${by}` : `${name}: on ${now}, ${by}` }];
  });
  const same = (a: { a: string; b: string }, b: { a: string; b: string }) => joins(a) === joins(b);
  return [
    ...cores,
    ...links
      .filter((l) => !panel.links.some((d) => same(l, d)))
      .map((l) => ({ core: null, what: `a link from ${l.a} to ${l.b} that the design does not have` })),
    ...panel.links
      .filter((d) => !links.some((l) => same(l, d)))
      .map((d) => ({ core: null, what: `no link from ${d.a} to ${d.b}: ${d.label}` })),
  ];
}

/** One outcome in every trial: never, always, or wrong in some. */
function outcomeEffect(panel: Panel, o: Outcome, trials: readonly Trial[]): Effect[] {
  const wrong = trials.filter((t) => on(t.design, o) !== on(t.landed, o));
  const [first] = wrong;
  if (!first) return [];
  const shows = (id: string, sentence: string, t: Trial): Effect => ({
    id: `${o.id}-${id}`,
    severity: 'fault',
    sentence,
    inputs: t.inputs,
    when: t.when,
  });
  // Never and always mean whatever the water does: that a breaker still stops it, or a test button still rings it, is another matter.
  const floats = new Set(panel.devices.filter((d) => d.sensor !== undefined).map((d) => d.tag));
  const byWater = trials.filter((t) => Object.keys(t.inputs).every((tag) => floats.has(tag)));
  if (byWater.some((t) => on(t.design, o)) && !byWater.some((t) => on(t.landed, o)))
    return [shows('never', o.never, first)];
  if (byWater.every((t) => on(t.landed, o))) return [shows('always', o.always, first)];
  // Wrong both ways is two things to tell.
  const [missing, extra] = [wrong.find((t) => on(t.design, o)), wrong.find((t) => on(t.landed, o))];
  return [
    ...(missing ? [shows('missing', `${o.not}, though by design ${o.label}`, missing)] : []),
    ...(extra ? [shows('extra', `${o.label}, though by design ${o.not}`, extra)] : []),
  ];
}

/** What is dangerous, the worst first; each told once, with the simplest inputs in which it shows. */
function dangers(compared: Compared, trials: readonly Trial[]): Effect[] {
  const found = new Map<string, Effect & { rank: number }>();
  for (const t of trials) {
    const hazards = [
      ...hazardsOf(compared, t),
      ...isolated(compared, t, t.inputs).map((h) => ({ ...h, rank: ISOLATED })),
    ];
    for (const { id, sentence, rank } of hazards)
      if (!found.has(id))
        found.set(id, {
          id,
          severity: 'danger',
          sentence,
          inputs: t.inputs,
          when: t.when,
          rank,
        });
  }
  return [...found.values()].sort((a, b) => a.rank - b.rank).map(({ rank: _, ...effect }) => effect);
}

/** What shows only once something else has failed: of hazards and outcomes those that nothing has told before. */
function latent(compared: Compared, told: readonly Effect[]): Effect[] {
  const { panel, design, landed } = compared;
  // A frame without earth is told already as what it is.
  const known = new Set(told.flatMap((e) => [e.id, e.id.replace(/-earth$/, '-frame')]));
  const found = new Map<string, Effect>();
  for (const t of secondTrials(design, landed)) {
    const wrong = panel.outcomes
      .filter((o) => on(t.design, o) !== on(t.landed, o) && !told.some((e) => e.id.startsWith(`${o.id}-`)))
      .map((o) => ({
        id: `${o.id}-latent`,
        sentence: on(t.landed, o) ? `${o.label}, though by design ${o.not}` : `${o.not}, though by design ${o.label}`,
      }));
    const hazards = hazardsOf(compared, t).filter((h) => !(t.faultsIn && isOpening(h)));
    for (const { id, sentence } of [...hazards, ...wrong])
      if (!known.has(id) && !found.has(id))
        found.set(id, { id, severity: 'latent', sentence, inputs: t.faultsIn ? null : t.inputs, when: t.when });
  }
  return [...found.values()];
}

/** Motors whose phases are changed: they run, and give too little. */
function backwards({ devices }: Panel, trials: readonly Trial[]): Effect[] {
  return devices.flatMap((d): Effect[] => {
    const first = trials.find((t) => t.landed.states[d.tag] === 'backwards' && t.design.states[d.tag] !== 'backwards');
    return first
      ? [
          {
            id: `${d.tag}-backwards`,
            severity: 'fault',
            sentence: `${d.label} turns backwards: two of its phases are changed. It gives less water, and an impeller that is screwed on can come off`,
            inputs: first.inputs,
            when: first.when,
          },
        ]
      : [];
  });
}

/** Frames that no earth core holds: measured with all sources off. */
function unearthed({ panel, netlist, states }: Wired): Effect[] {
  const dead = structureOf({
    ...netlist,
    components: netlist.components.map((p) => (p.kind === 'source' ? { ...p, volts: 0 } : p)),
  });
  return panel.outcomes.flatMap((o): Effect[] => {
    if (!o.dead) return [];
    const frame = `${o.device}:PE`;
    const reading = read(dead, states, frame, EARTH, 'ohms');
    if (reading.ok && reading.value < EARTHED) return [];
    return [
      {
        id: `${o.id}-earth`,
        severity: 'danger',
        sentence: `the frame of ${panel.devices.find((d) => d.tag === o.device)!.label} is not earthed: a winding that fails to it leaves it live, and nothing opens`,
        inputs: null,
        when: 'always',
      },
    ];
  });
}

/** Earth cores that are not on the earth bar, though the frames are held by another circuit's earth. */
function strayEarths({ panel, landed }: Wired): Effect[] {
  const nets = new Map(panel.terminals.map((t) => [t.id, t.net]));
  return panel.cores.flatMap((c): Effect[] => {
    const terminal = landed.get(c.id) ?? null;
    if (pinOf(c.pin)[1] !== 'PE' || (terminal !== null && panel.wires[nets.get(terminal)!] === 'earth')) return [];
    const cable = panel.devices.find((d) => d.cable?.id === c.cable)!.cable!;
    return [
      {
        id: `${c.id}-earth`,
        severity: 'danger',
        sentence: `the earth core of the ${cable.label.startsWith('feeds') ? `cable that ${cable.label}` : cable.label} is not on the earth bar: a fault has only another circuit’s earth to go by, or none`,
        inputs: null,
        when: 'always',
      },
    ];
  });
}

/**
 * Compares a station as it is landed with its design, by solving both in every position of the floats and every hand's position: what is
 * different, what that will do, and the simplest inputs with which it shows.
 * @example
 * const sump = newStation('Sump', 'Yard', 'metric-230');
 * asLanded(sump, panelOf(sump).panel).differences // → []
 */
export function asLanded(station: Station, panel: Panel): AsLanded {
  const landed = wire(station, panel);
  const differences = differencesOf(landed);
  if (differences.length === 0) return { differences, effects: [], strays: landed.strays };
  const design = wire(station, panel, { cores: [], links: [] });
  const trials = trialsOf(design, landed);
  const compared = comparedOf(design, landed, trials);
  const effects = [
    ...dangers(compared, trials),
    ...unearthed(landed),
    ...strayEarths(landed),
    ...panel.outcomes.flatMap((o) => outcomeEffect(panel, o, trials)),
    ...backwards(panel, trials),
  ];
  return { differences, effects: [...effects, ...latent(compared, effects)], strays: landed.strays };
}
