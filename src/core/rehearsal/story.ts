import { phrase, type Phrase, quantity } from '../units';
import type { EventKind, Listener } from './engine';
import type { Prepared } from './world';

export interface RunEvent {
  /** s from the beginning */
  readonly at: number;
  /** m */
  readonly level: number;
  readonly kind: EventKind;
  readonly says: Phrase;
}

/** Tells what happened and why, up to so many events; the rest are counted. Sentences are made only while they are kept. */
export function story({ panel, vessel, station }: Prepared, keep: number): { listener: Listener; events: RunEvent[]; more(): number } {
  const events: RunEvent[] = [];
  let more = 0;
  let volume = 0;
  const since = station.pumps.map(() => 0);
  const tell = (at: number, kind: EventKind, says: () => Phrase) => {
    if (events.length < keep) events.push({ at, level: vessel.height(volume), kind, says: says() });
    else more++;
  };
  return {
    events,
    more: () => more,
    listener: {
      passed(p) {
        volume = p.v1;
      },
      told(t, v, kind, says) {
        volume = v;
        tell(t, kind, says);
      },
      turned(t, before, after, why) {
        for (let i = 0; i < since.length; i++) {
          const [was, is] = [before.running & (1 << i), after.running & (1 << i)];
          if (was === is) continue;
          const ran = t - since[i]!;
          since[i] = t;
          tell(t, 'pump', () => (is ? phrase`pump ${String(i + 1)} starts: ${why()}` : phrase`pump ${String(i + 1)} stops after ${quantity('time', ran)}: ${why()}`));
        }
        for (const o of panel.outcomes) if (o.kind !== 'pump' && before.outcomes[o.id] !== after.outcomes[o.id]) tell(t, o.kind, () => phrase`${after.outcomes[o.id] ? o.says : o.not}: ${why()}`);
      },
    },
  };
}
