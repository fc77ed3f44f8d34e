import { Socket } from 'node:net';
import { client as modbus } from 'jsmodbus';
import Papa from 'papaparse';
import {
  blocksOf,
  valuesOfJson,
  valuesOfRegisters,
  valuesOfTable,
  type Block,
  type BlockRead,
  type Feed,
  type HttpFeed,
  type ModbusFeed,
} from '@/core/feeds';
import type { Answer } from './takeIn';

/** A line to one panel; what is asked over it is asked one after the other. */
export interface Link {
  ask(): Promise<Answer>;
  close(): void;
}

/** A panel that has not answered by then does not answer, ms. */
const PATIENCE = 4000;
/** A page of a panel is a few kB, bytes. */
const LARGEST = 256 * 1024;

/** Why a line is not there, by the code it is known by. */
const TROUBLE: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'nothing listens at that address and port',
  ETIMEDOUT: 'nothing answers at that address',
  EHOSTUNREACH: 'there is no way to that address',
  ENETUNREACH: 'there is no way to that network',
  ENOTFOUND: 'no machine has that name',
  EAI_AGAIN: 'no machine has that name',
  ECONNRESET: 'the panel has broken off',
  EPIPE: 'the panel has broken off',
  UND_ERR_SOCKET: 'the panel has broken off',
  UND_ERR_CONNECT_TIMEOUT: 'nothing answers at that address',
};

function whyNot(error: unknown): string {
  const { code, message, cause } = error as { code?: string; message?: string; cause?: { code?: string } };
  return TROUBLE[code ?? ''] ?? TROUBLE[cause?.code ?? ''] ?? message ?? 'it does not answer';
}

const patience = <T>(what: Promise<T>, ms: number): Promise<T> =>
  new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error(`no answer within ${ms / 1000} s`)), ms);
    what.then(resolve, reject).finally(() => clearTimeout(timer));
  });

/** What a panel may answer instead (Modbus Application Protocol 1.1b3, section 7). */
const EXCEPTIONS: Readonly<Record<number, string>> = {
  1: 'the panel does not know that kind of question',
  2: 'the panel has no register at that address',
  3: 'the panel does not give so many registers at once',
  4: 'the panel has failed inside',
  6: 'the panel is busy',
  10: 'there is no way to that unit behind the panel',
  11: 'that unit behind the panel does not answer',
};

/** What the library says went wrong, in words of ours. */
function modbusTrouble(error: unknown): string {
  const { err, response } = error as { err?: string; response?: { body?: { code?: number } } };
  if (err === 'ModbusException') return EXCEPTIONS[response?.body?.code ?? 0] ?? 'the panel refuses';
  if (err === 'Timeout') return `no answer within ${PATIENCE / 1000} s`;
  if (err === 'Offline') return 'the panel has broken off';
  return err === undefined ? whyNot(error) : `the panel answers what cannot be read (${err})`;
}

interface Answered {
  readonly response: { readonly body: { readonly valuesAsArray: readonly number[] | Uint16Array } };
}

/** A line by Modbus TCP, kept open while it works. */
function modbusLink(feed: ModbusFeed): Link {
  let socket: Socket | null = null;
  let line: InstanceType<typeof modbus.TCP> | null = null;
  const blocks = blocksOf(feed.points);
  const close = () => {
    socket?.destroy();
    [socket, line] = [null, null];
  };
  const open = async (): Promise<InstanceType<typeof modbus.TCP>> => {
    if (line && socket && !socket.destroyed && socket.writable) return line;
    close();
    const made = new Socket();
    socket = made;
    // What breaks between two questions is found by the next.
    made.on('error', () => undefined);
    const fresh = new modbus.TCP(made, feed.unit, PATIENCE);
    await patience(
      new Promise<void>((resolve, reject) => {
        made.once('connect', resolve);
        made.once('error', reject);
        made.connect({ host: feed.host, port: feed.port });
      }),
      PATIENCE,
    );
    line = fresh;
    return fresh;
  };
  const read = async (on: InstanceType<typeof modbus.TCP>, { table, from, count }: Block): Promise<BlockRead> => {
    const asked = {
      holding: () => on.readHoldingRegisters(from, count),
      input: () => on.readInputRegisters(from, count),
      coil: () => on.readCoils(from, count),
      discrete: () => on.readDiscreteInputs(from, count),
    }[table]() as unknown as Promise<Answered>;
    const { response } = await patience(asked, PATIENCE + 500);
    return { table, from, count, words: [...response.body.valuesAsArray].slice(0, count) };
  };
  return {
    close,
    async ask() {
      try {
        const on = await open();
        const got: BlockRead[] = [];
        for (const block of blocks) got.push(await read(on, block));
        const raw = JSON.stringify(got.map(({ table, from, words }) => [table, from, ...words]));
        return { ok: true, raw, values: valuesOfRegisters(feed.points, got) };
      } catch (error) {
        close();
        return { ok: false, why: modbusTrouble(error) };
      }
    },
  };
}

async function bodyOf(response: Response): Promise<string> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.byteLength;
    if (size > LARGEST) throw new Error(`the page is larger than ${LARGEST / 1024} kB`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/** A page that a panel serves. It is never followed elsewhere. */
const httpLink = (feed: HttpFeed): Link => ({
  close: () => undefined,
  async ask() {
    try {
      const response = await fetch(feed.url, {
        redirect: 'manual',
        signal: AbortSignal.timeout(PATIENCE),
        headers: { accept: feed.format === 'json' ? 'application/json' : 'text/csv' },
      });
      if (!response.ok) {
        await response.body?.cancel();
        return { ok: false, why: `the panel answers ${response.status || 'that it is elsewhere'}` };
      }
      const raw = await bodyOf(response);
      if (feed.format === 'csv') {
        const { data } = Papa.parse<string[]>(raw.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
        return { ok: true, raw, values: valuesOfTable(data, feed.points) };
      }
      try {
        return { ok: true, raw, values: valuesOfJson(JSON.parse(raw), feed.points) };
      } catch {
        return { ok: false, why: 'what it answers is no JSON' };
      }
    } catch (error) {
      const { name } = error as Error;
      return { ok: false, why: name === 'TimeoutError' ? `no answer within ${PATIENCE / 1000} s` : whyNot(error) };
    }
  },
});

/** The line by which a panel is asked. */
export function linkTo(feed: Feed): Link {
  switch (feed.protocol) {
    case 'modbus':
      return modbusLink(feed);
    case 'http':
      return httpLink(feed);
    case 'sends':
      return {
        close: () => undefined,
        ask: () => Promise.resolve({ ok: false, why: 'it is not asked: it sends its alarms by itself' }),
      };
  }
}
