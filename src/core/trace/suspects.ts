import { faultsOf, type Fault } from '../faults';
import type { Panel } from '../schemes';
import type { Station } from '../station';
import { factorsOf, type Past } from './past';
import { HEALTHY, OTHER, pairId, type Suspect } from './suspect';

/** Every size of a fault, as likely as one another together as the fault is. */
const sizesOf = (fault: Fault): readonly Fault[] => (fault.size ? [fault, ...fault.size.others] : [fault]);

/** Of all cases in which somebody is called: nothing wrong that shows any more, and what no catalogue names. */
const NOTHING = 0.03;
const UNNAMED = 0.01;
/** How often a landing that the document tells of is what is wrong, against a fault that comes once in so many years. */
const LANDED = 0.1;

/** What a document says was landed otherwise than it is designed, each as something that may be wrong. */
function landedFaults({ landings }: Station): Fault[] {
  const made = (id: string, label: string, effects: Fault['effects']): Fault => ({
    id,
    group: 'control',
    part: 'landings',
    label,
    cause: 'landed so when it was found',
    remedy: 'isolate, and land it as the list says',
    perYear: LANDED,
    buys: false,
    wears: false,
    effects,
  });
  return [
    ...landings.cores.map((c) =>
      made(`landed-${c.core}`, `as found: ${c.core} ${c.to === null ? 'off its terminal' : `on ${c.to}`}`, {
        landings: { cores: [c] },
      }),
    ),
    ...landings.links.map((l) =>
      made(`linked-${l.a}-${l.b}`, `as found: ${l.fitted ? 'a' : 'no'} link from ${l.a} to ${l.b}`, {
        landings: { links: [l] },
      }),
    ),
  ];
}

/**
 * Every suspect of a station with how likely each is before anything is seen: single faults of the catalogue in each of their sizes, landings
 * as they were found, nothing, and something else.
 * @param past what is known of this station and this firm: it makes some likelier
 */
export function suspectsOf(station: Station, panel: Panel, past: Past): Suspect[] {
  const factors = factorsOf(past, panel);
  const single =
    (kind: 'fault' | 'landed') =>
    (fault: Fault): Suspect[] => {
      const sizes = sizesOf(fault);
      const because = factors(fault);
      const times = because.reduce((product, b) => product * b.times, 1);
      return sizes.map((f) => ({
        id: f.id,
        kind,
        label: f.label,
        faults: [f],
        family: fault.id,
        size: f.size?.is ?? null,
        weight: (fault.perYear * times) / sizes.length,
        because,
      }));
    };
  const named = [
    ...faultsOf(station, panel).flatMap(single('fault')),
    ...landedFaults(station).flatMap(single('landed')),
  ];
  const all = named.reduce((sum, s) => sum + s.weight, 0);
  const beside = (id: string, kind: Suspect['kind'], label: string, share: number): Suspect => ({
    id,
    kind,
    label,
    faults: [],
    family: id,
    size: null,
    weight: all * share,
    because: [],
  });
  return [
    beside(HEALTHY, 'healthy', 'nothing is wrong now', NOTHING),
    ...named,
    beside(OTHER, 'other', 'something that is not in the catalogue', UNNAMED),
  ];
}

/**
 * Two at once, as likely as both by chance within a year: one that had stayed unseen until the second came.
 * @param total of the weights of all single suspects
 */
export const pairOf = (a: Suspect, b: Suspect, total: number): Suspect => ({
  id: pairId(a.id, b.id),
  kind: 'pair',
  label: `${a.label}, and ${b.label}`,
  faults: [...a.faults, ...b.faults],
  family: pairId(a.family, b.family),
  size: null,
  weight: (a.weight * b.weight) / total,
  because: [...a.because, ...b.because],
});
