import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demoStations } from '@/core/demo';
import { setAt } from '@/core/editing';
import { askingOf, rowsOf } from '@/core/trace';
import { askAll, askedRows } from './asked';
import { openDataFolder, type Db } from './db';
import { createStation, saveStation } from './stations';

const { station } = demoStations().find((d) => d.file === 'cold-store-condensate.json')!;
const NOW = '2026-11-29T10:00:00Z';

let folder = '';
let db: Db;
beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-asked-'));
  db = openDataFolder(folder);
});
afterEach(() => {
  db.close();
  rmSync(folder, { recursive: true });
});

const make = () => createStation(db, station, NOW).id;
const ask = (on?: () => boolean) => askAll(() => db, on, folder);
const files = () => readdirSync(path.join(folder, 'asked'));
/** As it is unpacked at the other end. */
const given = (id: number): unknown => {
  const packed = askedRows(db, id, folder);
  return packed && JSON.parse(gunzipSync(packed).toString());
};

describe('suspects asked while nobody waits', () => {
  it('are those that Trace asks, with the document that they are of', async () => {
    const id = make();
    expect(given(id)).toBeNull();
    expect(await ask()).toBe(1);
    const made = askingOf(station);
    if (!made.ok) throw new Error('not asked');
    const { station: of, rows } = given(id) as { station: string; rows: [string, unknown][] };
    expect(JSON.parse(of)).toEqual({ ...station, landings: null });
    expect(new Map(rows)).toEqual(new Map(rowsOf(made.asking, 0, 1)));
    expect(rows.length).toBeGreaterThan(40);
  });
  it('are asked once; of a station that was saved anew they are asked anew, and the old ones go', async () => {
    const id = make();
    await ask();
    expect([await ask(), files().length]).toEqual([0, 1]);
    const [before] = files();
    // Landings as they were found are suspects themselves.
    saveStation(db, id, 1, { ...station, landings: { cores: [], links: [] } }, NOW);
    expect(await ask()).toBe(0);
    saveStation(db, id, 1, setAt(station, 'identity.note', 'by the door'), NOW);
    expect(given(id)).toBeNull();
    expect(await ask()).toBe(1);
    expect([files().length, files()[0] === before]).toEqual([1, false]);
    expect(given(99)).toBeNull();
  });
  it('what is ended half way leaves nothing half asked, and nothing of the others goes', async () => {
    make();
    await ask();
    createStation(db, setAt(station, 'identity.name', 'Another'), NOW);
    let parts = 0;
    expect(await ask(() => parts++ < 4)).toBe(0);
    expect(files()).toHaveLength(1);
    expect(await ask()).toBe(1);
    expect(files().every((f) => f.endsWith('.json.gz'))).toBe(true);
  });
});
