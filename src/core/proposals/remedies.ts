import { traitsOf } from '../duties';
import { withPumpCount } from '../editing';
import { surroundingsOf, type RuleId } from '../levels';
import { kindOf, ROLE, type Sensor, type SensorOf } from '../sensors';
import { depthOf, type Pump, type Station, type VesselShape } from '../station';
import { phrase, quantity, systemOf, tapeStep, toTape, type Phrase } from '../units';
import { fieldOf, search } from './search';

/** A change that makes a station able to keep its rules, and the station changed and set. */
export interface Remedy {
  readonly sentence: Phrase;
  readonly station: Station;
}

type Try = (station: Station) => Station | null;

/** The first change, from the least on, with which a setting is found. */
function leastOf<T>(
  steps: readonly T[],
  change: (step: T) => Station,
  sentence: (step: T) => Phrase,
  find: Try,
): Remedy[] {
  for (const step of steps) {
    const made = find(change(step));
    if (made) return [{ sentence: sentence(step), station: made }];
  }
  return [];
}

/** A change that helps more the more there is of it: the least by halving; nothing when the most does not help. */
function leastByHalving(
  count: number,
  change: (n: number) => Station,
  sentence: (n: number) => Phrase,
  find: Try,
): Remedy[] {
  let best = find(change(count));
  if (!best) return [];
  let [no, yes] = [0, count];
  while (yes - no > 1) {
    const middle = (no + yes) >> 1;
    const made = find(change(middle));
    if (made) [yes, best] = [middle, made];
    else no = middle;
  }
  return [{ sentence: sentence(yes), station: best }];
}

/** Every plan dimension of a shape grown by `by` m, its depth as it is. */
function wider(shape: VesselShape, by: number): VesselShape {
  switch (shape.kind) {
    case 'cylinder':
      return { ...shape, diameter: shape.diameter + by };
    case 'box':
      return { ...shape, length: shape.length + by, width: shape.width + by };
    case 'frustum':
      return { ...shape, bottomDiameter: shape.bottomDiameter + by, topDiameter: shape.topDiameter + by };
    case 'lying':
      return { ...shape, length: shape.length + by };
    case 'stacked':
      return { ...shape, sections: shape.sections.map((s) => wider(s, by) as typeof s) };
    case 'table':
      return { ...shape, rows: shape.rows.map((r) => ({ ...r, area: (Math.sqrt(r.area) + by) ** 2 })) };
  }
}

/** Pump curves with all their flows times a share, their heads as they are. */
const smaller = (pumps: readonly Pump[], share: number): Pump[] =>
  pumps.map((p) => ({ ...p, name: `${p.name}, smaller`, curve: p.curve.map((c) => ({ ...c, flow: c.flow * share })) }));

const WIDEN = { metric: 0.05, us: 0.0508 } as const;
const WIDER_STEPS = 40;

/** The least change of each kind that makes the rules that must hold hold, and those that should where that can be had as well: other tethers, a smaller pump, a second pump that takes turns, a wider vessel. */
export function remediesFor(station: Station, musts: ReadonlySet<RuleId>, all: ReadonlySet<RuleId>): Remedy[] {
  const find: Try = (s) => {
    const field = fieldOf(s, surroundingsOf(s), s.sensors);
    return search(field, 'fewest-starts', all) ?? search(field, 'fewest-starts', musts);
  };
  const system = systemOf(station.profile);
  const { mover, direction } = traitsOf(station);
  const step = tapeStep(system);
  const tethers = Array.from({ length: 5 }, (_, i) =>
    toTape(station.settings.minimumTether + 2 * step * (i + 1), system),
  );
  const onTether = (s: Sensor): s is SensorOf<'tilt'> => s.kind === 'tilt' && s.role !== 'pump';
  const tethered = station.sensors.filter(onTether);
  const other = leastOf(
    tethered.length > 0 ? tethers : [],
    (tether) => ({
      ...station,
      sensors: station.sensors.map((s) => (onTether(s) ? { ...s, tether, measured: null } : s)),
    }),
    (tether) =>
      phrase`Other tethers: ${quantity('height', tether)} on the ${tethered.map((s) => `${ROLE[s.role].word} ${kindOf(s).noun}`).join(', ')}.`,
    find,
  );
  const small = leastOf(
    mover.kind === 'valve' ? [] : [0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3],
    (share) => ({ ...station, pumps: smaller(station.pumps, share) }),
    (share) => phrase`A smaller pump: one that gives about ${quantity('share', share)} of the flow at the same heads.`,
    find,
  );
  const count = station.pumps.length + 1;
  const second = leastOf(
    count <= 3 && station.duty.kind !== 'condensate' && direction === 'empty' ? [count] : [],
    (n) => withPumpCount(station, n),
    (n) =>
      phrase`One more pump like it, ${n === 2 ? 'the two' : 'the three'} taking turns: each starts ${n === 2 ? 'half' : 'two thirds'} as often or less.`,
    find,
  );
  const by = WIDEN[system];
  const wide = leastByHalving(
    WIDER_STEPS,
    (n) => ({ ...station, vessel: { ...station.vessel, shape: wider(station.vessel.shape, by * n) } }),
    (n) =>
      phrase`A bigger vessel: ${quantity('height', by * n)} wider, the depth of ${quantity('height', depthOf(station.vessel.shape))} as it is.`,
    find,
  );
  return [...other, ...small, ...second, ...wide];
}
