import type { Finding } from '../book';
import type { Fault } from '../faults';

/** What was done at a station lately. */
export const LATELY = {
  wiring: 'work in the panel or at the board',
  floats: 'floats moved, changed or cleaned',
  pump: 'a pump lifted or changed',
  test: 'a test or a service visit',
  cut: 'a power cut or a lightning storm',
  rain: 'heavy rain',
  frost: 'hard frost',
  rest: 'a long rest: it has not run for months',
} as const;
export type Lately = keyof typeof LATELY;

/** What is known before anything is looked at: it makes some suspects likelier than their rate. */
export interface Past {
  readonly lately: readonly Lately[];
  /** Faults that were confirmed: at this station, and at all stations of the firm, by their causes. */
  readonly confirmed: readonly { readonly cause: string; readonly here: boolean }[];
  /** How many stations the firm keeps, and for how many years. */
  readonly stationYears: number;
  /** What the meters have meant, by the book. */
  readonly findings: readonly Pick<Finding, 'kind' | 'chance'>[];
}

export const NO_PAST: Past = { lately: [], confirmed: [], stationYears: 0, findings: [] };

/*
 * Assumed weights, of practice: how many times likelier a kind of fault is after something was done. They move suspects up and down; no reading
 * is overruled by them, and what is assumed is shown beside the suspect.
 */
const AFTER: Readonly<Record<Lately, (fault: Fault) => number>> = {
  wiring: (f) => (f.effects.landings || f.id.endsWith('-left-off') || f.id.endsWith('-off') ? 20 : 1),
  floats: (f) => (/-(slipped|upside-down|wrong-core|tangled|stuck-up)$/.test(f.id) ? 8 : 1),
  pump: (f) => (/-(backwards|airlocked|joint-off)$|^check-/.test(f.id) ? 8 : 1),
  test: (f) => (/-(hand|left-off)$/.test(f.id) ? 8 : 1),
  cut: (f) => (f.group === 'power' || /-(fault|dead|shorted)$/.test(f.id) ? 4 : 1),
  rain: (f) => (f.id.startsWith('inflow') || f.id === 'water-back' ? 6 : 1),
  frost: (f) => (f.id === 'blocked' || f.id.endsWith('breather') ? 8 : 1),
  rest: (f) => (/-(seized|stuck-down|deposit|airlocked)$/.test(f.id) ? 5 : 1),
};

/** Years of one part that the assumed rate of a kind stands for: so much has to be seen until one’s own cases weigh as much. */
const STANDS_FOR = 50;
/** How many times likelier what was confirmed here before is to come again, each time. */
const AGAIN = 2;

/**
 * What makes a fault likelier or less so than its rate. A firm’s own cases update the rate of a kind as counts in years (Gamma–Poisson: A.
 * Gelman et al., “Bayesian Data Analysis”, 2.6); what came here before comes again.
 */
export function factorsOf({
  lately,
  confirmed,
  stationYears,
}: Past): (fault: Fault) => { what: string; times: number }[] {
  return (fault) => {
    const cases = confirmed.filter((c) => c.cause === fault.cause).length;
    const prior = fault.perYear * STANDS_FOR;
    const own = stationYears > 0 ? (prior + cases) / (STANDS_FOR + stationYears) / fault.perYear : 1;
    const here = confirmed.filter((c) => c.here && c.cause === fault.cause).length;
    return [
      ...lately.map((l) => ({ what: `after ${LATELY[l]}`, times: AFTER[l](fault) })),
      { what: 'by this firm’s own cases', times: own },
      { what: 'it was here before', times: AGAIN ** here },
    ].filter((b) => b.times !== 1);
  };
}
