'use client';
import { useHotkeys } from 'react-hotkeys-hook';
import { ON_DRAWING, type KeyBinding } from './hotkeys';

function Key({ keys, run, inFields = false, character = false }: KeyBinding) {
  const where = inFields ? { enableOnFormTags: true } : ON_DRAWING;
  useHotkeys(keys, run, { ...where, preventDefault: true, useKey: character });
  return null;
}

/** Listens for every binding. */
export function BoundKeys({ bindings }: { bindings: readonly KeyBinding[] }) {
  return bindings.map((b) => <Key key={b.keys} {...b} />);
}
