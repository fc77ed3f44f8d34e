import { isPlugged, panelOf } from '../schemes';
import type { Station } from '../station';
import { phrase, type Phrase } from '../units';

/** How a person holds the pumps of a station off, and gives them back: by the plug, by selectors, or by nothing but their breaker. */
export interface Hold {
  readonly by: 'plug' | 'selector' | 'breaker';
  /** What is done to hold them off, in words. */
  readonly off: string;
  readonly back: string;
  readonly backTitle: string;
  /** While locking off. */
  readonly lock: Phrase;
}

const PLUG: Hold = {
  by: 'plug',
  off: 'Unplug the pump',
  back: 'Plug the pump into the float’s plug',
  backTitle: 'Plug the pump in again',
  lock: phrase`Lock each off, keep the keys, unplug pump and float.`,
};

const SELECTOR: Hold = {
  by: 'selector',
  off: 'Hold every pump at Off',
  back: 'Selectors to automatic',
  backTitle: 'Pumps back to automatic',
  lock: phrase`Lock each off, keep the keys, turn the selectors to Off.`,
};

const BREAKER: Hold = {
  by: 'breaker',
  off: 'Switch the pump circuit off at its breaker',
  back: 'Switch the pump circuit on again',
  backTitle: 'The pump circuit on again',
  lock: phrase`Lock each off, keep the keys.`,
};

/** Asked of the panel: whether anything of it is plugged, or has a selector. */
export function holdOf(station: Station): Hold {
  if (isPlugged(station)) return PLUG;
  const made = panelOf(station);
  const turned = made.ok && made.panel.devices.some((d) => d.function === 'selector');
  return turned ? SELECTOR : BREAKER;
}
