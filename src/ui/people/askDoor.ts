/** What the server says no with, in its words. */
async function whyNot(answer: Response): Promise<string> {
  const said = (await answer.json().catch(() => null)) as { problems?: { message: string }[] } | null;
  return said?.problems?.[0]?.message ?? 'the server does not answer: try again';
}

/** Asks the server, and answers what it said, or why not. */
export async function askDoor<T>(
  path: string,
  body: unknown,
): Promise<{ ok: true; said: T } | { ok: false; why: string }> {
  const answer = await fetch(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (!answer) return { ok: false, why: 'the server does not answer: is the network there?' };
  return answer.ok ? { ok: true, said: (await answer.json()) as T } : { ok: false, why: await whyNot(answer) };
}
