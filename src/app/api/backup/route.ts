import * as z from 'zod';
import { DataTrouble } from '@/server/db';
import { now, readAs, refuse, writing } from '@/server/edge';
import { layApart } from '@/server/keeping';
import { copiesIn } from '@/server/nightly';
import { dropPieces, isWord, piecesFile, piecesHere } from '@/server/pieces';
import { waitingIn } from '@/server/restore';
import { dataFolder } from '@/server/db';

const bodySchema = z.union([
  z.strictObject({ pieces: z.string().refine(isWord, 'is no word'), name: z.string().min(1).max(200) }),
  z.strictObject({ day: z.iso.date('must be a date, as 2027-03-31') }),
]);

/** Where the database lies that is to be looked into. */
function fileFor(asked: z.infer<typeof bodySchema>): { file: string; name: string } | null {
  if ('pieces' in asked)
    return piecesHere(asked.pieces) > 0 ? { file: piecesFile(asked.pieces, dataFolder()), name: asked.name } : null;
  const copy = copiesIn().find((c) => c.day === asked.day);
  return copy ? { file: copy.file, name: `the copy of the night to ${copy.day}` } : null;
}

/** Backups that wait to be switched. */
export const GET = (): Response => Response.json({ waiting: waitingIn() });

/** Lays a backup that was sent, or a copy of the night, beside what is there, and tells what is in it. */
export async function POST(request: Request): Promise<Response> {
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return writing(async () => {
    const from = fileFor(body.value);
    if (!from) return refuse(404, [{ path: 'file', message: 'there is no such backup here' }]);
    try {
      return Response.json({ waiting: await layApart(from.file, from.name, now()) }, { status: 201 });
    } catch (error) {
      if (!(error instanceof DataTrouble)) throw error;
      return refuse(422, [{ path: 'file', message: error.message }]);
    } finally {
      if ('pieces' in body.value) dropPieces(body.value.pieces);
    }
  });
}
