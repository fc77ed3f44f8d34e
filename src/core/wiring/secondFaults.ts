import { settle, structureOf, type Component, type Structure } from '../circuit';
import type { DeviceFunction, Panel } from '../schemes';
import type { Sides } from './hazards';
import { inputWords } from './inputsToTry';
import { inTheEnd, type Inputs } from './inputs';
import type { Wired } from './wired';

/** Something that fails by itself, one day, after the panel was wired: what it does to the circuit, and in words when it is so. */
interface SecondFault {
  readonly id: string;
  readonly words: string;
  readonly inputs: Inputs;
  /** What it adds to the circuit. */
  readonly adds?: (wired: Wired) => Component[];
}

/** What can be gone: a supply, or what is in a battery. */
const GOES: ReadonlySet<DeviceFunction> = new Set(['supply', 'alarm-supply', 'battery']);
/** A winding that has failed to its frame, Ω. */
const TO_FRAME = 0.5;

function secondFaults(panel: Panel): SecondFault[] {
  const gone = panel.devices.flatMap((d): SecondFault[] => {
    const other = d.positions.find((p) => p.state !== d.initial);
    return GOES.has(d.function) && other
      ? [{ id: d.tag, words: `${d.tag} ${other.label}`, inputs: { [d.tag]: other.state } }]
      : [];
  });
  const windings = panel.devices.flatMap((d): SecondFault[] => {
    if (d.function !== 'motor' || !d.cable || !('PE' in d.cable.colours)) return [];
    const part = (wired: Wired): Component[] => [
      {
        kind: 'impedance',
        id: `${d.tag} to frame`,
        a: wired.points.get(`${d.tag}:U`) ?? `${d.tag}:U`,
        b: wired.points.get(`${d.tag}:PE`) ?? `${d.tag}:PE`,
        r: TO_FRAME,
      },
    ];
    return [{ id: `${d.tag}-frame`, words: `a winding of ${d.label} to its frame`, inputs: {}, adds: part }];
  });
  return [...gone, ...windings];
}

const withParts = ({ netlist, structure }: Wired, parts: readonly Component[]): Structure =>
  parts.length === 0 ? structure : structureOf({ ...netlist, components: [...netlist.components, ...parts] });

/** One state after a second fault, by design and as landed. */
export interface SecondTrial extends Sides {
  readonly id: string;
  readonly inputs: Inputs;
  /** A fault is put into the circuit for it: the screen cannot be brought there by hand, and protection ought to open. */
  readonly faultsIn: boolean;
  readonly when: string;
}

/** Every second fault, with all floats hanging and with all of them lifted. */
export function secondTrials(design: Wired, landed: Wired): SecondTrial[] {
  const { panel } = landed;
  const floats = panel.devices.filter((d) => d.sensor !== undefined).map((d) => d.tag);
  return secondFaults(panel).flatMap((fault) => {
    const sides = [design, landed].map((wired) => ({ wired, structure: withParts(wired, fault.adds?.(wired) ?? []) }));
    return (['down', 'up'] as const).map((at): SecondTrial => {
      const inputs = { ...Object.fromEntries(floats.map((f) => [f, at])), ...fault.inputs };
      const [d, l] = sides.map(({ wired, structure }) =>
        inTheEnd({ ...wired, structure }, settle(structure, { ...wired.states, ...inputs })),
      );
      return {
        id: fault.id,
        inputs,
        faultsIn: fault.adds !== undefined,
        when: `${inputWords(panel, Object.fromEntries(floats.map((f) => [f, at])))}, and once ${fault.words}`,
        design: d!,
        landed: l!,
      };
    });
  });
}
