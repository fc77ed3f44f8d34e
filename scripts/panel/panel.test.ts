import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demoStations } from '@/core/demo';
import type { Feed } from '@/core/feeds';
import { listPages } from '@/server/book';
import { readingsOf } from '@/server/standing';
import { openDatabase, type Db } from '@/server/db';
import { feedNow, keepFeed, rawOf, shownOf, type FeedKept } from '@/server/feeds/feeds';
import { linkTo, type Link } from '@/server/feeds/links';
import { reader } from '@/server/feeds/reader';
import { judgedBy, takeIn, type Answer } from '@/server/feeds/takeIn';
import { createStation, type Saved } from '@/server/stations';
import { mapOf } from './map';
import { standIn, type StandIn } from './standIn';

const AT = Date.UTC(2026, 10, 2, 6);
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const { station } = demoStations().find((d) => d.file === 'wash-bay-pit.json')!;

let folder: string;
let db: Db;
let saved: Saved;
let now: number;
let panel: StandIn;
let link: Link | null;
let told: { ringing: boolean; at: string }[];

const begin = async (more: { faults?: string[]; counted?: Record<string, number> } = {}) => {
  panel = await standIn(station, {
    speed: 1,
    from: now,
    modbusPort: 0,
    httpPort: 0,
    now: () => now,
    alarm: (a) => told.push(a),
    ...more,
  });
};
const map = (protocol: 'modbus' | 'http'): Feed =>
  mapOf(station.pumps.length, protocol, '127.0.0.1', protocol === 'modbus' ? panel.modbusPort : panel.httpPort);
const keep = (feed: Feed): FeedKept => keepFeed(db, saved.id, feed, 'R. T.', new Date(now).toISOString());

/** Lets time pass, asking every so often. */
async function pass(kept: FeedKept, time: number, every = 10 * MINUTE): Promise<void> {
  link ??= linkTo(kept.feed);
  for (const end = now + time; now < end;) {
    now += every;
    panel.tick();
    takeIn(db, kept, judgedBy(db, saved.id)!, await link.ask(), now);
  }
}

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-panel-'));
  db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  saved = createStation(db, station, new Date(AT).toISOString());
  [now, link, told] = [AT, null, []];
});
afterEach(async () => {
  link?.close();
  await panel?.close();
  db.close();
  rmSync(folder, { recursive: true });
});

describe.each(['modbus', 'http'] as const)('a panel that is read by %s', (protocol) => {
  it('fills the book with what the rehearsed station has counted, and says how it stands', async () => {
    await begin({ counted: { 'hours-1': 100, 'starts-1': 4000 } });
    const kept = keep(map(protocol));
    await pass(kept, 6 * HOUR);
    const said = panel.tick();
    const readings = readingsOf(db, saved.id);
    expect(readings['starts-1']!.map((r) => (r.at - AT) / MINUTE)).toEqual([10, 70, 130, 190, 250, 310]);
    expect(readings['starts-1']![0]!.value).toBeGreaterThanOrEqual(4000);
    expect(readings['hours-1']!.at(-1)!.value).toBeLessThanOrEqual(said.pumps[0]!.hours);
    const shown = shownOf(db, kept, now);
    expect(shown).toMatchObject({ stale: false, why: null, failures: 0 });
    const { level } = shown.heard;
    expect(level?.ok && level.value).toBeCloseTo(said.level, 2);
    for (const [i, p] of said.pumps.entries()) {
      const runs = shown.heard[`running-${i + 1}`];
      expect(runs?.ok && runs.value).toBe(p.running ? 1 : 0);
    }
    expect(rawOf(db, saved.id, 100).length).toBeGreaterThan(10);
    expect(shownOf(db, kept, now + 31_000).stale).toBe(true);
  });

  it('that breaks off, or does not answer, is told so, and what it said stands with its time', async () => {
    await begin();
    const kept = keep(map(protocol));
    await pass(kept, HOUR);
    const heardAt = now;
    panel.misbehave('break');
    await pass(kept, 2 * MINUTE, MINUTE);
    expect(feedNow(db, saved.id)).toMatchObject({ failures: 2, heardAt });
    expect(feedNow(db, saved.id)!.why).toMatch(/broken off|nothing listens/);
    panel.misbehave(null);
    await pass(kept, MINUTE, MINUTE);
    expect(feedNow(db, saved.id)).toMatchObject({ failures: 0, why: null, heardAt: now });
  });
});

describe('a panel that misbehaves', () => {
  it('stalls: it is given up in time, and asked again', async () => {
    await begin();
    const kept = keep(map('http'));
    await pass(kept, MINUTE, MINUTE);
    panel.misbehave('stall');
    await pass(kept, MINUTE, MINUTE);
    expect(feedNow(db, saved.id)).toMatchObject({ failures: 1, why: 'no answer within 4 s' });
  });

  it('lies: nothing of it goes into the book, and what was not believed is said', async () => {
    await begin();
    const kept = keep(map('modbus'));
    await pass(kept, 2 * HOUR);
    const before = readingsOf(db, saved.id);
    panel.misbehave('lie');
    await pass(kept, 20 * MINUTE);
    expect(feedNow(db, saved.id)!.why).toMatch(/water level: 65535 mm cannot be/);
    const starts = readingsOf(db, saved.id)['starts-1']!;
    expect(starts).toEqual(before['starts-1']);
    panel.misbehave(null);
    await pass(kept, 2 * HOUR);
    expect(readingsOf(db, saved.id)['starts-1']!.every((r) => r.newFrom === null)).toBe(true);
    expect(feedNow(db, saved.id)!.why).toBeNull();
  });

  it.each(['restart', 'jump'] as const)(
    '%s: its dials begin anew, what they had counted is not lost, and a page says so',
    async (way) => {
      await begin({ counted: { 'starts-1': 9000 } });
      const kept = keep(map('modbus'));
      await pass(kept, 6 * HOUR);
      panel.misbehave(way);
      await pass(kept, MINUTE, MINUTE);
      panel.misbehave(null);
      await pass(kept, 6 * HOUR);
      const list = readingsOf(db, saved.id)['starts-1']!;
      expect(list.filter((r) => r.newFrom !== null)).toHaveLength(1);
      const words = listPages(db, saved.id).map((p) => (p.page?.kind === 'visit' ? p.page.words : ''));
      expect(words.join()).toMatch(/start counter, pump 1 stood at \d+ and goes on from \d+: taken as begun anew/);
    },
  );

  it('that was read by a wrong map says nothing by the right one until it has answered, and no dial begins anew for it', async () => {
    await begin({ counted: { 'starts-1': 9000 } });
    const right = map('modbus');
    if (right.protocol !== 'modbus') throw new Error('it is');
    const wrong = {
      ...right,
      points: right.points.map((p) => (p.signal === 'starts-1' ? { ...p, address: 0, scale: 1 } : p)),
    };
    await pass(keep(wrong), HOUR);
    expect(feedNow(db, saved.id)!.heard['starts-1']).toMatchObject({ ok: true });
    link!.close();
    link = null;
    const kept = keep(right);
    expect(shownOf(db, kept, now)).toMatchObject({ heardAt: null, heard: {}, stale: true });
    await pass(kept, HOUR);
    const list = readingsOf(db, saved.id)['starts-1']!;
    expect(list.at(-1)!.value).toBeGreaterThanOrEqual(9000);
    expect(list.every((r) => r.newFrom === null)).toBe(true);
    expect(feedNow(db, saved.id)!.why).toBeNull();
  });

  it('whose clock stands gives nothing to the book', async () => {
    await begin();
    const kept = keep(map('http'));
    await pass(kept, HOUR);
    const before = readingsOf(db, saved.id);
    panel.misbehave('clock');
    await pass(kept, 3 * HOUR);
    expect(readingsOf(db, saved.id)).toEqual(before);
    expect(feedNow(db, saved.id)!.why).toMatch(/its clock stands/);
  });

  // Bytes as the Modbus Messaging on TCP/IP guide 1.0b and the Application Protocol 1.1b3 have them, written by hand.
  it.each([
    ['a refusal', [0x84, 2], { ok: false, why: 'the panel has no register at that address' }],
    ['a failure inside', [0x84, 4], { ok: false, why: 'the panel has failed inside' }],
    [
      'one register',
      [4, 2, 0x01, 0xf4],
      { ok: true, raw: '[["input",0,500]]', values: { level: { ok: true, value: 0.5 } } },
    ],
  ] as const)('answers with %s, byte for byte', async (_, pdu, wanted) => {
    await begin();
    const questions: string[] = [];
    const tcp = createServer((s) =>
      s.on('data', (q) => {
        questions.push(q.subarray(2).toString('hex'));
        s.write(Buffer.from([q[0]!, q[1]!, 0, 0, 0, pdu.length + 1, q[6]!, ...pdu]));
      }),
    );
    await new Promise<void>((resolve) => tcp.listen(0, '127.0.0.1', resolve));
    const feed = mapOf(1, 'modbus', '127.0.0.1', (tcp.address() as AddressInfo).port);
    if (feed.protocol !== 'modbus') throw new Error('it is');
    const asked = linkTo({ ...feed, unit: 9, points: [feed.points[0]!] });
    expect(await asked.ask()).toEqual(wanted);
    asked.close();
    await new Promise((resolve) => tcp.close(resolve));
    // Protocol 0, six bytes follow, unit 9, function 4, from register 0, one of them.
    expect(questions).toEqual(['0000' + '0006' + '09' + '04' + '0000' + '0001']);
  });
});

describe('alarms', () => {
  it('of a station whose pump has failed ring at the panel, are written when they begin, and with their length when they are over', async () => {
    await begin();
    const kept = keep(map('modbus'));
    const fault = panel.faults.find((f) => /^M1-/.test(f.id))!;
    for (const f of panel.faults.filter((x) => /^M\d-/.test(x.id) && x.id.slice(2) === fault.id.slice(2)))
      panel.fault(f.id);
    await pass(kept, 12 * HOUR);
    expect(told.map((t) => t.ringing)).toEqual([true]);
    const [began] = listPages(db, saved.id, { kind: 'alarm' });
    expect(began).toMatchObject({ by: 'the panel', correctedBy: null, page: { kind: 'alarm', minutes: null } });
    for (const f of panel.faults.filter((x) => /^M\d-/.test(x.id))) panel.mend(f.id);
    await pass(kept, 12 * HOUR);
    const pages = listPages(db, saved.id, { kind: 'alarm' });
    const over = pages.find((p) => p.corrects === began!.id)!;
    expect(over.at).toBe(began!.at);
    expect(over.page?.kind === 'alarm' && over.page.minutes! > 30).toBe(true);
  });
});

describe('the reader', () => {
  /** Lines that answer what they are told to. */
  const lines = () => {
    const asked: string[] = [];
    let answer: Answer = { ok: true, raw: '1', values: { level: { ok: true, value: 0.4 } } };
    return {
      asked,
      answers: (a: Answer) => void (answer = a),
      link: (feed: Feed): Link => ({
        ask: () => (asked.push(feed.protocol === 'modbus' ? feed.host : ''), Promise.resolve(answer)),
        close: () => asked.push('closed'),
      }),
    };
  };
  const modbus = (more: object = {}) => ({ ...mapOf(1, 'modbus', 'a', 502), every: 10, ...more }) as Feed;
  const settle = () => new Promise((resolve) => setImmediate(resolve));

  it('asks as often as it was agreed, and less and less often while nothing answers', async () => {
    await begin();
    const { asked, answers, link: fake } = lines();
    keep(modbus());
    const r = reader(db, () => undefined, fake);
    const minutes = async (from: number, n: number) => {
      for (let t = from; t < from + n * MINUTE; t += 1000) {
        r.tick(t);
        await settle();
      }
      return asked.splice(0).length;
    };
    expect(await minutes(AT, 1)).toBe(6);
    answers({ ok: false, why: 'no answer within 4 s' });
    const failing = await minutes(AT + MINUTE, 10);
    expect(failing).toBeGreaterThanOrEqual(5);
    expect(failing).toBeLessThanOrEqual(7);
    expect(feedNow(db, saved.id)!.failures).toBe(failing);
    r.close();
  });

  it('takes up what was kept anew, leaves what was turned off, and never asks what only sends', async () => {
    await begin();
    const { asked, link: fake } = lines();
    keep(modbus());
    const r = reader(db, () => undefined, fake);
    r.tick(AT);
    await settle();
    keep(modbus({ host: 'b' }));
    r.tick(AT + 20_000);
    await settle();
    expect(asked.splice(0)).toEqual(['a', 'closed', 'b']);
    keep(modbus({ host: 'b', on: false }));
    r.tick(AT + 60_000);
    await settle();
    expect(asked.splice(0)).toEqual(['closed']);
    keep({ protocol: 'sends', on: true, every: 10, keepEvery: 60, points: [] });
    r.tick(AT + 90_000);
    await settle();
    expect(asked).toEqual([]);
    r.close();
  });

  it('says what cannot be taken in, and goes on', async () => {
    await begin();
    const { answers, link: fake } = lines();
    const failed: string[] = [];
    keep(modbus());
    const r = reader(db, (why) => failed.push(why), fake);
    answers({ ok: true, raw: '1', values: { 'starts-1': { ok: true, value: Infinity } } });
    db.exec("CREATE TRIGGER full BEFORE INSERT ON feed_raw BEGIN SELECT RAISE(ABORT, 'the disk is full'); END");
    r.tick(AT);
    await settle();
    expect(failed.join()).toMatch(/the disk is full/);
    db.exec('DROP TRIGGER full');
    answers({ ok: true, raw: '1', values: { 'starts-1': { ok: true, value: 3 } } });
    r.tick(AT + 30_000);
    await settle();
    expect(readingsOf(db, saved.id)['starts-1']!.map((x) => x.value)).toEqual([3]);
    r.close();
  });
});
