import type { Register, Values } from './feed';
import { scaled, widthOf, type NumberForm, type Table } from './forms';

/** Registers, or bits, that are asked for at once. */
export interface Block {
  readonly table: Table;
  readonly from: number;
  readonly count: number;
}

/** Most that one question may ask for (Modbus Application Protocol 1.1b3, sections 6.1 to 6.4). */
const MOST: Readonly<Record<Table, number>> = { holding: 125, input: 125, coil: 2000, discrete: 2000 };
/** So many registers that nobody wants are asked for along with the rest sooner than a second question is put. */
const GAP = 8;

const bits = (table: Table): boolean => table === 'coil' || table === 'discrete';
const width = ({ table, form }: Pick<Register, 'table' | 'form'>): number => (bits(table) ? 1 : widthOf(form));

/**
 * The fewest questions by which registers can be read.
 * @example
 * const at = (address) => ({ signal: 'level', table: 'input', address, form: 'u16', swapped: false, bit: null, scale: 1 });
 * blocksOf([at(4), at(0), at(300)]).map((b) => [b.from, b.count]) // → [[0, 5], [300, 1]]
 */
export function blocksOf(points: readonly Register[]): Block[] {
  const blocks: { table: Table; from: number; count: number }[] = [];
  const sorted = [...points].sort((a, b) => a.table.localeCompare(b.table) || a.address - b.address);
  for (const p of sorted) {
    const last = blocks.at(-1);
    const end = p.address + width(p);
    if (last?.table === p.table && p.address <= last.from + last.count + GAP && end - last.from <= MOST[p.table])
      last.count = Math.max(last.count, end - last.from);
    else blocks.push({ table: p.table, from: p.address, count: width(p) });
  }
  return blocks;
}

/** A number of one register or two, the first the higher unless they are `swapped`. */
export function numberOf(words: readonly number[], form: NumberForm, swapped: boolean): number {
  const view = new DataView(new ArrayBuffer(4));
  const [high = 0, low = 0] = swapped ? [...words].reverse() : words;
  if (widthOf(form) === 1) {
    view.setUint16(0, words[0] ?? 0);
    return form === 'u16' ? view.getUint16(0) : view.getInt16(0);
  }
  view.setUint16(0, high);
  view.setUint16(2, low);
  return form === 'u32' ? view.getUint32(0) : form === 's32' ? view.getInt32(0) : view.getFloat32(0);
}

/** What was read in answer to each block: words of 16 bits, or bits. */
export interface BlockRead extends Block {
  readonly words: readonly number[];
}

/** The figures that stand in what was read. */
export function valuesOfRegisters(points: readonly Register[], read: readonly BlockRead[]): Values {
  return Object.fromEntries(
    points.map((p) => {
      const end = p.address + width(p);
      const block = read.find((b) => b.table === p.table && b.from <= p.address && end <= b.from + b.count);
      const words = block?.words.slice(p.address - block.from, end - block.from) ?? [];
      if (words.length < width(p)) return [p.signal, { ok: false as const, why: 'the panel has left it out' }];
      const number = bits(p.table) ? words[0]! : numberOf(words, p.form, p.swapped);
      const value = p.bit === null ? scaled(number, p.scale) : (number >> p.bit) & 1;
      return [
        p.signal,
        Number.isFinite(value) ? { ok: true as const, value } : { ok: false as const, why: 'it is no number' },
      ];
    }),
  );
}
