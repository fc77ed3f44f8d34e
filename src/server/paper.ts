import type { UnitSystem } from '@/core/units';
import { refuse } from './edge';
import { Busy } from './pool';

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
  const host = request.headers.get('host');
  if (!host) return null;
  const scheme = new URL(request.url).protocol === 'https:' ? 'https' : 'http';
  return `${scheme}://${host}/stations/${stationId}`;
}
