import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { plantedYear } from '@/core/book';
import { demoStations } from '@/core/demo';
import { listPages, searchBook, writePage } from '@/server/book';
import { addReadings } from '@/server/bookReadings';
import { openDatabase } from '@/server/db';
import { analysisOf, dueEverywhere } from '@/server/due';
import { createStation } from '@/server/stations';

const STATIONS = 200;
const VISITS = 50;
const READINGS = 5000;
const WORDS = ['rags', 'float wiped', 'battery', 'check valve', 'horn', 'impeller', 'grease', 'contactor'];

/** A book of 200 stations, 10,000 visits and 1,000,000 readings: what is due everywhere, one book, one analysis, a search, and 100,000 rows imported. */
export function book(timed: (run: () => unknown) => number) {
  const folder = mkdtempSync(path.join(tmpdir(), 'pitbell-bench-book-'));
  const db = openDatabase(path.join(folder, 'pitbell.sqlite'));
  const { station } = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!;
  const from = Date.now() - 366 * 86_400_000;
  const year = plantedYear(station, 'wear', 3, from);
  const at = new Date(from).toISOString();
  const saved = Array.from({ length: STATIONS }, (_, i) =>
    createStation(db, { ...station, identity: { ...station.identity, name: `Sump ${i}` } }, at),
  );
  /** Readings in so many steps between the visits of the year, straight from one to the next. */
  const readings = Object.entries(year.readings).flatMap(([meter, list]) => {
    const each = Math.floor(READINGS / 5 / list.length);
    return list.slice(1).flatMap((r, i) => {
      const before = list[i]!;
      return Array.from({ length: each }, (_, k) => ({
        meter,
        at: Math.round(before.at + ((r.at - before.at) * (k + 1)) / each),
        value: before.value + ((r.value - before.value) * (k + 1)) / each,
      }));
    });
  });
  db.transaction(() => {
    for (const s of saved) {
      for (let v = 0; v < VISITS; v++)
        writePage(
          db,
          s,
          {
            at: new Date(from + v * 7 * 86_400_000).toISOString(),
            by: 'B. M.',
            page: {
              kind: 'visit',
              why: 'due',
              minutes: 30,
              words: `${WORDS[v % WORDS.length]} seen, ${WORDS[(v * 3) % WORDS.length]} done`,
            },
            readings: [],
            corrects: null,
          },
          at,
        );
      addReadings(db, s, { by: 'B. M.', file: 'log.csv', readings }, at);
    }
  })();
  const one = saved[77]!;
  const began = performance.now();
  analysisOf(db, one);
  const cold = performance.now() - began;
  const rows = Array.from({ length: 100_000 }, (_, i) => ({
    meter: 'level',
    at: from + i * 60_000,
    value: (i % 700) / 1000,
  }));
  const importing = performance.now();
  addReadings(db, one, { by: 'B. M.', file: 'level.csv', readings: rows }, at);
  const importMs = performance.now() - importing;
  const dueing = performance.now();
  dueEverywhere(db, Date.now());
  const dueMs = performance.now() - dueing;
  const answer = {
    readings: db.prepare('SELECT count(*) FROM book_readings').pluck().get(),
    pagesMs: timed(() => listPages(db, one.id)),
    analysisColdMs: Math.round(cold),
    analysisMs: timed(() => analysisOf(db, saved[78]!)),
    dueOf200ColdMs: Math.round(dueMs),
    dueOf200Ms: timed(() => dueEverywhere(db, Date.now())),
    searchMs: timed(() => searchBook(db, 'impel rags')),
    import100000Ms: Math.round(importMs),
  };
  db.close();
  rmSync(folder, { recursive: true });
  return answer;
}
