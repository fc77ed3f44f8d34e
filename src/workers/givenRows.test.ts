import 'fake-indexeddb/auto';
import { gzipSync } from 'node:zlib';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { demoStations } from '@/core/demo';
import { setAt } from '@/core/editing';
import { askedOf, askingOf, rowsOf, type Rows } from '@/core/trace';
import { askAhead } from './askAhead';
import { rowsThere } from './givenRows';
import { forgetRows, keptRows } from './keptRows';

const { station } = demoStations().find((d) => d.file === 'cold-store-condensate.json')!;
let rows: Rows;
let answer: () => Response;
const asked = vi.fn((address: string) => (expect(address).toBe('/api/stations/7/suspects'), Promise.resolve(answer())));

/** What a server gives: its fields in another order than here. */
const gives = (of: object, core = 'one') =>
  new Response(gzipSync(JSON.stringify({ station: JSON.stringify(sorted(of)), rows })), {
    headers: { 'pitbell-core': core },
  });
const sorted = (of: unknown): unknown =>
  Array.isArray(of)
    ? of.map(sorted)
    : of && typeof of === 'object'
      ? Object.fromEntries(
          Object.entries(of)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, v]) => [k, sorted(v)]),
        )
      : of;

beforeEach(() => {
  const made = askingOf(station);
  if (!made.ok) throw new Error('not asked');
  rows ??= rowsOf(made.asking, 0, 1);
  asked.mockClear();
  vi.stubGlobal('fetch', asked);
});
afterEach(async () => {
  vi.unstubAllGlobals();
  await forgetRows();
});

it('what the server has asked is taken, and kept: it is fetched once', async () => {
  answer = () => gives(askedOf(station));
  expect(await rowsThere(7, station, 'one')).toEqual(rows);
  expect(await keptRows(station, 'one')).toEqual(rows);
  await rowsThere(7, station, 'one');
  expect(asked).toHaveBeenCalledTimes(1);
});

it('not of another program, not of another document, and not where there is none or nobody answers', async () => {
  const edited = setAt(station, 'identity.note', 'not saved yet');
  const none: (() => Response)[] = [
    () => gives(askedOf(station), 'two'),
    () => gives(askedOf(edited)),
    () => new Response(null, { status: 204 }),
    () => new Response('no', { status: 403 }),
    () => new Response('{', { headers: { 'pitbell-core': 'one' } }),
    () => {
      throw new TypeError('no signal');
    },
  ];
  for (const one of none) {
    answer = one;
    expect(await rowsThere(7, station, 'one')).toBeNull();
  }
  expect(await keptRows(station, 'one')).toBeNull();
  // A program that keeps nothing asks for nothing.
  asked.mockClear();
  expect(await rowsThere(7, station, '')).toBeNull();
  expect(asked).not.toHaveBeenCalled();
});

it('a station that is taken along is not asked by the device where the server has', async () => {
  answer = () => gives(askedOf(station));
  expect(await askAhead(7, JSON.parse(JSON.stringify(station)), () => expect.fail('asked'), 'one')).toBe(true);
  expect(await keptRows(station, 'one')).toEqual(rows);
});
