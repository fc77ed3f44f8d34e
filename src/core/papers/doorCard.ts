import { traitsOf, type Direction } from '../duties';
import { markWords, type Judgement, type Reserve, markActs } from '../levels';
import type { MarkName } from '../sensors';
import { phrase, quantity, sayPhrase, say, type Phrase, type UnitSystem } from '../units';

export interface DoorCard {
  readonly title: string;
  readonly site: string;
  readonly revision: string;
  readonly date: string;
  readonly facts: readonly { readonly label: string; readonly value: string }[];
  readonly levels: readonly {
    readonly name: string;
    readonly rimDown: string;
    readonly floorUp: string;
    readonly what: string;
  }[];
  readonly alarm: readonly string[];
  readonly contact: string;
  /** Which of the figures it rests on nobody measured. */
  readonly rests: string;
  readonly cautions: readonly string[];
}

/** How long there is after the alarm: by the inflow; of a tank that is filled, by its filling where nobody draws. */
const untilItRunsOver = ({ volume, design, peak }: Reserve, direction: Direction): Phrase =>
  volume === 0
    ? phrase`It runs over before the alarm rings.`
    : direction === 'fill'
      ? phrase`With its filling stuck open it runs over ${quantity('duration', design)} after the alarm; later where water is drawn.`
      : phrase`From the first alarm to the overflow there are ${quantity('duration', design)} at the usual inflow, ${quantity('duration', peak)} at the most.`;

/**
 * The page for the inside of the lid or panel: what is set, what the alarm means, whom to call.
 * @param revision of the document that the card is true of
 * @param date on which it is printed, as it should stand there
 * @param rests what is known of the figures it rests on (`restingSentence`)
 */
export function doorCard(
  { context, cycles, reserve }: Judgement,
  revision: number,
  date: string,
  system: UnitSystem,
  rests: string,
): DoorCard {
  const { station, marks, alarm, vessel, atLead, drawdown } = context;
  const { duty, pumps } = station;
  const pump = pumps[0]!;
  const height = (level: number) => say(quantity('height', level), system);
  const { design } = cycles;
  const answers =
    [station.alarm.horn ? 'horn' : '', station.alarm.lamp ? 'lamp' : ''].filter(Boolean).join(' and ') || 'alarm';
  const { mover, direction, words } = traitsOf(station);
  const valve = mover.kind === 'valve';
  const what = (name: MarkName) =>
    name === 'alarm'
      ? `${answers}${alarm ? `; clears at ${height(alarm.fall)} floor up` : ''}`
      : markActs(name, station);
  return {
    title: station.identity.name,
    site: station.identity.site,
    revision: `revision ${revision}`,
    date,
    facts: [
      {
        label: valve ? 'filled through' : 'pump',
        value: valve ? 'a valve' : pumps.length > 1 ? `${pumps.length} × ${pump.name}` : pump.name,
      },
      ...(valve
        ? []
        : [
            {
              label: 'nameplate',
              value: `${say(quantity('current', pump.ratedCurrent), system)} at ${say(quantity('voltage', station.supply.voltage), system)} ${station.supply.frequency} Hz`,
            },
          ]),
      {
        label: 'operating point at start',
        value: atLead.ok
          ? valve
            ? say(quantity('flow', atLead.flow), system)
            : `${say(quantity('flow', atLead.flow), system)} at ${say(quantity('head', atLead.head), system)}`
          : 'not known',
      },
      { label: 'moves each run', value: say(quantity('volume', drawdown), system) },
      {
        label: words.runOnCard,
        value: design.ok && design.keepsUp ? say(quantity('time', design.run), system) : 'without a stop',
      },
      ...(valve ? [] : [{ label: 'at most', value: `${Number(pump.startsPerHour.toFixed(1))} starts an hour` }]),
    ],
    levels: [...marks].reverse().map(({ name, level }) => ({
      name: markWords(name, duty),
      rimDown: height(vessel.depth - level),
      floorUp: height(level),
      what: what(name),
    })),
    alarm: alarm
      ? [
          `The alarm means: ${words.alarmMeans}.`,
          ...(reserve ? [sayPhrase(untilItRunsOver(reserve, direction), system)] : []),
          `${words.whenAlarm} Silence stops the horn; the lamp stays until the water is down.`,
        ]
      : ['No alarm is fitted: nobody is told before the overflow. Look at the pit often.'],
    rests,
    contact: station.identity.contact || 'no number is set',
    cautions: [
      'Two supplies may meet here: isolate and lock both, prove dead, before anything is touched.',
      words.keepOut,
      'Electrical work by licensed people, to the local code.',
    ],
  };
}
