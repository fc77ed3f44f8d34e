import { relay, sense, coilLimits, worked, type Relay } from './devices';
import type { Tree } from './model';
import { parallel, series, type PanelBuilder } from './panelBuilder';
import type { Control } from './wires';

/*
 * Pumps that take turns: whose turn it is, and what that comes to for each of them. With pump t first the order is t, t + 1, … and round;
 * a pump runs while fewer pumps before it are ready than are called. The first call calls one pump, the next two.
 */

/** A contact for each time that it is asked for. */
export type Contact = () => Tree;

/** The most pumps that a scheme of turns takes. */
const NAMES = ['one', 'two', 'three'] as const;

/** Closed while pump n, from 1, is the first: the alternator's turn, or the toggle that locks one. A relay for each but the last; that leads when none does. */
export function turns(b: PanelBuilder, control: Control, count: number, call: Relay): (n: number) => Tree {
  const { id, hot, back } = control;
  const alternator = relay(b, 'A1', 'whose turn it is', control, {
    function: 'alternator',
    description: count === 2 ? 'alternating relay' : `alternating relay for ${NAMES[count - 1]}`,
    cost: 2,
    sign: 'timer',
    initial: 'rest 1',
    behaviour: (coil) => ({
      kind: 'alternator',
      turns: count,
      senses: sense('volts', control.kind, [coil]),
      ...coilLimits(control),
    }),
  });
  b.rung('the turn passes on when the call ends', id, hot, [call.make(), alternator.coil], back);
  const toggle = worked(
    b,
    'order',
    'S5',
    `toggle, ${count === 2 ? 'three' : 'four'} positions`,
    'who goes first',
    [
      { state: 'one', label: '1 first' },
      { state: 'turns', label: 'take turns' },
      ...NAMES.slice(1, count).map((state, i) => ({ state, label: `${i + 2} first` })),
    ],
    b.station.control.alternates ? 'turns' : 'one',
  );
  const leads = NAMES.slice(0, count - 1).map((name, i) => {
    const n = i + 1;
    const k = relay(b, ['K6C', 'K16C'][i]!, `pump ${n} leads`, control);
    const its = alternator.make([`rest ${n}`, `call ${n}`]);
    b.rung(
      `pump ${n} leads`,
      id,
      hot,
      [parallel(series(toggle('selector', 'turns'), its), toggle('selector', name)), k.coil],
      back,
    );
    return k;
  });
  return (n) => (n < count ? leads[n - 1]!.make() : joined(leads.map((k) => k.break())));
}

const joined = (parts: readonly Tree[]): Tree => (parts.length === 1 ? parts[0]! : series(...parts));

/** Closed while at least so many of two contacts or fewer are; nothing where none need be. */
function atLeast(needed: number, of: readonly Contact[]): Tree[] {
  if (needed <= 0) return [];
  const parts = of.map((contact) => contact());
  return [needed === of.length ? joined(parts) : parallel(...parts)];
}

/**
 * What calls one pump of those that take turns.
 * @param n which, from 1
 * @param calls of one pump, of two, …: as many as there are pumps
 * @param leads closed while a pump is the first
 * @param failing for each pump: closed while it is not ready
 */
export function calledInTurn(
  n: number,
  calls: readonly Contact[],
  leads: (n: number) => Tree,
  failing: readonly Contact[],
): Tree {
  const count = calls.length;
  const wrap = (m: number) => ((m - 1 + count) % count) + 1;
  /** Pumps before this one while pump n − rank is the first. */
  const before = (rank: number) => Array.from({ length: rank }, (_, i) => failing[wrap(n - rank + i) - 1]!);
  const branches = calls.slice(0, -1).map((call, i) => {
    const called = i + 1;
    const ranked = Array.from({ length: count - 1 }, (_, rank) =>
      joined([leads(wrap(n - rank)), ...atLeast(rank - called + 1, before(rank))]),
    );
    // When so many others are not ready it runs whoever is the first.
    return series(call(), parallel(...ranked, ...atLeast(count - called, before(count - 1))));
  });
  return parallel(...branches, calls.at(-1)!());
}
