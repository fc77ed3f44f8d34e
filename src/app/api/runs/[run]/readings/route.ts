import * as z from 'zod';
import { database } from '@/server/db';
import { idFrom, notFound, readAs } from '@/server/edge';
import { giveReading, readingsAfter } from '@/server/meterFeed';
import { findRun } from '@/server/proofs';

const bodySchema = z.object({
  stepId: z.string().min(1).max(80),
  expectation: z.string().min(1).max(80),
  /** In SI; null: open line. */
  value: z.number().nullable(),
  /** What the display shows, in its own words. */
  shown: z.string().max(80),
  meter: z.string().trim().min(1).max(60),
});

/** A reading that a logging meter sends: it is filled in for the person to take, and is no finding by itself. */
export async function POST(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null || !findRun(database(), id)) return notFound('run');
  const body = await readAs(request, bodySchema);
  if (!body.ok) return body.response;
  return Response.json({ reading: giveReading(id, body.value) }, { status: 201 });
}

export async function GET(request: Request, { params }: { params: Promise<{ run: string }> }): Promise<Response> {
  const id = idFrom((await params).run);
  if (id === null) return notFound('run');
  const after = Number(new URL(request.url).searchParams.get('after') ?? 0);
  return Response.json({ readings: readingsAfter(id, Number.isFinite(after) ? after : 0) });
}
