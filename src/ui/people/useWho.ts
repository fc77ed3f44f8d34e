'use client';
import { useEffect, useState } from 'react';
import { keep, kept } from '../parts/browserKeep';
import { usePerson } from './PersonProvider';

const WHO = 'pitbell.who';

/** Who writes: whoever is signed in, and then it cannot be said otherwise; else a name that is asked once and kept on this device. */
export interface Who {
  readonly name: string;
  readonly signedIn: boolean;
  say(name: string): void;
}

/** @param begins what stands there until this device knows a name */
export function useWho(begins = ''): Who {
  const person = usePerson();
  const [said, setSaid] = useState(begins);
  useEffect(() => {
    const known = kept(WHO);
    // What the browser keeps is known only after the page.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (known) setSaid(known);
  }, []);
  return {
    name: person?.name ?? said,
    signedIn: person !== null,
    say: (name) => (setSaid(name), void keep(WHO, name)),
  };
}
