import { across, conducts, rms, sensed, type Settled } from '../circuit';
import { type Device, type DeviceFunction, leaves, namesOf, type Panel, rungOf } from '../schemes';
import { kindOf, ROLE } from '../sensors';
import type { Station } from '../station';
import { phrase, quantity } from '../units';
import { atLeast, atMost, told, type WiringCheck } from './check';
import { barrierFigures } from './barrierFigures';
import { driveFigures } from './driveFigures';
import { earthFigures } from './earthFigures';
import { failSafeFigures } from './failSafe';
import { solveWith } from './inputs';
import { inputsToTry } from './inputsToTry';
import { valveFigures } from './valveFigures';
import type { Wired } from './wired';

const amps = ({ solution }: Settled, id: string): number => {
  const part = solution.structure.components.get(id);
  if (!part) return 0;
  const [ac, dc] = (['ac', 'dc'] as const).map((of) => across(solution, part, of).amps);
  // What a transformer gives is seen at its secondary.
  return rms(ac!, dc!) / (part.kind === 'transformer' ? part.ratio : 1);
};

/** What a contact carries, as far as its rating asks. */
const CARRIES = {
  motor: phrase`It carries the motor: its motor rating counts, not its resistive one.`,
  valve: phrase`It carries the valve’s coil: its inductive rating counts.`,
  others: phrase`It carries what it switches, and no motor.`,
} as const;

/** The load in the rung of a sensor’s contact. */
function carriedBy(panel: Panel, { tag }: Device): keyof typeof CARRIES {
  const rung = rungOf(panel, (leaf) => namesOf(leaf)[0] === tag);
  const has = (what: DeviceFunction) =>
    rung !== undefined &&
    leaves(rung.tree).some((leaf) => panel.devices.find((d) => d.tag === namesOf(leaf)[0])?.function === what);
  return has('motor') ? 'motor' : has('valve') ? 'valve' : 'others';
}

/** The most that flows through each contact of a sensor, over every posture, against its rating. */
function contactDuty({ sensors }: Station, panel: Panel, trials: readonly Settled[]): WiringCheck[] {
  return sensors.flatMap((sensor): WiringCheck[] => {
    const device = panel.devices.find((d) => d.sensor === sensor.id);
    if (!device) return [];
    const carried = Math.max(
      ...trials.flatMap((t) => Object.keys(device.elements).map((e) => amps(t, `${device.tag}.${e}`))),
    );
    return [
      atMost(
        `contact-${sensor.id}`,
        `contact of the ${device.label}`,
        quantity('current', sensor.contactRating),
        quantity('current', carried),
        carried < 0.1
          ? phrase`It carries ${quantity('leak', carried)}: pilot duty.`
          : CARRIES[carriedBy(panel, device)],
      ),
    ];
  });
}

/** What each supply of the panel gives at most, over every posture, against what it can. */
function budgets(panel: Panel, trials: readonly Settled[]): WiringCheck[] {
  return panel.devices.flatMap((d): WiringCheck[] => {
    if (!d.gives) return [];
    const most = Math.max(...trials.map((t) => amps(t, d.gives!.element)));
    return [
      atMost(
        `budget-${d.tag}`,
        `${d.tag}, ${d.label}`,
        quantity('leak', d.gives.amps),
        quantity('leak', most),
        phrase`Everything that it may have to hold in at the same time. ${d.description}.`,
      ),
    ];
  });
}

/** What a solid-state relay lets through when it is off, and what that does to its load. */
function solidLeaks({ panel }: Wired, rest: Settled): WiringCheck[] {
  return panel.devices.flatMap((d): WiringCheck[] =>
    Object.entries(d.elements).flatMap(([name, e]): WiringCheck[] => {
      const id = `${d.tag}.${name}`;
      const part = rest.solution.structure.components.get(id);
      if (e.sign !== 'solid' || !part || (e.leak ?? 0) < 1e-6 || conducts(part, rest.states)) return [];
      return [
        told(
          `leak-${id}`,
          `${d.tag} leaks when it is off`,
          phrase`${quantity('leak', amps(rest, id))} flow through it and the motor when it stands. A lamp or a small relay in the motor’s place could be held in by that. Off is not isolated: use the disconnect. When it fails it mostly stays closed.`,
        ),
      ];
    }),
  );
}

/** Relays of which no contact is used: what works them changes nothing. */
const idleRelays = ({ sensors }: Station, panel: Panel): WiringCheck[] =>
  panel.devices.flatMap((d): WiringCheck[] => {
    if (d.function !== 'relay' || Object.values(d.elements).some((e) => e.closed)) return [];
    const rung = rungOf(panel, (leaf) => namesOf(leaf)[0] === d.tag);
    const works = rung ? leaves(rung.tree).map((leaf) => panel.devices.find((x) => x.tag === namesOf(leaf)[0])) : [];
    const low = works.some((x) => sensors.some((s) => s.role === 'low' && s.id === x?.sensor));
    const ring = low ? phrase` It would ring with “low level alarms too” set.` : phrase``;
    return [
      told(
        `idle-${d.tag}`,
        `${d.tag}, ${d.label}`,
        phrase`None of its contacts is used: it comes in, and nothing runs, stops or rings by it.${ring}`,
      ),
    ];
  });

/** Floats that hang in the pit and sit in no circuit of this panel: what their levels promise, nothing does. */
const unwired = ({ sensors }: Station, panel: Panel): WiringCheck[] =>
  sensors.flatMap((s): WiringCheck[] => {
    if (panel.devices.some((d) => d.sensor === s.id)) return [];
    const name = `${ROLE[s.role].word} ${kindOf(s).noun}`;
    return [
      {
        ...told(
          `unwired-${s.id}`,
          `the ${name} is in no circuit`,
          phrase`This panel has no place for it: whatever the water does to it, nothing runs, stops or rings by it, and what its level promises is not done. Choose a panel that uses it, or take it out of the survey.`,
        ),
        state: 'broken',
      },
    ];
  });

const OPENS_ON_CURRENT: ReadonlySet<DeviceFunction> = new Set(['breaker', 'fuse', 'residual-current']);

/** What kind of current each breaker and fuse opens. */
function breakerKinds(panel: Panel): WiringCheck[] {
  return panel.devices.flatMap((d): WiringCheck[] => {
    if (!OPENS_ON_CURRENT.has(d.function)) return [];
    const rung = rungOf(panel, (leaf) => namesOf(leaf)[0] === d.tag);
    const circuit = panel.circuits.find((c) => c.id === rung?.circuit);
    if (circuit?.kind !== 'dc') return [];
    return [
      told(
        `kind-${d.tag}`,
        `${d.tag} opens direct current`,
        phrase`An arc of direct current has no zero to go out at: ${d.tag} must be made and marked for direct current at ${quantity('voltage', circuit.volts)} or more. Those on the mains are for alternating current.`,
      ),
    ];
  });
}

/** Ohms and ohms of reactance of a coil. */
interface Coil {
  readonly r: number;
  readonly x: number;
}

/**
 * The capacitance between two cores at which a coil at the end of them does not let go when the float opens, F: what flows through it then
 * leaves the coil its drop-out voltage. From |Z| · V = Vd · |R + j(X − 1/ωC)|, solved for C. Infinite where no capacitance holds it.
 */
export function holdingCapacitance(volts: number, dropOut: number, { r, x }: Coil, frequency: number): number {
  const z = Math.hypot(r, x);
  const square = ((volts * z) / dropOut) ** 2 - r * r;
  if (square < 0) return Infinity;
  return 1 / (2 * Math.PI * frequency * (x + Math.sqrt(square)));
}

/** Floats that work an alternating-current coil straight over their cord: how long that may be before its capacitance holds the coil in. */
function longRuns(station: Station, { panel, netlist }: Wired): WiringCheck[] {
  const { wiring, supply } = station;
  return panel.rungs.flatMap((rung): WiringCheck[] => {
    const circuit = panel.circuits.find((c) => c.id === rung.circuit)!;
    if (circuit.kind !== 'ac') return [];
    const all = leaves(rung.tree);
    const deviceOf = (leaf: string): Device => panel.devices.find((d) => d.tag === namesOf(leaf)[0])!;
    const coil = all.flatMap((leaf) => {
      const { tag, behaviour } = deviceOf(leaf);
      return 'dropOut' in behaviour && behaviour.senses.components.includes(leaf) ? [{ leaf, tag, behaviour }] : [];
    })[0];
    const part = coil && netlist.components.find((p) => p.id === coil.leaf);
    if (part?.kind !== 'impedance') return [];
    const { dropOut } = coil!.behaviour;
    const capacitance = holdingCapacitance(
      circuit.volts,
      dropOut,
      { r: part.r, x: 2 * Math.PI * supply.frequency * (part.l ?? 0) },
      supply.frequency,
    );
    return all
      .map(deviceOf)
      .filter((d) => d.sensor !== undefined && d.cable)
      .map((d) => {
        const longest = capacitance / wiring.capacitance;
        return atLeast(
          `run-${d.tag}`,
          `length of the ${d.label} run`,
          quantity('distance', d.cable!.length),
          quantity('distance', longest),
          phrase`Longer, and the capacitance of its cores (${String(Math.round(wiring.capacitance * 1e12))} pF a metre) holds ${coil!.tag} in when the float has opened. Direct current, a relay that drops at more, or a resistor beside the coil mends it.`,
        );
      });
  });
}

/** Less than this share of what it pulls in at is no voltage of its own. */
const FED = 0.25;

/** A coil, and a float whose cord lies on one of its ways. */
interface Way {
  readonly coil: Device;
  readonly float: Device;
}

function waysOf(panel: Panel): Way[] {
  const found = panel.rungs.flatMap((rung): Way[] => {
    const devices = leaves(rung.tree).map((leaf) => panel.devices.find((d) => d.tag === namesOf(leaf)[0])!);
    const float = devices.find((d) => d.sensor !== undefined && d.cable);
    const coil = devices.find((d) => 'pickUp' in d.behaviour);
    return float && coil ? [{ coil, float }] : [];
  });
  return [...new Map(found.map((w) => [`${w.coil.tag} ${w.float.tag}`, w])).values()];
}

const closed = ({ solution, states }: Settled, { tag, elements }: Device): boolean =>
  Object.keys(elements).some((name) => {
    const part = solution.structure.components.get(`${tag}.${name}`);
    return part !== undefined && conducts(part, states);
  });

/**
 * Coils that a float works over its cord: the most volts that one ever gets with no hand at work, against what it pulls in at. A coil that
 * two floats can work is asked of each alone, the others open, where that can be: a short cord does not hide a long one.
 */
function pullsIn(panel: Panel, trials: readonly Settled[]): WiringCheck[] {
  const all = waysOf(panel);
  return all.flatMap(({ coil, float }): WiringCheck[] => {
    if (!('pickUp' in coil.behaviour)) return [];
    const { senses, pickUp } = coil.behaviour;
    const others = all.filter((w) => w.coil === coil && w.float !== float).map((w) => w.float);
    const volts = (list: readonly Settled[]) => Math.max(0, ...list.map((t) => sensed(t.solution, senses)));
    const worked = trials.filter((t) => closed(t, float));
    const alone = volts(worked.filter((t) => !others.some((o) => closed(t, o))));
    // Where the others must be closed too, one after the other on the same way, it never gets anything alone.
    const has = alone > FED * pickUp ? alone : volts(worked);
    return [
      atLeast(
        `pulls-${coil.tag}-${float.tag}`,
        `${coil.tag} pulls in over the cord of the ${float.label}`,
        quantity('voltage', pickUp),
        quantity('voltage', has),
        phrase`${quantity('distance', float.cable!.length)} out and back: less than it needs, and the float closes and nothing follows. Thicker cores, or a higher voltage.`,
      ),
    ];
  });
}

/** Contacts, supplies, leaks, kinds of breaker and long runs of a panel as it is wired. */
export function controlFigures(station: Station, wired: Wired): WiringCheck[] {
  const combinations = inputsToTry(wired.panel);
  const trials = combinations.map((p) => solveWith(wired, p));
  // First come those in which no hand is at work.
  const byFloats = 2 ** wired.panel.devices.filter((d) => d.sensor !== undefined).length;
  return [
    ...contactDuty(station, wired.panel, trials),
    ...budgets(wired.panel, trials),
    ...longRuns(station, wired),
    ...pullsIn(wired.panel, trials.slice(0, byFloats)),
    ...solidLeaks(wired, trials[0]!),
    ...idleRelays(station, wired.panel),
    ...unwired(station, wired.panel),
    ...breakerKinds(wired.panel),
    ...earthFigures(wired),
    ...driveFigures(station, wired),
    ...barrierFigures(station, wired.panel),
    ...valveFigures(station, wired),
    ...failSafeFigures(station, wired),
  ];
}
