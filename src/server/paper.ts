import type { Station } from '@/core/station';
import { systemOf, type UnitSystem } from '@/core/units';
import { database } from './db';
import { idFrom, notFound, now, refuse, originOf } from './edge';
import { Busy } from './pool';
import { findStation } from './stations';

/** A paper as an answer: made in the pool, told where that is busy. @param make gives the PDF, or words for why there is none */
export async function paper(name: string, make: () => Promise<Uint8Array | string>): Promise<Response> {
  try {
    const pdf = await make();
    if (typeof pdf === 'string') return refuse(422, [{ path: 'paper', message: pdf }]);
    return new Response(new Uint8Array(pdf), {
      headers: { 'content-type': 'application/pdf', 'content-disposition': `inline; filename="${name}.pdf"` },
    });
  } catch (error) {
    if (!(error instanceof Busy)) throw error;
    return refuse(503, [{ path: 'server', message: 'is busy with other papers: ask again in a moment' }]);
  }
}

/** The units that a paper is asked in, or those of its station. */
export function unitsOf(request: Request, own: UnitSystem): UnitSystem {
  const units = new URL(request.url).searchParams.get('units');
  return units === 'metric' || units === 'us' ? units : own;
}

/** Where a station is found at this server, as whoever asks has found it. */
export function addressOf(request: Request, stationId: number): string | null {
  const origin = originOf(request);
  return origin === null ? null : `${origin}/stations/${stationId}`;
}

/** What a paper of a station is asked with. */
export interface PaperAsked {
  readonly station: Station;
  readonly revision: number;
  /** When it is asked, ISO time. */
  readonly at: string;
  readonly system: UnitSystem;
  readonly address: string | null;
}

/** A paper of the newest revision of a station, in the units asked for or its own. */
export async function stationPaper(
  request: Request,
  params: Promise<{ id: string }>,
  name: string,
  make: (asked: PaperAsked) => Promise<Uint8Array | string>,
): Promise<Response> {
  const id = idFrom((await params).id);
  const saved = id === null ? null : findStation(database(), id);
  if (!saved) return notFound('station');
  const { station, revision } = saved;
  const system = unitsOf(request, systemOf(station.profile));
  return paper(name, () => make({ station, revision, at: now(), system, address: addressOf(request, saved.id) }));
}
