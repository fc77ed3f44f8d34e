'use client';
import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { ON_DRAWING, type KeyBinding } from './hotkeys';

/** How long the second key of a pair may take, ms: a thumb in a glove on a busy machine. */
const BETWEEN = 2500;

function Key({ keys, run, inFields = false, character = false }: KeyBinding) {
  const where = inFields ? { enableOnFormTags: true } : ON_DRAWING;
  useHotkeys(keys, run, { ...where, preventDefault: true, useKey: character, sequenceTimeoutMs: BETWEEN });
  return null;
}

/** Listens for every binding. */
export function BoundKeys({ bindings }: { bindings: readonly KeyBinding[] }) {
  // The page says that it listens: who drives it from outside need not guess.
  useEffect(() => {
    document.documentElement.dataset.keys = 'listened to';
  }, []);
  return bindings.map((b) => <Key key={b.keys} {...b} />);
}
