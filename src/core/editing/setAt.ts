import type { DocumentPath, Station } from '../station';

type Step = string | number;

function replaced(node: unknown, [step, ...rest]: readonly Step[], value: unknown): unknown {
  if (step === undefined) return value;
  if (Array.isArray(node)) {
    const index = Number(step);
    if (!Number.isInteger(index) || index < 0 || index >= node.length) throw new RangeError(`no item ${step}`);
    return node.map((item: unknown, i) => (i === index ? replaced(item, rest, value) : item));
  }
  if (typeof node !== 'object' || node === null || !Object.hasOwn(node, step)) throw new RangeError(`no field ${step}`);
  return { ...node, [step]: replaced((node as Record<Step, unknown>)[step], rest, value) };
}

/**
 * The document with the value at a dotted path (`pumps.0.intake`) replaced; everything off the path is shared.
 * The value is not judged here: `checkStation` does that for the document as a whole.
 * @throws RangeError when there is nothing at the path
 */
export const setAt = (document: Station, path: DocumentPath, value: unknown): Station =>
  replaced(document, path.split('.'), value) as Station;

/** The value at a dotted path, or undefined. */
export const getAt = (document: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>(
      (node, step) => (typeof node === 'object' && node !== null ? (node as Record<string, unknown>)[step] : undefined),
      document,
    );
