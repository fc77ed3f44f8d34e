import { stationPaper } from '@/server/paper';
import { work } from '@/server/pool';
import { day } from '@/ui/parts/when';

/** The door card of the newest revision as PDF. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return stationPaper(request, params, 'door-card', ({ at, ...asked }) => work('card', { ...asked, printed: day(at) }));
}
