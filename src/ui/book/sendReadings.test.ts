import { afterEach, describe, expect, it, vi } from 'vitest';
import { sendTable } from './sendReadings';

afterEach(() => vi.unstubAllGlobals());

/** A server that answers each question in turn; null: not at all. */
function server(...answers: readonly (readonly [status: number, body: object] | null)[]) {
  const asked: string[] = [];
  vi.stubGlobal('fetch', (url: string, { method, body }: { method: string; body: string }) => {
    const next = answers[asked.length];
    asked.push(
      `${method} ${url.replace(/^.*parts/, '')} ${method === 'PUT' ? (JSON.parse(body) as { do: string }).do : ''}`.trim(),
    );
    return next ? Promise.resolve(Response.json(next[1], { status: next[0] })) : Promise.reject(new Error('gone'));
  });
  return asked;
}
const send = (stopped = () => false) =>
  sendTable(3, {
    by: 'R. T.',
    file: 'log.csv',
    readings: 60_000,
    word: 'word-0001',
    part: () => Promise.resolve('{}'),
    sent: () => undefined,
    stopped,
  });
const laid = [201, { laid: 1 }] as const;

describe('a table that is sent', () => {
  it('goes part by part, and is then taken', async () => {
    const asked = server(laid, laid, [201, { added: 59_000, double: 1000 }]);
    expect(await send()).toEqual({ ok: true, told: '59000 readings taken; 1000 were here already.' });
    expect(asked).toEqual(['POST ?word=word-0001&part=0', 'POST ?word=word-0001&part=1', 'PUT  take']);
  });
  it('is dropped where a part is refused or it is stopped: then none is taken, and that is said', async () => {
    const asked = server(
      laid,
      [422, { problems: [{ path: 'rows', message: 'a reading of no meter' }] }],
      [200, { added: 0, double: 0 }],
    );
    expect(await send()).toEqual({ ok: false, told: 'None taken: a reading of no meter' });
    expect(asked.at(-1)).toBe('PUT  drop');
    server([200, { added: 0, double: 0 }]);
    expect((await send(() => true)).told).toBe('None taken: stopped by hand');
  });
  it('whose taking is not answered may be in the book: it is never said that none is', async () => {
    server(laid, laid, null);
    const { ok, told } = await send();
    expect(ok).toBe(false);
    expect(told).toMatch(/^Whether they were taken is not known: the server does not answer/);
  });
});
