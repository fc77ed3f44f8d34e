import { jobsFor } from '../jobs';
import type { Station } from '../station';
import { catalogueOf, predictByTurn, worldOf, type World } from '../tests';
import { expectOf } from './expect';
import { alike } from './groups';
import { sparesFor, type KeptPart, type Spare } from './spares';
import type { Suspect } from './suspect';

/** How what was found is mended: in words, by which job, and which tests of the proof are made again because it touches them. */
export interface Mend {
  readonly remedies: readonly string[];
  readonly job: { readonly id: string; readonly title: string } | null;
  readonly repeat: readonly { readonly id: string; readonly title: string }[];
  /** A housing is opened or a part is bought. */
  readonly buys: boolean;
  /** For what is opened or changed: what it is, what sits there, and what lies on a shelf. */
  readonly spares: readonly Spare[];
}

/** Which jobs mend which faults: the first that fits the station. */
const BY: readonly { readonly faults: RegExp; readonly jobs: readonly string[] }[] = [
  { faults: /^A\d+-|^S5-/, jobs: ['J11'] },
  { faults: /-bridged$/, jobs: ['J20', 'J18'] },
  { faults: /neutral-switched|polarity/, jobs: ['J4', 'J7'] },
  { faults: /-input$|-fault$/, jobs: ['J10'] },
  { faults: /^alarm-/, jobs: ['J9', 'J13', 'J14'] },
  { faults: /-(leaking|welded|waterlogged|cord-cut)(-size-\d)?$/, jobs: ['J12', 'J13', 'J1', 'J19'] },
  { faults: /-(stuck-up|stuck-down|tangled|deposit|slipped|upside-down)(-size-\d)?$/, jobs: ['J13', 'J8', 'J19'] },
  { faults: /wrong-core|^link-/, jobs: ['J6', 'J5'] },
  { faults: /^(K|Q|F|S|T|G)\d/, jobs: ['J19'] },
];

/** The whole proof, where no job is closer. */
const PROOF = 'commission';

/** How a suspect is mended at a station. @param world as it should be @param kept parts that the book keeps */
export function mendOf(station: Station, suspect: Suspect, world: World, kept: readonly KeptPart[]): Mend {
  const offers = jobsFor(station, world);
  const fits = (id: string) => offers.find((o) => o.id === id && o.against === null);
  const ids = suspect.faults.flatMap((f) => BY.find((b) => b.faults.test(f.id))?.jobs ?? []);
  const job = [...ids, PROOF].flatMap((id) => fits(id) ?? []).at(0) ?? null;
  const sick = worldOf(world.of, suspect.faults, 'designed', world);
  const repeat = catalogueOf(world).filter((t) => {
    const [sound, now] = [predictByTurn(world, t), predictByTurn(sick, t)];
    return [...sound].some(([id, ways]) => !alike(expectOf(ways), expectOf(now.get(id)!)));
  });
  return {
    remedies: [...new Set(suspect.faults.map((f) => f.remedy))],
    job: job && { id: job.id, title: job.title },
    repeat: repeat.map(({ id, title }) => ({ id, title })),
    buys: suspect.faults.some((f) => f.buys),
    spares: world.panel
      ? sparesFor(
          world.panel,
          suspect.faults.filter((f) => f.buys).map((f) => f.part),
          kept,
        )
      : [],
  };
}
