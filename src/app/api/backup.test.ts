import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newStation } from '@/core/station';
import { database } from '@/server/db';
import { listNames } from '@/server/heads';
import { nightly } from '@/server/nightly';
import { createStation } from '@/server/stations';
import { GET as getFile } from './backup/file/route';
import { POST as postPiece } from './backup/pieces/[word]/route';
import { GET as getWaiting, POST as postBackup } from './backup/route';
import { POST as postSwitch } from './backup/[id]/route';
import { GET as getPieces, POST as postPhotoPiece } from './pieces/[word]/route';
import { POST as postPhoto } from './runs/[run]/photos/route';
import { POST as postRun } from './stations/[id]/runs/route';

const AT = '2026-11-24T09:41:00.000Z';
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-backup-api-'));
  process.env.PITBELL_DATA = folder;
});
afterAll(() => {
  database().close();
  rmSync(folder, { recursive: true });
});

const at = <K extends string>(key: K, value: string) => ({
  params: Promise.resolve({ [key]: value } as Record<K, string>),
});
const post = (url: string, body: BodyInit) => new Request(`http://127.0.0.1${url}`, { method: 'POST', body });
const json = (url: string, body: unknown) => post(url, JSON.stringify(body));
const make = (name: string) => createStation(database(), newStation(name, 'Yard', 'metric-230'), AT);
const names = () => listNames(database()).map((s) => s.name);
const problem = async (r: Response) => [
  r.status,
  ((await r.json()) as { problems: { message: string }[] }).problems[0]!.message,
];

async function send(word: string, bytes: Buffer): Promise<void> {
  for (let from = 0; from < bytes.length; from += 50_000) {
    const piece = new Uint8Array(bytes.subarray(from, from + 50_000));
    const sent = await postPiece(post(`/?at=${from}&of=${bytes.length}`, piece), at('word', word));
    expect(await sent.json()).toEqual({ has: Math.min(from + 50_000, bytes.length) });
  }
}

describe('a backup by way of the application', () => {
  it('goes out as one file, comes back in pieces, is told, and switched', async () => {
    make('First');
    const out = await getFile();
    const file = Buffer.from(await out.arrayBuffer());
    expect(out.headers.get('content-disposition')).toMatch(/^attachment; filename="pit-bell-\d{4}-\d\d-\d\d\.sqlite"$/);
    expect(Number(out.headers.get('content-length'))).toBe(file.length);
    make('Second');
    await send('word-of-a-backup', file);
    const laid = await postBackup(json('/', { pieces: 'word-of-a-backup', name: 'kept.sqlite' }));
    const { waiting } = (await laid.json()) as { waiting: { id: string } };
    expect([laid.status, waiting]).toMatchObject([201, { name: 'kept.sqlite', holds: { stations: 1 } }]);
    expect(await getWaiting().json()).toEqual({ waiting: [waiting] });
    expect(names()).toEqual(['First', 'Second']);
    const switched = await postSwitch(json('/', { what: 'switch' }), at('id', waiting.id));
    expect(await switched.json()).toMatchObject({
      before: expect.stringMatching(/^before-\d{8}-\d{6}\.sqlite$/) as string,
    });
    expect(names()).toEqual(['First']);
    // What was sent, and what was laid beside, is gone.
    expect([readdirSync(path.join(folder, 'pieces')), readdirSync(path.join(folder, 'restore'))]).toEqual([[], []]);
  });
  it('a copy of the night is looked into the same way, and left', async () => {
    await nightly('2026-11-26', 7);
    const laid = await postBackup(json('/', { day: '2026-11-26' }));
    const { waiting } = (await laid.json()) as { waiting: { id: string; name: string } };
    expect(waiting.name).toBe('the copy of the night to 2026-11-26');
    expect(await (await postSwitch(json('/', { what: 'drop' }), at('id', waiting.id))).json()).toEqual({
      dropped: true,
    });
    expect(await getWaiting().json()).toEqual({ waiting: [] });
  });
  it('what is no backup is refused in words, and what is not here is not', async () => {
    await send('word-of-nothing', Buffer.from('x'.repeat(9000)));
    expect(await problem(await postBackup(json('/', { pieces: 'word-of-nothing', name: 'x.sqlite' })))).toEqual([
      422,
      expect.stringMatching(/x\.sqlite is no backup of Pit Bell/),
    ]);
    expect(await problem(await postBackup(json('/', { pieces: 'word-of-nothing', name: 'x.sqlite' })))).toEqual([
      404,
      'there is no such backup here',
    ]);
    expect((await problem(await postSwitch(json('/', { what: 'switch' }), at('id', '20260101-000000-abcd'))))[0]).toBe(
      409,
    );
    expect((await problem(await postSwitch(json('/', { what: 'switch' }), at('id', '../../x'))))[0]).toBe(409);
    expect((await problem(await postPiece(post('/?at=0&of=9', 'x'), at('word', '../x'))))[0]).toBe(404);
    expect(await problem(await postPiece(post(`/?at=0&of=${9e14}`, 'x'), at('word', 'word-of-a-giant')))).toEqual([
      507,
      expect.stringMatching(/no room/),
    ]);
    expect((await problem(await postPiece(post('/?at=0&of=2', 'xyz'), at('word', 'word-of-a-liar'))))[0]).toBe(422);
  });
});

describe('a photograph in pieces', () => {
  it('is kept once all of it is here, under its word, which is empty then', async () => {
    const station = make('Photographed');
    const begun = await postRun(json('/', { tester: 'R. T.' }), at('id', String(station.id)));
    const { run } = (await begun.json()) as { run: { id: number } };
    const picture = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#445' } })
      .jpeg()
      .toBuffer();
    const word = 'word-of-a-photo';
    const half = Math.floor(picture.length / 2);
    const piece = (from: number, to: number) =>
      postPhotoPiece(post(`/?at=${from}`, new Uint8Array(picture.subarray(from, to))), at('word', word));
    expect(await (await piece(0, half)).json()).toEqual({ has: half });
    expect(await (await getPieces(post('/', ''), at('word', word))).json()).toEqual({ has: half });
    const step = 'isolate';
    await piece(half, picture.length);
    const kept = () => postPhoto(post(`/?step=${step}&by=R&pieces=${word}`, ''), at('run', String(run.id)));
    expect(await (await kept()).json()).toMatchObject({ photo: { width: 900, height: 600, stepId: step } });
    expect((await problem(await kept()))[0]).toBe(425);
    expect(
      (await problem(await postPhotoPiece(post('/?at=0', new Uint8Array(1024 * 1024 + 1)), at('word', word))))[0],
    ).toBe(413);
    expect((await problem(await postPhotoPiece(post(`/?at=${15 * 1024 * 1024}`, 'x'), at('word', word))))[0]).toBe(413);
  });
});
