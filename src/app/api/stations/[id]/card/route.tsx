import { renderToBuffer } from '@react-pdf/renderer';
import { dependence, restingSentence } from '@/core/dependence';
import { judge } from '@/core/levels';
import { doorCard, shaftScene } from '@/core/papers';
import { systemOf } from '@/core/units';
import { database } from '@/server/db';
import { idFrom, notFound, now } from '@/server/edge';
import { findStation } from '@/server/stations';
import { CARD_SHAFT } from '@/ui/card/cardShaft';
import { DoorCardPdf } from '@/ui/card/DoorCardPdf';
import { day } from '@/ui/parts/when';

/** The door card of the newest revision as PDF, in the units asked for or the station's own. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = idFrom((await params).id);
  const saved = id === null ? null : findStation(database(), id);
  if (!saved) return notFound('station');
  const units = new URL(request.url).searchParams.get('units');
  const system = units === 'metric' || units === 'us' ? units : systemOf(saved.station.profile);
  const judgement = judge(saved.station);
  const scene = shaftScene(judgement.context, { ...CARD_SHAFT, detail: 'full', system, level: judgement.context.lead });
  const rests = restingSentence(dependence(saved.station));
  const pdf = await renderToBuffer(
    <DoorCardPdf card={doorCard(judgement, saved.revision, day(now()), system, rests)} scene={scene} />,
  );
  return new Response(new Uint8Array(pdf), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': 'inline; filename="door-card.pdf"' },
  });
}
