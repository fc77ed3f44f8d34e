import type { DeviceFunction, Panel } from '../schemes';
import type { Inputs } from './inputs';

/** What gets out of its position by itself and not by a hand: a check of the wiring does not try it. */
const BY_ITSELF: ReadonlySet<DeviceFunction> = new Set(['overload', 'drive-fault', 'battery']);

/** Every combination of the floats at rest selectors, and every hand's position with all floats up: in which a fault of wiring shows. */
export function inputsToTry({ devices }: Panel): Inputs[] {
  const floats = devices.filter((d) => d.sensor !== undefined).map((d) => d.tag);
  const combinations = Array.from({ length: 2 ** floats.length }, (_, bits): Inputs =>
    Object.fromEntries(floats.map((tag, i) => [tag, (bits >> i) & 1 ? 'up' : 'down'])),
  );
  const all = combinations.at(-1)!;
  const byHand = devices.flatMap((d) =>
    d.sensor !== undefined
      ? []
      : d.positions
          .filter((p) => !BY_ITSELF.has(d.function) && p.state !== d.initial)
          .map((p): Inputs => ({ ...all, [d.tag]: p.state })),
  );
  // The simplest first: fewest floats lifted.
  const lifted = (p: Inputs) => Object.values(p).filter((s) => s === 'up').length;
  return [...combinations.sort((a, b) => lifted(a) - lifted(b)), ...byHand];
}

/** A inputs in words: what is not as it rests. */
export function inputWords({ devices }: Panel, inputs: Inputs): string {
  const words = devices.flatMap((d) => {
    const at = inputs[d.tag];
    if (at === undefined || at === d.initial) return [];
    return [
      d.sensor !== undefined
        ? `${d.label} lifted`
        : `${d.label}: ${d.positions.find((p) => p.state === at)?.label ?? at}`,
    ];
  });
  return words.length === 0 ? 'with all floats hanging' : `with ${words.join(', ')}`;
}
