import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { demoStations } from '@/core/demo';
import { askingOf, NO_PAST, suspectsOf } from '@/core/trace';
import { askAhead } from './askAhead';
import { forgetRows, keptRows } from './keptRows';

const { station } = demoStations().find((d) => d.file === 'cold-store-condensate.json')!;
/** As it comes from the server. */
const document: unknown = JSON.parse(JSON.stringify(station));

afterEach(async () => {
  vi.unstubAllGlobals();
  await forgetRows();
});

describe('suspects asked before anybody stands at the pit', () => {
  it('are all there for Trace afterwards, and are asked once', async () => {
    const shares: number[] = [];
    expect(await askAhead(7, document, (s) => shares.push(s), 'one')).toBe(true);
    expect(shares.length).toBeGreaterThan(10);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    const made = askingOf(station);
    if (!made.ok) throw new Error('not asked');
    // Whoever is no named fault has no row: what is not in the catalogue shows what nobody knows.
    const all = suspectsOf(station, made.asking.panel, NO_PAST).flatMap((s) => (s.kind === 'other' ? [] : [s.id]));
    expect((await keptRows(station, 'one'))!.map(([id]) => id)).toEqual(all);
    expect(await askAhead(7, document, () => expect.fail('asked again'), 'one')).toBe(true);
  });

  it('are not said to be there where the document is none, the panel cannot be drawn, or the device keeps nothing', async () => {
    const never = () => expect.fail('asked');
    expect(await askAhead(7, { ...station, format: 'of something else' }, never, 'one')).toBe(false);
    expect(await askAhead(7, document, never, '')).toBe(false);
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('forbidden', 'SecurityError');
      },
    });
    expect(await askAhead(7, document, () => undefined, 'one')).toBe(false);
  });
});
