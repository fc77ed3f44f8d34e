import { renderToBuffer } from '@react-pdf/renderer';
import QRCode from 'qrcode';
import sharp from 'sharp';
import { jobCard } from '@/core/jobs';
import { levelContext } from '@/core/levels';
import { readingsCard, runReport, shaftScene, type ReportedRun } from '@/core/papers';
import { checkStation, type Station } from '@/core/station';
import { RISKS } from '@/core/tests';
import { sayPhrase, unitOf, type UnitSystem } from '@/core/units';
import { DEFERENCE } from '@/core/wiring';
import { CARD_SHAFT } from '@/ui/card/cardShaft';
import { JobCardPdf, type SaidCard } from '@/ui/card/JobCardPdf';
import { ReadingsCardPdf } from '@/ui/card/ReadingsCardPdf';
import { RunReportPdf, type ReportPhoto } from '@/ui/card/RunReportPdf';
import type { Code } from '@/ui/card/Scan';
import { day, timeOfDay } from '@/ui/parts/when';

/** A code that opens an address; null where none is known. */
export const codeOf = async (address: string | null): Promise<Code> =>
  address === null ? null : { png: new Uint8Array(await QRCode.toBuffer(address, { margin: 1, width: 240 })), address };

/** No larger than a paper shows, px along its longer side. */
const ON_PAPER = 700;

/** A photograph as small as it is printed: setting a large one takes seconds. */
async function forPaper(bytes: Uint8Array): Promise<Uint8Array> {
  const small = sharp(bytes).resize(ON_PAPER, ON_PAPER, { fit: 'inside', withoutEnlargement: true });
  return new Uint8Array(await small.jpeg({ quality: 72 }).toBuffer());
}

export interface ReportAsked {
  /** The document of the revision that the run is of, as it is stored. */
  readonly document: string;
  readonly run: ReportedRun;
  readonly photos: readonly ReportPhoto[];
  readonly system: UnitSystem;
  readonly address: string | null;
}

/** A run as a report, as PDF. */
export async function reportPdf({ document, run, photos, system, address }: ReportAsked): Promise<Uint8Array> {
  const checked = checkStation(JSON.parse(document));
  if (!checked.ok) throw new Error('the document of this revision cannot be read');
  const context = levelContext(checked.station);
  const scene = shaftScene(context, { ...CARD_SHAFT, detail: 'full', system, level: context.lead });
  const printed = await Promise.all(photos.map(async (p) => ({ ...p, bytes: await forPaper(p.bytes) })));
  const report = runReport(checked.station, run, system, (at) => `${day(at)}, ${timeOfDay(new Date(at))}`);
  return new Uint8Array(
    await renderToBuffer(<RunReportPdf report={report} scene={scene} photos={printed} code={await codeOf(address)} />),
  );
}

interface CardAsked {
  readonly station: Station;
  readonly revision: number;
  readonly printed: string;
  readonly system: UnitSystem;
  readonly address: string | null;
}

/** The card of a job as it is printed; why there is none, where it is not for the station. */
export async function jobCardPdf({
  station,
  revision,
  printed,
  system,
  address,
  job,
}: CardAsked & { readonly job: string }): Promise<Uint8Array | string> {
  const made = jobCard(station, job);
  if (!made.ok) return sayPhrase(made.reason, system);
  const { card } = made;
  const said: SaidCard = {
    title: card.title,
    station: station.identity.name,
    site: station.identity.site,
    right: [`revision ${revision}`, printed, `about ${card.minutes} min`],
    steps: card.steps.map((s) => ({
      id: s.id,
      title: s.title,
      about: [s.phase, `about ${s.minutes} min`, ...(s.risk ? [RISKS[s.risk]] : [])].join(' · '),
      first: s.first.join('; '),
      cautions: s.cautions,
      actions: s.actions.map((a) => sayPhrase(a, system)),
      expects: s.expects.map((e) => ({
        label: e.label,
        sentence: sayPhrase(e.sentence, system),
        unit: e.reading ? unitOf(e.reading.format, system) || 'ft in' : '',
      })),
      decisions: s.decisions.map((d) => `${d.question} ${d.choices.map((c) => c.label).join(' / ')}: ______`),
    })),
    deference: DEFERENCE,
  };
  return new Uint8Array(await renderToBuffer(<JobCardPdf card={said} code={await codeOf(address)} />));
}

/** The card of expected readings. */
export async function readingsPdf({ station, revision, printed, address }: CardAsked): Promise<Uint8Array> {
  return new Uint8Array(
    await renderToBuffer(
      <ReadingsCardPdf card={readingsCard(station, revision)} date={printed} code={await codeOf(address)} />,
    ),
  );
}
