import { afterEach, describe, expect, it, vi } from 'vitest';
import { newStation } from '@/core/station';
import { listPumpModels, modelOf, sendPumpModel } from './pumpLibrary';

const pump = newStation('a', 'b', 'metric-230').pumps[0]!;
const answering = (status: number, body: unknown) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(new Response(JSON.stringify(body), { status }))),
  );
afterEach(() => vi.unstubAllGlobals());

describe('a pump of the library', () => {
  it('is what is true of every one of its kind: not where this one stands, nor its riser', () => {
    const model = modelOf(pump);
    expect(model).toMatchObject({ name: pump.name, curve: pump.curve, motorTop: pump.motorTop });
    expect(Object.keys(model)).not.toEqual(expect.arrayContaining(['bearing']));
    expect(Object.keys(model)).not.toEqual(expect.arrayContaining(['riser']));
  });
  it('is sent whole, and what was wrong with it is said', async () => {
    answering(200, { models: [] });
    expect(await sendPumpModel(modelOf(pump))).toEqual({ ok: true, here: false });
    const [address, init] = vi.mocked(fetch).mock.calls[0]!;
    expect([address, init!.method, JSON.parse(init!.body as string).name]).toEqual(['/api/pumps', 'PUT', pump.name]);
    answering(422, { problems: [{ path: 'curve', message: 'too short' }] });
    expect(await sendPumpModel(modelOf(pump))).toEqual({ ok: false, reason: 'curve: too short' });
  });
  it('is listed; nothing is while the server is away or answers nonsense', async () => {
    answering(200, { models: [modelOf(pump)] });
    expect((await listPumpModels()).map((m) => m.name)).toEqual([pump.name]);
    answering(200, { models: [{ name: 'half a pump' }] });
    expect(await listPumpModels()).toEqual([]);
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.reject(new Error('away'))),
    );
    expect(await listPumpModels()).toEqual([]);
    expect(await sendPumpModel(modelOf(pump))).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/does not answer/) as string,
    });
  });
});
