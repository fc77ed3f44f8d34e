import * as z from 'zod';
import { settingsSchema } from '@/core/station';
import { database } from '@/server/db';
import { notFound, now, readAs, writing } from '@/server/edge';
import { firmSettings, keepFirmSettings } from '@/server/firm';

interface Context {
  params: Promise<{ profile: string }>;
}

const profileSchema = z.enum(['metric-230', 'us-120']);

/** What the firm takes as given at a new station of this profile; null where nothing was kept. */
export async function GET(_: Request, { params }: Context): Promise<Response> {
  const profile = profileSchema.safeParse((await params).profile);
  if (!profile.success) return notFound('profile of that name');
  return Response.json({ settings: firmSettings(database(), profile.data) });
}

/** Keeps it. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const profile = profileSchema.safeParse((await params).profile);
  if (!profile.success) return notFound('profile of that name');
  const body = await readAs(request, settingsSchema);
  if (!body.ok) return body.response;
  return writing(() => {
    keepFirmSettings(database(), profile.data, body.value, now());
    return Response.json({ settings: firmSettings(database(), profile.data) });
  });
}
