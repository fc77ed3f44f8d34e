import type { Finding } from '../book';
import type { Fault } from '../faults';
import type { Panel } from '../schemes';
import { deviceOf, type KeptPart } from './spares';

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
  /** Parts that the book keeps. */
  readonly parts: readonly KeptPart[];
  /** What the firm says of how often a kind comes, by its cause: once in so many years of one such part. */
  readonly rates: readonly Rate[];
}

export interface Rate {
  readonly cause: string;
  readonly years: number;
}

export const NO_PAST: Past = { lately: [], confirmed: [], stationYears: 0, findings: [], parts: [], rates: [] };

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
 * How many times likelier what wears is at a share of its life than over the whole of it: a Weibull hazard of shape 2, which grows in step with
 * age, of a mean life as the book has it: h(t)·L = (π/2)·t/L. (W. Weibull, “A statistical distribution function of wide applicability”, 1951; the
 * shape is assumed.) A new one fails too now and then, and what has outlived its life by far is not known better.
 */
const worn = (share: number): number => Math.min(5, Math.max(0.2, (Math.PI / 2) * share));

/** How often a kind of fault comes in a year, from what, and what that makes of the rate that is assumed. */
export interface Frequency {
  /** Of one such part, in a year: as assumed or as the firm says, and with the firm’s own cases. */
  readonly said: number;
  readonly now: number;
  readonly cases: number;
  readonly by: 'assumed' | 'the firm';
}

/**
 * How often a kind comes, by what is assumed or said and by the firm’s own cases, which count as they are in so many years (Gamma–Poisson: A. Gelman et al.,
 * “Bayesian Data Analysis”, 2.6).
 */
export function frequencyOf(
  { cause, perYear }: Pick<Fault, 'cause' | 'perYear'>,
  { rates, confirmed, stationYears }: Past,
): Frequency {
  const own = rates.find((r) => r.cause === cause);
  const said = own ? 1 / own.years : perYear;
  const cases = confirmed.filter((c) => c.cause === cause).length;
  const now = stationYears > 0 ? (said * STANDS_FOR + cases) / (STANDS_FOR + stationYears) : said;
  return { said, now, cases, by: own ? 'the firm' : 'assumed' };
}

/** What makes a fault likelier or less so than its assumed rate; what came here before comes again. */
export function factorsOf(past: Past, panel: Panel): (fault: Fault) => { what: string; times: number }[] {
  const { lately, confirmed, parts } = past;
  const fitted = new Map(
    // The newest comes first, and holds.
    parts
      .toReversed()
      .flatMap((p) => (p.state === 'fitted' && p.gone ? [[deviceOf(panel.devices, p)?.tag, p.gone] as const] : [])),
  );
  return (fault) => {
    const { said, now } = frequencyOf(fault, past);
    const here = confirmed.filter((c) => c.here && c.cause === fault.cause).length;
    const gone = fault.wears ? fitted.get(fault.part) : null;
    return [
      ...lately.map((l) => ({ what: `after ${LATELY[l]}`, times: AFTER[l](fault) })),
      { what: 'by how often the firm says that it comes', times: said / fault.perYear },
      { what: 'by this firm’s own cases', times: now / said },
      { what: 'it was here before', times: AGAIN ** here },
      ...(gone ? [{ what: `what is fitted there has gone ${gone.by}`, times: worn(gone.share) }] : []),
    ].filter((b) => b.times !== 1);
  };
}
