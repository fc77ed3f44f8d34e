import { traitsOf } from '../duties';
import type { LevelContext } from '../levels';
import type { Station } from '../station';
import { phrase, quantity, type Phrase } from '../units';
import { seen } from './expect';
import type { Step } from './step';

/** A test of one part: what is done, what is seen then, and when everything is put back. */
interface PartTest {
  readonly id: string;
  readonly title: string;
  readonly done: Phrase;
  readonly then: Phrase;
  readonly after: Phrase;
  readonly caution: string;
}

const STILL = 'Isolated, locked and proved dead while a core is changed; covers back on before it is switched on.';

/** Every part that this station carries, with its test. */
function tests(station: Station): PartTest[] {
  const { parts } = station.control;
  const { mover } = traitsOf(station);
  const found: (PartTest | null)[] = [
    parts.sealProbe === 'none'
      ? null
      : {
          id: 'seal',
          title: 'Seal probe',
          done: phrase`Isolate. Bridge the two cores of the seal probe at their terminals. Switch on and call the pump.`,
          then:
            parts.sealProbe === 'stop'
              ? phrase`the alarm acts, and that pump does not start`
              : phrase`the alarm acts, and that pump starts`,
          after: phrase`with the bridge out the alarm clears, and the pump runs`,
          caution: STILL,
        },
    parts.motorThermal === 'none'
      ? null
      : {
          id: 'thermal',
          title: 'Thermal contact of the motor',
          done: phrase`Isolate. Take one core of the thermal contact off its terminal. Switch on and call the pump.`,
          then: phrase`that pump does not start`,
          after:
            parts.motorThermal === 'latches'
              ? phrase`with the core back it starts when its reset is pressed, and not before`
              : phrase`with the core back it starts by itself`,
          caution: STILL,
        },
    parts.phaseMonitor
      ? {
          id: 'phases',
          title: 'Phase monitor',
          done: phrase`Isolate at the board. Change two of the lines of the feeder at the panel. Switch on and call the pump.`,
          then: phrase`no pump starts`,
          after: phrase`with the lines back they start`,
          caution: 'Isolate at the board, lock, prove dead before the feeder is touched, each time.',
        }
      : null,
    parts.stagger === null
      ? null
      : {
          id: 'stagger',
          title: 'Waiting after a power cut',
          done: phrase`With the pumps called, open the feeder at the board and close it again, watch in hand.`,
          then: phrase`the first pump starts after ${quantity('time', parts.stagger)}, each further one so much later`,
          after: phrase`later calls start at once`,
          caution: 'Pumps start by themselves: nobody at the pit.',
        },
    parts.generator === 'none'
      ? null
      : {
          id: 'transfer',
          title: 'Transfer to the generator',
          done: phrase`Switch to the middle, then to the running generator, and back.`,
          then: phrase`nothing runs in the middle; on the generator all runs as on the supply, and the feeder is dead at the board’s side`,
          after: phrase`back on the supply all runs, and the generator’s cable is dead`,
          caution: 'Measure the side that should be dead, each time: a back-fed feeder kills whoever works on it.',
        },
    mover.kind !== 'valve'
      ? null
      : {
          id: 'valve',
          title: 'The valve without power',
          done: phrase`While it fills, open the feeder at the board.`,
          then:
            mover.valve.rests === 'closed'
              ? phrase`it shuts: no water comes`
              : phrase`it stays open: the water must be shut off by hand`,
          after: phrase`with the power back it does as the float says`,
          caution: 'Know where the water is shut off by hand before you begin.',
        },
  ];
  return found.filter((t) => t !== null);
}

/** The parts that a panel carries beside its scheme, tried one by one. Nothing where it carries none. */
export const carriedParts = ({ station }: LevelContext): Step[] =>
  tests(station).map(({ id, title, done, then, after, caution }) => ({
    id: `part-${id}`,
    phase: 'alarm',
    title,
    actions: [done],
    cautions: [caution],
    expects: [seen('then', 'what happens', then), seen('after', 'put back', after)],
    about: ['pump'],
  }));
