import { WHOLE } from '@/core/proving';
import { stationPaper } from '@/server/paper';
import { work } from '@/server/pool';
import { day } from '@/ui/parts/when';

/** The card of a job on paper, with boxes to write in. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const job = new URL(request.url).searchParams.get('job') ?? WHOLE;
  return stationPaper(request, params, 'job-card', ({ at, ...asked }) =>
    work('jobCard', { ...asked, printed: day(at), job }),
  );
}
