import { readFileSync, statSync } from 'node:fs';
import Papa from 'papaparse';
import { analyse, FINDING_KINDS, guessMapping, meterName, readTable, surely, type Reading } from '@/core/book';
import { quantity, sayPhrase } from '@/core/units';
import { Complaint, readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';

const LARGEST = 200 * 1024 * 1024;

function readRows(file: string): { head: string[]; rows: string[][] } {
  try {
    if (statSync(file).size > LARGEST) throw new Error(`is larger than ${LARGEST / 1024 / 1024} MB`);
    const { data } = Papa.parse<string[]>(readFileSync(file, 'utf8').replace(/^\uFEFF/, ''), {
      skipEmptyLines: 'greedy',
    });
    const [head = [], ...rows] = data;
    return { head, rows };
  } catch (error) {
    throw new Complaint([`${file}: cannot be read: ${(error as Error).message}`]);
  }
}

/** What a readings file means for a station. */
export const book: Verb = {
  usage: 'pitbell book STATION.json READINGS.csv [--units metric|us]',
  about:
    'What hour meters, start counters and rain mean: flows between readings, findings, what was not asked and why.',
  options: { units: { type: 'string' } },
  files: 2,
  run([file, table], { units }) {
    const system = unitsFrom(units);
    const station = readStation(file!, system);
    const { head, rows } = readRows(table!);
    const mapping = guessMapping(head, rows);
    if (!mapping || (!mapping.long && Object.keys(mapping.meters).length === 0))
      throw new Complaint([
        `${table}: row 1: no column says when (time, date), or none is a meter (hours-1, starts-1, rain …)`,
      ]);
    const read = readTable(rows, mapping, Date.now());
    if (!read.ok)
      throw new Complaint([
        ...read.problems.map((p) => `${table}: row ${p.row}: ${p.why}`),
        ...(read.more > 0 ? [`${table}: and ${read.more} rows more`] : []),
      ]);
    const readings: Record<string, Reading[]> = {};
    for (const [i, { meter, at, value }] of read.rows.entries())
      (readings[meter] ??= []).push({ id: i + 1, at, value });
    const { spans, findings, asked, notAsked, doubts } = analyse({ station, readings, alarms: [] });
    const iso = (ms: number) => new Date(ms).toISOString();
    const said = system ?? (station.profile === 'us-120' ? 'us' : 'metric');
    return {
      read: { rows: read.rows.length, twice: read.double, dates: mapping.dates, comma: mapping.comma },
      spans: spans.map((s) => ({
        from: iso(s.from),
        to: iso(s.to),
        starts: s.starts,
        run: s.run.map((t) => quantity('time', t)),
        inflow: s.flows && { ...quantity('flow', s.flows.inflow.value), by: s.flows.inflow.by },
        pumps: s.flows?.pumps.map((p) => p && { ...quantity('flow', p.value), by: p.by }) ?? null,
      })),
      findings: findings.map((f) => ({
        kind: f.kind,
        title: FINDING_KINDS[f.kind],
        pump: f.pump === null ? null : f.pump + 1,
        surely: surely(f.chance),
        since: f.since === null ? null : iso(f.since),
        says: sayPhrase(f.sentence, said),
        next: sayPhrase(f.next, said),
      })),
      asked: asked.map((k) => FINDING_KINDS[k]),
      notAsked: notAsked.map((n) => ({
        what: n.kinds.map((k) => FINDING_KINDS[k]).join('; '),
        why: sayPhrase(n.why, said),
      })),
      doubts: doubts.map(({ meter, doubt }) => ({
        meter: meterName(meter),
        at: iso(doubt.reading.at),
        value: doubt.reading.value,
        why: doubt.why,
      })),
    };
  },
};
