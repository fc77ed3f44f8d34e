import type { AsLanded } from '@/core/wiring';

/** What is said before what a landing does. */
export const BEFORE = { danger: 'danger: ', fault: '', latent: 'works until a second fault: ' } as const;

const count = (n: number, one: string, more: string): string[] => (n === 0 ? [] : [`${n} ${n === 1 ? one : more}`]);

/**
 * What is landed otherwise, in one line: how much, how many dangers, and the first that it will do. The figures come first: a line that is too
 * long for its place is cut at its end.
 */
export function landedWords({ differences, strays, effects }: AsLanded): string {
  const otherwise = differences.length + strays.length;
  const [worst] = effects;
  if (otherwise === 0 && !worst) return 'every core and link as designed';
  const of = (severity: keyof typeof BEFORE) => effects.filter((e) => e.severity === severity).length;
  const told = [
    ...count(otherwise, 'not as designed', 'not as designed'),
    ...count(of('danger'), 'danger', 'dangers'),
    ...count(of('fault'), 'thing goes wrong', 'things go wrong'),
    ...count(of('latent'), 'waits for a second fault', 'wait for a second fault'),
  ].join(', ');
  if (worst) return `${told} · ${BEFORE[worst.severity]}${worst.sentence} (${worst.when})`;
  // Of what is kept from another panel nothing was asked.
  return differences.length > 0 ? `${told} · no effect in what was asked, as it stands below` : told;
}
