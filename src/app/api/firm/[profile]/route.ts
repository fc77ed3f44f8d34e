import * as z from 'zod';
import { copperTableSchema, settingsSchema } from '@/core/station';
import { database } from '@/server/db';
import { doneAt, keyOf, notFound, readAs, writing } from '@/server/edge';
import { firmFigures, keepFirmFigures } from '@/server/firm';

interface Context {
  params: Promise<{ profile: string }>;
}

const profileSchema = z.enum(['metric-230', 'us-120']);
const firmSchema = z.strictObject({ settings: settingsSchema, copper: copperTableSchema.nullable() });

/** What the firm takes as given at a new station of this profile; null where nothing was kept. */
export async function GET(_: Request, { params }: Context): Promise<Response> {
  const profile = profileSchema.safeParse((await params).profile);
  if (!profile.success) return notFound('profile of that name');
  return Response.json({ firm: firmFigures(database(), profile.data) });
}

/** Keeps it. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const profile = profileSchema.safeParse((await params).profile);
  if (!profile.success) return notFound('profile of that name');
  const body = await readAs(request, firmSchema);
  if (!body.ok) return body.response;
  return writing(() => {
    keepFirmFigures(database(), profile.data, body.value, doneAt(request), keyOf(request));
    return Response.json({ firm: firmFigures(database(), profile.data) });
  });
}
