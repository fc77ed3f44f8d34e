import { httpDoor, modbusDoor, type Door, type Said, type Way } from './doors';
import { SIZE, writeRegisters } from './map';
import { live, readyScenarios, type Live, type LiveMoment } from '@/core/rehearsal';
import type { Station } from '@/core/station';

export interface StandInHow {
  /** How many seconds pass in one; it slows to one when its clock has reached ours. */
  readonly speed: number;
  /** ms since 1970 at which its clock begins. */
  readonly from: number;
  readonly modbusPort: number;
  readonly httpPort: number;
  readonly host?: string;
  readonly faults?: readonly string[];
  /** What its counters have counted already, by meter. */
  readonly counted?: Readonly<Record<string, number>>;
  /** Told when the alarm begins and ends. */
  alarm?(told: { readonly ringing: boolean; readonly what: string; readonly at: string }): void;
  readonly now?: () => number;
}

export interface StandIn {
  readonly modbusPort: number;
  readonly httpPort: number;
  readonly faults: Live['faults'];
  tick(): Said;
  fault(id: string): boolean;
  mend(id: string): boolean;
  misbehave(way: Way | null): void;
  close(): Promise<void>;
}

/** What the dials of a panel show: what the pumps have done since it was switched on, and what stood on them before. */
function dialsOf(on: Live, counted: Readonly<Record<string, number>>) {
  const before = (meter: string) => counted[meter] ?? 0;
  const fresh = () =>
    on.now().pumps.map((_, i) => ({ hours: -before(`hours-${i + 1}`), starts: -before(`starts-${i + 1}`) }));
  let zero = fresh();
  return {
    /** The panel forgets what it has counted. */
    forget: () => void (zero = on.now().pumps.map((p) => ({ hours: p.runTime / 3600, starts: p.starts }))),
    jump: () => void (zero = zero.map((z) => ({ hours: z.hours - 5000, starts: z.starts - 50_000 }))),
    read: ({ pumps, running }: LiveMoment): Said['pumps'] =>
      pumps.map((p, i) => ({
        running: (running & (1 << i)) !== 0,
        hours: Math.floor((p.runTime / 3600 - zero[i]!.hours) * 10) / 10,
        starts: p.starts - zero[i]!.starts,
      })),
    energy: ({ pumps }: LiveMoment): number =>
      Math.round((pumps.reduce((sum, p) => sum + p.energy, 0) / 3.6e6 + before('energy')) * 10) / 10,
  };
}

const lying = (said: Said): Said => ({
  ...said,
  level: 65.535,
  pumps: said.pumps.map((p) => ({ ...p, hours: 0, starts: 4_294_967_295 })),
});

function begin(station: Station, faults: readonly string[]): Live {
  const ready = readyScenarios(station);
  const scenario = ready.find((s) => s.inflow.kind === 'survey') ?? ready[0]!;
  const on = live(station, { ...scenario, powerCuts: [], operations: [], faults: [] });
  if (!on.ok) throw new Error('this station cannot be rehearsed: its scheme does not fit');
  for (const id of faults) if (!on.fault(id)) throw new Error(`this station has no part that could fail as “${id}”`);
  return on;
}

/** A panel of a station that is rehearsed as time goes by, behind both protocols. @throws Error where the station cannot be rehearsed */
export async function standIn(station: Station, how: StandInHow): Promise<StandIn> {
  const { now = Date.now, host = '127.0.0.1', faults = [], counted = {}, speed } = how;
  const on = begin(station, faults);
  const dials = dialsOf(on, counted);
  const registers = Buffer.alloc(SIZE);
  let [last, clock, way, ringing] = [now(), how.from, null as Way | null, false];
  const say = (): Said => {
    const m = on.now();
    const said = {
      clock: new Date(clock).toISOString(),
      level: m.level,
      alarm: m.alarm,
      kWh: dials.energy(m),
      pumps: dials.read(m),
    };
    return way === 'lie' ? lying(said) : said;
  };
  writeRegisters(registers, say());
  const doors: Door[] = [await modbusDoor(registers, how.modbusPort, host), await httpDoor(say, how.httpPort, host)];
  return {
    modbusPort: doors[0]!.port,
    httpPort: doors[1]!.port,
    faults: on.faults,
    tick() {
      const real = now() - last;
      last += real;
      const step = Math.min(real * speed, Math.max(last - clock, real));
      on.pass(step / 1000);
      if (way !== 'clock') clock += step;
      const said = say();
      writeRegisters(registers, said);
      if (said.alarm !== ringing) how.alarm?.({ ringing: said.alarm, what: 'high water', at: said.clock });
      ringing = said.alarm;
      return said;
    },
    fault: (id) => on.fault(id),
    mend: (id) => on.mend(id),
    misbehave(next) {
      way = next;
      if (next === 'jump') dials.jump();
      if (next === 'restart') dials.forget();
      for (const door of doors) door.misbehave(next);
    },
    close: async () => void (await Promise.all(doors.map((d) => d.close()))),
  };
}
