import { tidied, tripsOf } from '../sensing';
import { kindOf, type Trips, type Surrounds, type Sensor } from '../sensors';
import { tapeStep, type UnitSystem } from '../units';

/** A sensor at one setting that a tape can make, and where it then acts. */
export interface Candidate extends Trips {
  readonly sensor: Sensor;
}

/**
 * Every setting of a sensor on the tape's marks, as figures; the sensor itself is made of one only when it is wanted, for there may be a
 * hundred thousand.
 */
export interface Candidates {
  readonly count: number;
  readonly rise: Float64Array;
  readonly fall: Float64Array;
  /** How far each is from where it hangs now, m: what is moved of clip and range together. */
  readonly moved: Float64Array;
  at(index: number): Candidate;
}

/** Marks of the tape from `from` to `to`, m. */
function marks(from: number, to: number, step: number): number[] {
  const first = Math.ceil(from / step - 1e-9);
  const last = Math.floor(to / step + 1e-9);
  return Array.from({ length: Math.max(last - first + 1, 0) }, (_, i) => Number(((first + i) * step).toFixed(7)));
}

/** What a form of a sensor is measured by, how each measure goes with its height, and what it was before. */
function measuresOf(form: Sensor, from: Sensor | undefined): { value: number; goes: number; before: number }[] {
  const kind = kindOf(form);
  const raised = kind.measures(kind.moved(form, 1));
  const before = from && from.kind === form.kind ? kindOf(from).measures(from) : [];
  return kind.measures(form).map((m, i) => ({
    value: m.value,
    goes: raised[i]!.value - m.value,
    before: before.find((b) => b.field === m.field)?.value ?? Infinity,
  }));
}

/**
 * Every setting of a sensor on the tape's marks: its height, and of the float that starts and stops the pump alone its range too.
 * @param from what hangs there now, which changes are counted from
 * @param widest across the vessel, m
 */
export function candidatesFor(
  sensor: Sensor,
  from: Sensor | undefined,
  depth: number,
  widest: number,
  surrounds: Surrounds,
  system: UnitSystem,
): Candidates {
  const step = tapeStep(system);
  // Forms of one sensor are mostly set at the same heights.
  const heightsKnown = new Map<string, readonly number[]>();
  const heights = (from: number, to: number) => {
    const key = `${from} ${to}`;
    const known = heightsKnown.get(key) ?? marks(from, to, step);
    heightsKnown.set(key, known);
    return known;
  };
  const reach = { depth, widest, step, marks: (low: number, high: number) => marks(low, high, step) };
  const forms = (sensor.role === 'pump' ? kindOf(sensor).ranges(sensor, reach) : [sensor]).map((form) => {
    const kind = kindOf(form);
    const at = kind.setting(form);
    const [low, high] = kind.extent(form);
    return {
      form,
      at,
      trips: tripsOf(form, surrounds),
      heights: heights(at - low, depth - (high - at)),
      measures: measuresOf(form, from),
    };
  });
  const count = forms.reduce((sum, f) => sum + f.heights.length, 0);
  const [rise, fall, moved] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const starts: number[] = [];
  let n = 0;
  for (const { at, trips, heights, measures } of forms) {
    starts.push(n);
    for (const h of heights) {
      const by = h - at;
      rise[n] = trips.rise + by;
      fall[n] = trips.fall + by;
      let sum = 0;
      for (const m of measures) sum += Math.abs(m.value + m.goes * by - m.before);
      moved[n] = sum;
      n++;
    }
  }
  const made = new Map<number, Candidate>();
  return {
    count,
    rise,
    fall,
    moved,
    at(index) {
      let known = made.get(index);
      if (!known) {
        const f = starts.findLastIndex((s) => s <= index);
        const { form, at, heights } = forms[f]!;
        const hung = tidied(kindOf(form).moved(form, heights[index - starts[f]!]! - at));
        made.set(index, (known = { sensor: hung, ...tripsOf(hung, surrounds) }));
      }
      return known;
    },
  };
}
