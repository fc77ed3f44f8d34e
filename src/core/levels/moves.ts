import { facingOf, kindOf, ROLE, type Sensor } from '../sensors';
import { phrase, quantity, type Phrase } from '../units';

/** One thing to do at the pit to come from what hangs there to what is wanted. */
export interface Move {
  readonly sensor: string;
  readonly sentence: Phrase;
  /** How far, m (turns count nothing); what a proposal of fewest changes adds up. */
  readonly by: number;
}

const name = (s: Sensor) => `${ROLE[s.role].word} ${kindOf(s).noun}`;

function heightMove(sensor: Sensor, what: string, by: number): Move {
  return {
    sensor: sensor.id,
    by: Math.abs(by),
    sentence: phrase`${by > 0 ? 'Raise' : 'Lower'} the ${what} of the ${name(sensor)} ${quantity('height', Math.abs(by))}.`,
  };
}

function lengthMove(sensor: Sensor, what: string, by: number): Move {
  return {
    sensor: sensor.id,
    by: Math.abs(by),
    sentence: phrase`${by > 0 ? 'Lengthen' : 'Shorten'} the ${what} of the ${name(sensor)} by ${quantity('height', Math.abs(by))}.`,
  };
}

/** Below a tenth of a millimetre nothing is moved. */
const SAME = 1e-4;

function movesOf(from: Sensor, to: Sensor): Move[] {
  const [before, after] = [kindOf(from).measures(from), kindOf(to).measures(to)];
  const set = after.flatMap((m): Move[] => {
    const by = m.value - (before.find((b) => b.field === m.field)?.value ?? m.value);
    if (Math.abs(by) < SAME) return [];
    return [m.of === 'height' ? heightMove(to, m.label, by) : lengthMove(to, m.label, by)];
  });
  const facing = (s: Sensor) => (kindOf(s).swings(s) ? facingOf(s) : null);
  const [was, is] = [facing(from), facing(to)];
  const turned: Move[] =
    was !== null && is !== null && Math.abs(was - is) > 0.5
      ? [
          {
            sensor: to.id,
            by: 0,
            sentence: phrase`Turn the ${name(to)} from ${quantity('angle', was)} to ${quantity('angle', is)}.`,
          },
        ]
      : [];
  const contact: Move[] =
    from.contact !== to.contact
      ? [
          {
            sensor: to.id,
            by: 0,
            sentence: phrase`Use the contact of the ${name(to)} that ${to.contact === 'closes-on-rise' ? 'closes on rise (NO hanging)' : 'opens on rise (NC hanging)'}.`,
          },
        ]
      : [];
  return [...set, ...turned, ...contact];
}

/** What to do to come from one hanging of floats to another, lowest float of the wanted first: moved, exchanged, taken out, added. */
export function moves(from: readonly Sensor[], to: readonly Sensor[]): Move[] {
  const gone = from
    .filter((f) => !to.some((t) => t.id === f.id))
    .map((f): Move => ({ sensor: f.id, by: 1, sentence: phrase`Take out the ${name(f)}.` }));
  const rest = [...to]
    .sort((a, b) => kindOf(a).setting(a) - kindOf(b).setting(b))
    .flatMap((t): Move[] => {
      const f = from.find((s) => s.id === t.id);
      const hang = phrase`${quantity('height', kindOf(t).setting(t))} above the floor`;
      if (!f) return [{ sensor: t.id, by: 1, sentence: phrase`Hang a ${name(t)} at ${hang}.` }];
      if (f.kind !== t.kind)
        return [
          { sensor: t.id, by: 1, sentence: phrase`Exchange the ${name(f)} for a ${kindOf(t).name}, at ${hang}.` },
        ];
      return movesOf(f, t);
    });
  return [...gone, ...rest];
}
