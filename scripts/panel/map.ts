import type { Feed, Register } from '@/core/feeds';
import type { Said } from './doors';

/** Bytes of registers that the stand-in panel has. */
export const SIZE = 256;
const at = (register: number) => register * 2;
const ofPump = (i: number) => 10 + 4 * i;

/** Where a stand-in panel keeps what, as it would stand in its handbook. */
export function mapOf(pumps: number, protocol: 'modbus' | 'http', host: string, port: number): Feed {
  const usual = { on: true, every: 2, keepEvery: 60 };
  const each = Array.from({ length: pumps }, (_, i) => i);
  if (protocol === 'http') {
    const place = (signal: string, where: string) => ({ signal, at: where, scale: 1 });
    const points = [
      place('level', '/level'),
      place('alarm', '/alarm'),
      place('clock', '/clock'),
      place('energy', '/kWh'),
      ...each.flatMap((i) =>
        ['running', 'hours', 'starts'].map((what) => place(`${what}-${i + 1}`, `/pumps/${i}/${what}`)),
      ),
    ];
    return { protocol, url: `http://${host}:${port}/panel.json`, format: 'json', ...usual, points };
  }
  const register = (signal: string, address: number, more: Partial<Register> = {}): Register => ({
    signal,
    table: 'input',
    address,
    form: 'u16',
    swapped: false,
    bit: null,
    scale: 1,
    ...more,
  });
  const points = [
    register('level', 0, { scale: 0.001 }),
    ...each.map((i) => register(`running-${i + 1}`, 1, { bit: i })),
    register('alarm', 2, { bit: 0 }),
    register('clock', 4, { form: 'u32' }),
    register('energy', 6, { form: 'u32', scale: 0.1 }),
    ...each.flatMap((i) => [
      register(`hours-${i + 1}`, ofPump(i), { form: 'u32', scale: 0.1 }),
      register(`starts-${i + 1}`, ofPump(i) + 2, { form: 'u32' }),
    ]),
  ];
  return { protocol, host, port, unit: 1, ...usual, points };
}

/** Writes what the panel says where its handbook says that it stands. */
export function writeRegisters(registers: Buffer, said: Said): void {
  registers.writeUInt16BE(Math.min(Math.max(Math.round(said.level * 1000), 0), 65_535), at(0));
  registers.writeUInt16BE(
    said.pumps.reduce((bits, p, i) => bits | (p.running ? 1 << i : 0), 0),
    at(1),
  );
  registers.writeUInt16BE(said.alarm ? 1 : 0, at(2));
  registers.writeUInt32BE(Math.round(Date.parse(said.clock) / 1000), at(4));
  registers.writeUInt32BE(Math.round(said.kWh * 10), at(6));
  for (const [i, p] of said.pumps.entries()) {
    registers.writeUInt32BE(Math.round(p.hours * 10), at(ofPump(i)));
    registers.writeUInt32BE(p.starts, at(ofPump(i) + 2));
  }
}
