import type { ProofEntry, Step } from '../proving';
import { judgeFinding, leftWires, leftWord, progressOf } from '../proving';
import { panelOf } from '../schemes';
import type { Station } from '../station';
import { quantity, say, sayPhrase, type UnitSystem } from '../units';
import { cautions, DEFERENCE, wire } from '../wiring';

/** One line of a result: what was expected, what was found, and whether they agree. */
export interface ReportLine {
  readonly label: string;
  readonly expected: string;
  readonly found: string;
  readonly state: string;
}

export interface ReportStep {
  readonly id: string;
  readonly title: string;
  readonly verdict: string;
  /** When, and by whom. */
  readonly entered: string;
  readonly lines: readonly ReportLine[];
  readonly decided: readonly string[];
  readonly note: string;
}

/** A run as a paper says it. */
export interface RunReport {
  readonly title: string;
  readonly station: string;
  readonly site: string;
  readonly facts: readonly string[];
  /** Steps that failed, were left outside their band or were not done, in a line each. */
  readonly deviations: readonly string[];
  readonly steps: readonly ReportStep[];
  /** Each core where it sits, as the document has it. */
  readonly wiring: readonly string[];
  readonly cautions: readonly string[];
  readonly seal: readonly string[];
}

const foundWords = (step: Step, entry: ProofEntry | undefined, id: string, system: UnitSystem): string => {
  const value = entry?.found[id];
  if (value === undefined) return '–';
  if (typeof value === 'boolean') return value ? 'as it should' : 'not so';
  return say(quantity(step.expects.find((e) => e.id === id)?.reading?.format ?? 'count', value), system);
};

function stepOf(
  step: Step,
  entry: ProofEntry | undefined,
  system: UnitSystem,
  clock: (at: string) => string,
): ReportStep {
  return {
    id: step.id,
    title: step.title,
    verdict: entry?.verdict ?? 'open',
    entered: entry ? `${clock(entry.enteredAt)}${entry.by ? `, ${entry.by}` : ''}` : '',
    lines: step.expects.map((e) => ({
      label: e.label,
      expected: sayPhrase(e.sentence, system),
      found: foundWords(step, entry, e.id, system),
      state: entry ? judgeFinding(e, entry.found[e.id]) : 'not entered',
    })),
    decided: [
      ...step.decisions.map((d) => {
        const chosen = d.choices.find((c) => c.id === entry?.decided[d.id]);
        return `${d.question} ${chosen?.label ?? 'not decided'}`;
      }),
      ...leftWires(entry?.decided ?? {}).map((w) => `landed otherwise: ${leftWord(w).join(', ')}`),
    ],
    note: entry?.note ?? '',
  };
}

/** Where each core sits, in a line; nothing where no panel can be drawn. */
function wiringOf(station: Station): string[] {
  const made = panelOf(station);
  if (!made.ok) return [];
  const { landed } = wire(station, made.panel);
  return made.panel.cores.map((c) => `${landed.get(c.id) ?? 'capped'}: ${c.colour}, ${c.pin}`);
}

/** What a run is made a report from. */
export interface ReportedRun {
  readonly title: string;
  readonly revision: number;
  readonly startedAt: string;
  readonly tester: string;
  readonly plan: readonly Step[];
  readonly entries: readonly ProofEntry[];
  readonly seal: {
    readonly sealedAt: string;
    readonly sealedBy: string;
    readonly hash: string;
    readonly previous: string | null;
  } | null;
  readonly words: readonly { readonly addedAt: string; readonly by: string; readonly words: string }[];
}

/**
 * A run as it is printed and signed for: expected beside found, what deviates, what was decided, wiring as left, what can hurt, and whose word decides.
 * @param station at the revision that the run is of
 * @param clock how a time is written
 */
export function runReport(
  station: Station,
  run: ReportedRun,
  system: UnitSystem,
  clock: (at: string) => string,
): RunReport {
  const { last, counts, open } = progressOf(run.plan, run.entries);
  const made = panelOf(station);
  const steps = run.plan.map((s) => stepOf(s, last.get(s.id), system, clock));
  const { seal } = run;
  return {
    title: run.title,
    station: station.identity.name,
    site: station.identity.site,
    facts: [
      `revision ${run.revision}`,
      `begun ${clock(run.startedAt)} by ${run.tester}`,
      `${counts.pass} passed, ${counts.fail} failed, ${counts.outside} left outside, ${counts['not done']} not done, ${open.length} open`,
    ],
    deviations: steps.flatMap((s) =>
      s.verdict === 'pass' ? [] : [`${s.title}: ${s.verdict}${s.note ? ` – ${s.note}` : ''}`],
    ),
    steps,
    wiring: wiringOf(station),
    cautions: [...(made.ok ? cautions(station, made.panel).map((c) => c.sentence) : []), DEFERENCE],
    seal: seal
      ? [
          `sealed ${clock(seal.sealedAt)} by ${seal.sealedBy}`,
          `word of the seal ${seal.hash}`,
          seal.previous ? `after ${seal.previous}` : 'the first of this station',
          ...run.words.map((w) => `added ${clock(w.addedAt)}, ${w.by}: ${w.words}`),
        ]
      : ['not sealed: what stands here can still be added to'],
  };
}
