import { stationPaper } from '@/server/paper';
import { work } from '@/server/pool';
import { day } from '@/ui/parts/when';

/** The card of expected readings for the panel door, as PDF. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return stationPaper(request, params, 'expected-readings', ({ at, ...asked }) =>
    work('readings', { ...asked, printed: day(at) }),
  );
}
