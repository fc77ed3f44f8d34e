import { expose } from 'comlink';
import Papa from 'papaparse';
import { guessMapping, readTable, type Mapping, type RowRead, type TableRead } from '@/core/book';

/** What is shown of a table before it is taken. */
export interface Opened {
  readonly head: readonly string[];
  /** The first of its rows. */
  readonly first: readonly string[];
  readonly rows: number;
  readonly mapping: Mapping;
}

/** What was made of a table: how many readings, or every row that cannot be read. */
export type Understood =
  { readonly ok: true; readonly readings: number; readonly double: number } | Exclude<TableRead, { ok: true }>;

let table: readonly (readonly string[])[] = [];
let read: readonly RowRead[] = [];

const api = {
  /** Opens a file; null where no column says when. */
  async open(file: File): Promise<Opened | null> {
    const { data } = Papa.parse<string[]>((await file.text()).replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
    const [head = [], ...rows] = data;
    const mapping = guessMapping(head, rows);
    table = rows;
    read = [];
    return mapping && { head, first: rows[0] ?? [], rows: rows.length, mapping };
  },
  understand(mapping: Mapping, now: number, offset: number): Understood {
    const answer = readTable(table, mapping, now, offset);
    if (!answer.ok) {
      read = [];
      return answer;
    }
    read = answer.rows;
    return { ok: true, readings: read.length, double: answer.double };
  },
  /** Some of the readings as they are sent. */
  part(from: number, count: number): string {
    const some = read.slice(from, from + count);
    const meters = [...new Set(some.map((r) => r.meter))];
    const places = new Map(meters.map((m, i) => [m, i]));
    return JSON.stringify({ meters, rows: some.map((r) => [places.get(r.meter)!, r.at, r.value]) });
  },
};

export type ReadingsApi = typeof api;

expose(api);
