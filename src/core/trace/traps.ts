import { columnOver } from '../levels';
import { ROLE } from '../sensors';
import type { FaultTest, World } from '../tests';
import { quantity, say, systemOf } from '../units';
import type { Evidence } from './belief';
import type { Lately } from './past';

/** What is known at the moment at which a trap may bite. */
export interface Moment {
  readonly world: World;
  readonly evidence: readonly Evidence[];
  readonly lately: readonly Lately[];
  /** How likely some suspects are together, by what their faults are called. */
  among(faults: RegExp): number;
  /** The test that would be made next. */
  readonly next: FaultTest | null;
}

/** Something that many have been caught by: what it is called, and what is said when it bites here. */
export interface Trap {
  readonly id: string;
  readonly name: string;
  says(moment: Moment): string | null;
}

/** From here on a suspect is worth a warning; and one that every float of a station has, which adds up before anything speaks for it. */
const WORTH = 0.04;
const WORTH_OF_ANY = 0.1;

const shown = ({ evidence }: Moment, symptom: string): boolean =>
  evidence.some((e) => e.kind === 'symptom' && e.symptom === symptom && e.shown);
const among = (m: Moment, faults: RegExp, worth = WORTH): boolean => m.among(faults) >= worth;
const has = ({ world }: Moment, what: (f: string) => boolean): boolean =>
  world.panel?.devices.some((d) => what(d.function)) ?? false;
const makesWater = ({ world }: Moment): boolean => world.panel?.outcomes.some((o) => o.makesWater) ?? false;
/** A resistance between a closed contact and an open one. */
const leaks = ({ evidence }: Moment): boolean =>
  evidence.some(
    (e) =>
      e.kind === 'reading' &&
      e.test.startsWith('contact-') &&
      typeof e.found === 'number' &&
      e.found > 200 &&
      e.found < 5e5,
  );
const dry = (m: Moment) => shown(m, 'dry') || shown(m, 'never-stops') || shown(m, 'no-water');
const openUp = ({ next }: Moment) =>
  next !== null && (next.test.risk === 'pit' || /^(shaft|part-M|capacitor-M)/.test(next.test.id));

function columnTrap(m: Moment): string | null {
  const { world, next } = m;
  if (
    !world.station.discharge.checkValve ||
    (!(next?.test.risk === 'pit') && m.among(/^(check-|blocked|weep|M\d+-(clogged|seized|worn|airlocked))/) < 0.5)
  )
    return null;
  const column = columnOver(world.levels);
  const held = column > 0 ? ` of about ${say(quantity('volume', column), systemOf(world.station.profile))}` : '';
  return `A column of water${held} stands over the check valve: nothing above it is opened before it is drained.`;
}

/** Every trap, each told at the moment at which it bites. */
export const TRAPS: readonly Trap[] = [
  {
    id: 'full-reservoir',
    name: 'a dead appliance that is a full reservoir',
    says: (m) =>
      makesWater(m) && shown(m, 'appliance-dead')
        ? 'No volts at the appliance may be the cut-off doing its work: look into the reservoir before anybody quotes for a new supply.'
        : null,
  },
  {
    id: 'alarm-switch',
    name: 'a pump that lives on its alarm switch',
    says: (m) =>
      shown(m, 'only-at-alarm')
        ? 'A pump that starts only then lives on its alarm switch: nothing stands behind it any more. Look for the switch that should call it; that of the alarm has worn as long.'
        : null,
  },
  {
    id: 'leak-as-resistance',
    name: 'a leak that reads as a resistance',
    says: (m) =>
      leaks(m)
        ? 'Some hundreds or thousands of ohms over an open contact is water in its housing, not a contact: it may let a relay hold and not pull in.'
        : null,
  },
  {
    id: 'neutral',
    name: 'a float on the neutral',
    says: (m) => {
      const which = among(m, /neutral-switched/)
        ? 'The float may sit in the neutral'
        : among(m, /^polarity/)
          ? 'Line and neutral of the feeder may be changed, and a float that breaks the one breaks the other'
          : null;
      return (
        which &&
        `${which}: then the motor is live while it is off. Prove every core dead to earth, not only one to the other.`
      );
    },
  },
  {
    id: 'cut-off',
    name: 'an unconnected or bridged cut-off',
    says: (m) =>
      makesWater(m) && (among(m, /-bridged$/) || shown(m, 'over'))
        ? 'The cut-off may never have been connected, or is bridged: see the appliance stop before you believe in it.'
        : null,
  },
  {
    id: 'link',
    name: 'a link left in or out',
    says: (m) =>
      among(m, /^link-/) ? 'A link may have been left in, or left out: compare the strip with the wire list.' : null,
  },
  {
    id: 'remote-pair',
    name: 'remote alarm on the pair that opens',
    says: (m) =>
      among(m, /-wrong-pair$/)
        ? 'The remote may be on the pair that opens: it would tell the alarm when there is none, and be silent when there is.'
        : null,
  },
  {
    id: 'one-age',
    name: 'both floats of one age',
    says: (m) =>
      m.world.levels.sensors.length > 1 && m.among(/-(waterlogged|leaking|welded|cord-cut)(-size-\d)?$/) > 0.5
        ? 'The floats are of one age, as far as nobody has written otherwise: where one has filled, leaked or welded the next is due. Change both.'
        : null,
  },
  {
    id: 'hot-pump',
    name: 'a hot pump just pumped dry',
    says: (m) =>
      dry(m) && openUp(m)
        ? 'It ran dry or against a shut line: the pump is hot. Let it stand before a hand goes near.'
        : null,
  },
  {
    id: 'resting-float',
    name: 'a float resting on something as the water falls',
    says: (m) =>
      among(m, /-(stuck-up|tangled)$/, WORTH_OF_ANY) &&
      m.world.levels.sensors.some((s) => ROLE[s.sensor.role].calls !== undefined)
        ? 'A float may come to rest on the pump, a pipe or a ledge as the water falls: work it by hand through its whole travel.'
        : null,
  },
  {
    id: 'crept',
    name: 'a clamp that crept',
    says: (m) =>
      among(m, /-slipped(-size-\d)?$/, WORTH_OF_ANY)
        ? 'A clamp may have crept down its pole: tape before meter.'
        : null,
  },
  {
    id: 'vent',
    name: 'a vent iced over',
    says: (m) =>
      (m.lately.includes('frost') && (among(m, /blocked|breather|tube-leak|airlocked/) || shown(m, 'longer'))) ||
      among(m, /-breather$/)
        ? 'A vent, breather or equaliser may be iced or blocked: clear it before anything is measured.'
        : null,
  },
  {
    id: 'selector',
    name: 'a selector left in Hand or Off',
    says: (m) =>
      has(m, (f) => f === 'selector') && among(m, /-(hand|left-off)$/)
        ? 'A selector may have been left in Hand or Off: look at every one before a meter comes out.'
        : null,
  },
  {
    id: 'fan',
    name: 'a supply that cycles with a fan',
    says: (m) =>
      makesWater(m) && among(m, /^W\d*-(cut|low)/)
        ? 'Its supply may be one that cycles with the fan: measure it with the appliance on, and off.'
        : null,
  },
  { id: 'column', name: 'a column of water above the check valve', says: columnTrap },
];

export interface Bite {
  readonly id: string;
  readonly name: string;
  readonly says: string;
}

/** The traps that bite now. */
export const bites = (moment: Moment): Bite[] =>
  TRAPS.flatMap(({ id, name, says }) => {
    const words = says(moment);
    return words === null ? [] : [{ id, name, says: words }];
  });
