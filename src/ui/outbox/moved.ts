import { drop, keep, kept, keysUnder } from '../parts/browserKeep';
import { numberOf, type Act } from './act';

/*
 * A station that was made without signal is worked on under a number of this browser’s own. When it has the server’s, what the browser keeps of it
 * goes with it: what was told of a fault, and what was typed and not saved.
 */

/** The number under which a browser keeps what is typed of a station that has none; below zero, so that it is taken for none of the server’s. */
export const numberHere = ({ n }: Pick<Act, 'n'>): number => -n;

const KEPT = ['pitbell.trace.', 'pitbell.draft.'] as const;

function move(from: string, to: string): void {
  const text = kept(from);
  // What is there already is not written over: then both stay.
  if (text !== null && kept(to) === null && keep(to, text) === 'kept') drop(from);
}

/** Moves what is kept of stations that have got their numbers. */
export function moveToNumbers(acts: readonly Act[]): void {
  for (const act of acts) {
    const number = act.kind === 'new-station' && act.state === 'sent' ? numberOf(act) : null;
    if (number === null) continue;
    for (const of of KEPT) {
      const here = `${of}${numberHere(act)}`;
      for (const key of keysUnder(here))
        if (key === here || key.startsWith(`${here}.`)) move(key, `${of}${number}${key.slice(here.length)}`);
    }
  }
}
