import { say } from './print';
import type { Quantity, UnitSystem } from './quantity';

/**
 * A sentence with quantities in it that are not yet in anybody's units. The core writes phrases;
 * the edge (screen, paper, command line) says them in metric or US units.
 */
export type Phrase = readonly (string | Quantity)[];

/** Template tag: phrase`stops at ${quantity('height', 0.3)}, ${words} above the intake`. */
export function phrase(strings: TemplateStringsArray, ...values: readonly (string | Quantity | Phrase)[]): Phrase {
  const parts: (string | Quantity)[] = [];
  strings.forEach((text, i) => {
    if (text !== '') parts.push(text);
    const value = values[i];
    if (value === undefined) return;
    if (typeof value === 'string' || 'format' in value) parts.push(value);
    else parts.push(...value);
  });
  return parts;
}

export function sayPhrase(p: Phrase, system: UnitSystem): string {
  return p.map((part) => (typeof part === 'string' ? part : say(part, system))).join('');
}
