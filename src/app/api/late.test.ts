import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { setAt } from '@/core/editing';
import { jobCard } from '@/core/jobs';
import { readPlan, storePlan, WHOLE } from '@/core/proving';
import { newStation } from '@/core/station';
import { database } from '@/server/db';
import { doneAt } from '@/server/edge';
import { findRun } from '@/server/proofs';
import { alongOf } from '@/server/along';
import { POST as postEntry } from './runs/[run]/entries/route';
import { GET as getPages, POST as postPage } from './stations/[id]/book/route';
import { PUT as putStation } from './stations/[id]/route';
import { POST as postRun } from './stations/[id]/runs/route';
import { POST as postStation } from './stations/route';

/* What was done without signal arrives late: it bears the time at which it was done, is true of the revision that was known then, and is done once. */

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-late-'));
  process.env.PITBELL_DATA = folder;
});
afterAll(() => {
  database().close();
  rmSync(folder, { recursive: true });
});

const HOUR = 3_600_000;
const request = (body: unknown, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/', { method: 'POST', headers, body: JSON.stringify(body) });
const at = <K extends string>(key: K, value: unknown) => ({
  params: Promise.resolve({ [key]: String(value) } as Record<K, string>),
});
const sump = newStation('Late sump', 'Yard', 'metric-230');

async function make(): Promise<number> {
  return ((await (await postStation(request(sump))).json()) as { saved: { id: number } }).saved.id;
}
const problemsOf = async (answer: Response) =>
  ((await answer.json()) as { problems: { message: string }[] }).problems.map((p) => p.message);
const ago = (iso: string) => (Date.now() - Date.parse(iso)) / HOUR;

describe('when something was done', () => {
  it.each([
    [{}, 0],
    [{ 'act-age': '7200000' }, 2],
    [{ 'act-age': '-5' }, 0],
    [{ 'act-age': 'yesterday' }, 0],
    [{ 'act-age': String(500 * 24 * HOUR) }, 0],
  ])('%j is %d hours ago', (headers, hours) => {
    const clock = () => Date.UTC(2026, 10, 27, 12);
    const told = doneAt(new Request('http://x', { headers: headers as Record<string, string> }), clock);
    expect(told).toBe(new Date(clock() - hours * HOUR).toISOString());
  });
  it('a finding stands at the hour at which it was entered, and once, however often it comes', async () => {
    const id = await make();
    const { run } = (await (await postRun(request({ tester: 'A. B.' }), at('id', id))).json()) as {
      run: { id: number };
    };
    const entry = { stepId: 'isolate', verdict: 'pass', found: {}, note: '', by: 'A. B.' };
    const late = { 'act-age': String(3 * HOUR), 'idempotency-key': 'finding-of-late' };
    for (let n = 0; n < 2; n++) expect((await postEntry(request(entry, late), at('run', run.id))).status).toBe(201);
    const { entries } = findRun(database(), run.id)!;
    expect(entries).toHaveLength(1);
    expect(ago(entries[0]!.enteredAt)).toBeCloseTo(3, 1);
  });
  it('a page that tells of the moment it was written is of that moment, whatever the clock of the device said', async () => {
    const id = await make();
    const visit = { kind: 'visit', why: 'due', minutes: null, words: 'rags' };
    const page = { at: '2031-01-01T00:00:00Z', by: 'A. B.', page: visit, readings: [], corrects: null };
    await postPage(request(page, { 'act-age': String(5 * HOUR), 'act-now': '1' }), at('id', id));
    await postPage(request({ ...page, at: '2026-01-05T08:00:00.000Z' }, { 'act-age': String(5 * HOUR) }), at('id', id));
    const { pages } = (await (await getPages(request({}), at('id', id))).json()) as { pages: { at: string }[] };
    const times = pages.map((p) => p.at);
    expect(times).toContain('2026-01-05T08:00:00.000Z');
    expect(times.map((t) => Math.round(ago(t)))).toContain(5);
  });
});

describe('a run that was begun on a revision', () => {
  it('is of that revision, though the station has gone on; one that is not there is refused', async () => {
    const id = await make();
    const later = setAt(sump, 'vessel.overflow', sump.vessel.overflow - 0.05);
    expect((await putStation(request({ base: 1, document: later }), at('id', id))).status).toBe(200);
    const begin = async (revision?: number) => {
      const answer = await postRun(request({ tester: 'A. B.', revision }), at('id', id));
      return [answer.status, ((await answer.json()) as { run?: { revision: number } }).run?.revision];
    };
    expect(await begin(1)).toEqual([201, 1]);
    expect(await begin(2)).toEqual([201, 2]);
    expect(await begin()).toEqual([201, 2]);
    expect(await begin(7)).toEqual([422, undefined]);
  });
});

describe('the card of a run', () => {
  it('is the one that was on the screen, whatever the station is by now; what is none, or of another job, is refused', async () => {
    const id = await make();
    const lower = setAt(sump, 'vessel.overflow', sump.vessel.overflow - 0.05);
    const made = jobCard(lower, WHOLE);
    const card = made.ok ? storePlan(made.card.steps, WHOLE) : '';
    const begin = (more: object) => postRun(request({ tester: 'A. B.', ...more }), at('id', id));
    const { run } = (await (await begin({ card })).json()) as { run: { id: number } };
    expect(findRun(database(), run.id)!.plan).toEqual(
      readPlan(card).ok && (readPlan(card) as { steps: unknown }).steps,
    );
    expect((await begin({ card: '{}' })).status).toBe(422);
    expect((await problemsOf(await begin({ card, job: 'J1' })))[0]).toBe('is the card of another job');
  });
});

describe('what is taken along', () => {
  it('the pages of the stations that are asked for, with the runs that are worked on; what may not be opened is left out', async () => {
    const id = await make();
    const { run } = (await (await postRun(request({ tester: 'A. B.' }), at('id', id))).json()) as {
      run: { id: number };
    };
    const { stations, common } = alongOf(
      database(),
      [id, 999_999],
      (p) => !p.endsWith('/trace'),
      () => ({ build: 'b', files: [] }),
    );
    expect(common).toContain('/along');
    expect(stations.map((s) => [s.id, s.name])).toEqual([[id, 'Late sump']]);
    const { pages } = stations[0]!;
    expect(pages).toContain(`/stations/${id}/prove/${run.id}`);
    expect(pages).toContain(`/stations/${id}/prove/begun`);
    expect(pages).not.toContain(`/stations/${id}/trace`);
  });
});
