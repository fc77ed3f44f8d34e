import { dependence } from '@/core/dependence';
import { judge } from '@/core/levels';
import { AIMS, propose, type Aim } from '@/core/proposals';
import type { Station } from '@/core/station';
import { sayPhrase, systemOf, type UnitSystem } from '@/core/units';
import { askedOf } from '@/core/wiring';
import { Complaint, readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';

function aimFrom(text: string | undefined): Aim | undefined {
  const aim = AIMS.find((a) => a === text);
  if (text !== undefined && !aim) throw new Complaint([`--propose: “${text}” is not one of ${AIMS.join(', ')}`]);
  return aim;
}

/** A proposal with its sentences said; a remedy as the whole document that it makes. */
function proposalOf(station: Station, aim: Aim, system: UnitSystem): unknown {
  const [proposal] = propose(station, [aim]);
  if (!proposal!.ok)
    return {
      ...proposal,
      remedies: proposal!.remedies.map((r) => ({ sentence: sayPhrase(r.sentence, system), station: r.station })),
    };
  return { ...proposal, moves: proposal!.moves.map((m) => ({ ...m, sentence: sayPhrase(m.sentence, system) })) };
}

export const levels: Verb = {
  usage: `pitbell levels STATION.json [--units metric|us] [--propose ${AIMS.join('|')}]`,
  about:
    'Trips, operating points, cycles at each inflow, starts at the worst, water to each trip, every rule with needs, has and slack, the tape list, and which figures nobody measured that matter most. --propose adds levels proposed for an aim. Numbers in SI; sentences in the units asked for.',
  options: { units: { type: 'string' }, propose: { type: 'string' } },
  run([file], { units, propose: wanted }) {
    const aim = aimFrom(wanted);
    const station = readStation(file!, unitsFrom(units));
    const system = unitsFrom(units) ?? systemOf(station.profile);
    const { context, operatingPoints, cycles, worst, reserve, raise, rules, tape } = judge(
      station,
      undefined,
      askedOf(station),
    );
    return {
      trips: context.sensors.map(({ sensor, order, rise, fall }) => ({
        sensor: sensor.id,
        role: sensor.role,
        order,
        rise,
        fall,
        differential: rise - fall,
        contact: sensor.contact,
      })),
      operatingPoints,
      cycles,
      worst,
      reserve,
      raise,
      rules: rules.map(({ id, title, severity, state, needs, has, slack, why }) => ({
        id,
        title,
        severity,
        state,
        needs,
        has,
        slack,
        why: sayPhrase(why, system),
      })),
      tape,
      surveyed: dependence(station),
      ...(aim && { proposal: proposalOf(station, aim, system) }),
    };
  },
};
