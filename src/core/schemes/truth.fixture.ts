import { expect } from 'vitest';
import type { Settled } from '../circuit';
import type { Sensor, SensorRole } from '../sensors';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { outcomesOf, solveWith, wire, type Inputs } from '../wiring';
import { panelOf } from '.';

/*
 * Panels put into every posture and held against what they must do, written down from their descriptions.
 */

export type Change = (s: Station) => Partial<Station>;

export const float = (role: SensorRole, more: Partial<Sensor> = {}): Sensor =>
  ({ ...newStation('a', 'b', 'metric-230').sensors[1]!, id: role, role, ...more }) as Sensor;

export function station(
  scheme: string,
  roles: readonly SensorRole[],
  change: Change = () => ({}),
  profile: Station['profile'] = 'metric-230',
): Station {
  const s = newStation('a', 'b', profile);
  const sensors = roles.map((r) => (r === 'pump' ? s.sensors[0]! : float(r)));
  const made: Station = { ...s, sensors, control: { ...s.control, scheme } };
  return { ...made, ...change(made) };
}

/** A panel that can be put into postures, each from the states the last one left. */
export function standing(s: Station) {
  const made = panelOf(s);
  if (!made.ok) throw new Error(made.reasons.map((r) => sayPhrase(r, 'metric')).join('; '));
  const wired = wire(s, made.panel);
  let states = solveWith(wired, {}).states;
  const put = (posture: Inputs): Settled => {
    const settled = solveWith(wired, posture, states);
    expect(settled.chatter).toEqual([]);
    states = settled.states;
    return settled;
  };
  return {
    panel: made.panel,
    put: (posture: Inputs) => outcomesOf(wired, put(posture)),
    states: () => states,
    /** From rest, whatever came before. */
    fresh: (posture: Inputs) => outcomesOf(wired, solveWith(wired, posture)),
    time: (device: string, to: string) => {
      states = { ...states, [device]: to };
      return outcomesOf(wired, put({}));
    },
  };
}

/** Every combination of positions. */
export function* postures(choices: Readonly<Record<string, readonly string[]>>): Generator<Record<string, string>> {
  const [first, ...rest] = Object.entries(choices);
  if (!first) return yield {};
  for (const state of first[1])
    for (const other of postures(Object.fromEntries(rest))) yield { [first[0]]: state, ...other };
}

export const FLOAT = ['down', 'up'] as const;
export const up = (p: Record<string, string>, role: string) => p[`S-${role}`] === 'up';

/** Holds a panel against what it must do in every posture, from rest. */
export function table(
  s: Station,
  choices: Readonly<Record<string, readonly string[]>>,
  must: (p: Record<string, string>) => Record<string, boolean>,
): number {
  const p = standing(s);
  let rows = 0;
  for (const posture of postures(choices)) {
    const want = must(posture);
    expect({ posture, does: Object.fromEntries(Object.entries(p.fresh(posture)).filter(([k]) => k in want)) }).toEqual({
      posture,
      does: want,
    });
    rows++;
  }
  return rows;
}
