import { judge } from '@/core/levels';
import { sayPhrase, systemOf } from '@/core/units';
import { readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';

export const levels: Verb = {
  usage: 'pitbell levels STATION.json [--units metric|us]',
  says: 'Trips, operating points, cycles at each inflow, starts at the worst, water to each trip, every rule with needs, has and slack, and the tape list. Numbers in SI; sentences in the units asked for.',
  options: { units: { type: 'string' } },
  run([file], { units }) {
    const station = readStation(file!, unitsFrom(units));
    const system = unitsFrom(units) ?? systemOf(station.profile);
    const { context, operatingPoints, cycles, worst, reserve, raise, rules, tape } = judge(station);
    return {
      trips: context.sensors.map(({ sensor, order, rise, fall }) => ({ sensor: sensor.id, role: sensor.role, order, rise, fall, differential: rise - fall, contact: sensor.contact })),
      operatingPoints,
      cycles,
      worst,
      reserve,
      raise,
      rules: rules.map(({ id, title, severity, state, needs, has, slack, why }) => ({ id, title, severity, state, needs, has, slack, why: sayPhrase(why, system) })),
      tape,
    };
  },
};
