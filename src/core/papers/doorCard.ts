import type { Judgement } from '../levels';
import { phrase, quantity, sayPhrase, say, type UnitSystem } from '../units';

export interface DoorCard {
  readonly title: string;
  readonly site: string;
  readonly revision: string;
  readonly date: string;
  readonly facts: readonly { readonly label: string; readonly value: string }[];
  readonly levels: readonly { readonly name: string; readonly rimDown: string; readonly floorUp: string; readonly what: string }[];
  readonly bell: readonly string[];
  readonly contact: string;
  readonly cautions: readonly string[];
}

/**
 * The page for the inside of the lid or panel: what is set, what the bell means, whom to call.
 * @param revision of the document that the card is true of
 * @param date on which it is printed, as it should stand there
 */
export function doorCard({ context, cycles, reserve }: Judgement, revision: number, date: string, system: UnitSystem): DoorCard {
  const { station, stop, lead, alarm, overflow, vessel, atLead, drawdown } = context;
  const pump = station.pumps[0]!;
  const height = (level: number) => say(quantity('height', level), system);
  const row = (name: string, level: number, what: string) => ({ name, rimDown: height(vessel.depth - level), floorUp: height(level), what });
  const { design } = cycles;
  const answers = [station.alarm.horn ? 'horn' : '', station.alarm.lamp ? 'lamp' : ''].filter(Boolean).join(' and ') || 'alarm';
  return {
    title: station.identity.name,
    site: station.identity.site,
    revision: `revision ${revision}`,
    date,
    facts: [
      { label: 'pump', value: pump.name },
      { label: 'nameplate', value: `${say(quantity('current', pump.ratedCurrent), system)} at ${say(quantity('voltage', station.supply.voltage), system)} ${station.supply.frequency} Hz` },
      { label: 'delivers at start', value: atLead.ok ? `${say(quantity('flow', atLead.flow), system)} at ${say(quantity('head', atLead.head), system)}` : 'not known' },
      { label: 'moves each run', value: say(quantity('volume', drawdown), system) },
      { label: 'runs at design inflow', value: design.ok && design.keepsUp ? say(quantity('time', design.run), system) : 'without a stop' },
      { label: 'at most', value: `${Number(pump.startsPerHour.toFixed(1))} starts an hour` },
    ],
    levels: [
      row('overflow', overflow, 'water leaves where it should not'),
      ...(alarm ? [row('bell', alarm.rise, `${answers}; clears at ${height(alarm.fall)} floor up`)] : []),
      row('start', lead, 'pump starts'),
      row('stop', stop, 'pump stops'),
    ],
    bell:
      alarm && reserve
        ? [
            'The bell means: the water is higher than the pump should ever let it come.',
            sayPhrase(phrase`From the first ring to the overflow there are ${quantity('duration', reserve.design)} at the usual inflow, ${quantity('duration', reserve.peak)} at the most.`, system),
            'Use less water, call, and do not open the pit. Silence stops the horn; the lamp stays until the water is down.',
          ]
        : ['No bell is fitted: nobody is told before the overflow. Look at the pit often.'],
    contact: station.identity.contact || 'no number is set',
    cautions: [
      'Two supplies may meet here: isolate and lock both, prove dead, before anything is touched.',
      'Pits hold gas and deep water. Do not enter. Keep the lid on.',
      'Electrical work by licensed people, to the local code.',
    ],
  };
}
