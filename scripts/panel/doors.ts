import { createServer as createHttp } from 'node:http';
import { createServer as createTcp, type AddressInfo, type Server, type Socket } from 'node:net';
import { server as modbus } from 'jsmodbus';

/** Ways in which a panel itself, not its station, can misbehave. */
export const WAYS = ['stall', 'lie', 'jump', 'restart', 'clock', 'break'] as const;
export type Way = (typeof WAYS)[number];

/** What a panel says at a moment. */
export interface Said {
  readonly clock: string;
  /** m */
  readonly level: number;
  readonly alarm: boolean;
  readonly kWh: number;
  readonly pumps: readonly { readonly running: boolean; readonly hours: number; readonly starts: number }[];
}

/** A protocol behind which the panel answers. */
export interface Door {
  readonly port: number;
  misbehave(way: Way | null): void;
  close(): Promise<void>;
}

const listen = (s: Pick<Server, 'listen' | 'once' | 'address'>, port: number, host: string): Promise<number> =>
  new Promise((resolve, reject) => {
    s.once('error', reject);
    s.listen(port, host, () => resolve((s.address() as AddressInfo).port));
  });

/** Answers by Modbus TCP what stands in the registers. */
export async function modbusDoor(registers: Buffer, port: number, host: string): Promise<Door> {
  const sockets = new Set<Socket>();
  let way: Way | null = null;
  const tcp = createTcp();
  new modbus.TCP(tcp, { input: registers, holding: registers, coils: Buffer.alloc(1), discrete: Buffer.alloc(1) });
  const treat = (s: Socket) => {
    if (way === 'stall') s.pause();
    else if (way === 'break') s.destroy();
    else s.resume();
  };
  tcp.on('connection', (s: Socket) => {
    sockets.add(s);
    s.on('close', () => sockets.delete(s));
    s.on('error', () => undefined);
    treat(s);
  });
  return {
    port: await listen(tcp, port, host),
    misbehave(next) {
      way = next;
      for (const s of sockets) {
        if (next === 'restart') s.destroy();
        else treat(s);
      }
    },
    close() {
      for (const s of sockets) s.destroy();
      return new Promise((resolve) => tcp.close(() => resolve()));
    },
  };
}

const csvOf = ({ clock, level, alarm, kWh, pumps }: Said): string => {
  const heads = pumps.flatMap((_, i) => [`p${i + 1}`, `h${i + 1}`, `n${i + 1}`]);
  const cells = pumps.flatMap((p) => [p.running ? 'on' : 'off', p.hours, p.starts]);
  return `time,level,alarm,kWh,${heads.join(',')}\n${clock},${level.toFixed(3)},${alarm ? 'on' : 'off'},${kWh},${cells.join(',')}\n`;
};

/** Serves what the panel says, as JSON and as a table. */
export async function httpDoor(say: () => Said, port: number, host: string): Promise<Door> {
  let way: Way | null = null;
  const http = createHttp((request, response) => {
    if (way === 'stall') return;
    if (way === 'break') return void request.socket.destroy();
    if (request.url === '/panel.csv') {
      response.setHeader('content-type', 'text/csv');
      return void response.end(csvOf(say()));
    }
    response.setHeader('content-type', 'application/json');
    if (request.url !== '/panel.json') response.statusCode = 404;
    response.end(JSON.stringify(request.url === '/panel.json' ? say() : { there: ['/panel.json', '/panel.csv'] }));
  });
  return {
    port: await listen(http, port, host),
    misbehave: (next) => void (way = next),
    close() {
      http.closeAllConnections();
      return new Promise((resolve) => http.close(() => resolve()));
    },
  };
}
