import path from 'node:path';
import * as z from 'zod';
import { DataTrouble } from '@/server/db';
import { now, readAs, refuse, writing } from '@/server/edge';
import { readyApart } from '@/server/keeping';
import { drop, switchTo } from '@/server/restore';
import { whileAlone } from '@/server/switching';

const bodySchema = z.strictObject({ what: z.enum(['switch', 'drop'], 'must be switch or drop') });

/** Puts a backup that waits in the place of what is there, or takes it away. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(async () => {
    try {
      if (body.value.what === 'drop') {
        drop(id);
        return Response.json({ dropped: true });
      }
      // What takes its time is done before anybody has to wait.
      const photos = await readyApart(id);
      const { before } = await whileAlone(() => switchTo(id, now()));
      return Response.json({ before: before && path.basename(before), photos });
    } catch (error) {
      if (!(error instanceof DataTrouble)) throw error;
      return refuse(409, [{ path: 'backup', message: error.message }]);
    }
  });
}
