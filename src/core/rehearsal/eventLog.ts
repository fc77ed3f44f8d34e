import { phrase, type Phrase, quantity } from '../units';
import type { EventKind } from './compile';
import type { Listener } from './engine';
import type { Prepared } from './faultedModel';

export interface RunEvent {
  /** s from the beginning */
  readonly at: number;
  /** m */
  readonly level: number;
  readonly kind: EventKind;
  readonly sentence: Phrase;
}

/** What a station does every day; everything else is out of the ordinary. */
const ORDINARY: ReadonlySet<EventKind> = new Set<EventKind>(['float', 'pump', 'timer', 'call']);

export const isOrdinary = ({ kind }: Pick<RunEvent, 'kind'>): boolean => ORDINARY.has(kind);

/**
 * Tells what happened and why: so many of what is ordinary, and as many of what is not, which no length of ordinary days crowds out; the
 * rest are counted. Sentences are made only while they are kept.
 */
export function story(
  { panel, vessel }: Prepared,
  keep: number,
): { listener: Listener; events: RunEvent[]; more(): number } {
  const events: RunEvent[] = [];
  let [more, usual, unusual] = [0, 0, 0];
  let volume = 0;
  const tell = (at: number, kind: EventKind, sentence: () => Phrase) => {
    if ((ORDINARY.has(kind) ? usual++ : unusual++) < keep)
      events.push({ at, level: vessel.height(volume), kind, sentence: sentence() });
    else more++;
  };
  return {
    events,
    more: () => more,
    listener: {
      passed(p) {
        volume = p.v1;
      },
      told(t, v, kind, sentence) {
        volume = v;
        tell(t, kind, sentence);
      },
      turned(t, before, after, why, since) {
        for (let i = 0; i < since.length; i++) {
          const [was, is] = [before.running & (1 << i), after.running & (1 << i)];
          if (was === is) continue;
          tell(t, 'pump', () =>
            is
              ? phrase`pump ${String(i + 1)} starts: ${why()}`
              : phrase`pump ${String(i + 1)} stops after ${quantity('time', t - since[i]!)}: ${why()}`,
          );
        }
        for (const o of panel.outcomes)
          if (o.kind !== 'pump' && before.outcomes[o.id] !== after.outcomes[o.id])
            tell(t, o.kind, () => phrase`${after.outcomes[o.id] ? o.label : o.not}: ${why()}`);
      },
    },
  };
}
