import type { Feed, NumberForm, Table } from '@/core/feeds';

/** One line of the map as it is typed. */
export interface PointDraft {
  readonly signal: string;
  /** Address of the register, or where it stands on the page. */
  readonly at: string;
  readonly table: Table;
  readonly form: NumberForm;
  readonly swapped: boolean;
  /** '' : all of the register */
  readonly bit: string;
  readonly scale: string;
}

/** How a panel is read, as it is typed. */
export interface FeedDraft {
  readonly protocol: Feed['protocol'];
  readonly host: string;
  readonly port: string;
  readonly unit: string;
  readonly url: string;
  readonly format: 'json' | 'csv';
  readonly every: string;
  readonly keepEvery: string;
  readonly points: readonly PointDraft[];
}

export const emptyPoint = (signal: string): PointDraft => ({
  signal,
  at: '',
  table: 'input',
  form: 'u16',
  swapped: false,
  bit: '',
  scale: '1',
});

const BEGINS: FeedDraft = {
  protocol: 'modbus',
  host: '',
  port: '502',
  unit: '1',
  url: 'http://',
  format: 'json',
  every: '10',
  keepEvery: '60',
  points: [emptyPoint('level')],
};

/** What is typed, begun with how the panel is read now. */
export function draftOf(feed: Feed | null): FeedDraft {
  if (!feed) return BEGINS;
  const usual = { ...BEGINS, every: String(feed.every), keepEvery: String(feed.keepEvery), protocol: feed.protocol };
  switch (feed.protocol) {
    case 'modbus':
      return {
        ...usual,
        host: feed.host,
        port: String(feed.port),
        unit: String(feed.unit),
        points: feed.points.map((p) => ({
          ...p,
          at: String(p.address),
          bit: p.bit === null ? '' : String(p.bit),
          scale: String(p.scale),
        })),
      };
    case 'http':
      return {
        ...usual,
        url: feed.url,
        format: feed.format,
        points: feed.points.map((p) => ({ ...emptyPoint(p.signal), at: p.at, scale: String(p.scale) })),
      };
    case 'sends':
      return usual;
  }
}

/** A figure as it is typed; what is none goes on as it is, to be refused in words. */
const figure = (text: string): number | string => {
  const n = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(n) ? text : n;
};

/** What is typed as it is sent: whoever takes it says what is wrong with it. */
export function feedFrom({ protocol, points, ...d }: FeedDraft, on: boolean): unknown {
  const usual = { protocol, on, every: figure(d.every), keepEvery: figure(d.keepEvery) };
  switch (protocol) {
    case 'modbus':
      return {
        ...usual,
        host: d.host,
        port: figure(d.port),
        unit: figure(d.unit),
        points: points.map((p) => ({
          signal: p.signal,
          table: p.table,
          address: figure(p.at),
          form: p.form,
          swapped: p.swapped,
          bit: p.bit === '' ? null : figure(p.bit),
          scale: figure(p.scale),
        })),
      };
    case 'http':
      return {
        ...usual,
        url: d.url,
        format: d.format,
        points: points.map((p) => ({ signal: p.signal, at: p.at, scale: figure(p.scale) })),
      };
    case 'sends':
      return { ...usual, points: [] };
  }
}
