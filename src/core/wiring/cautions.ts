import type { Panel } from '../schemes';
import type { Station } from '../station';

/** Where a caution belongs, and what it says. */
export interface Caution {
  readonly at: 'panel' | 'power' | 'motor' | 'pit' | 'outside';
  readonly says: string;
}

export const DEFERENCE =
  'Pit Bell plans and checks; it certifies nothing. Local codes and licensed practice decide, and who may do this work.';

/** What can hurt someone at this panel. */
export function cautions(station: Station, panel: Panel): Caution[] {
  const foreign = panel.circuits.filter((c) => /^(far|cut|full)-/.test(c.id));
  const supplies = panel.devices.filter(
    (d) =>
      d.place === 'field' && Object.values(d.elements).some((e) => e.sign === 'source' && e.pins.includes('earth')),
  );
  const stored = panel.scheme === 'drive';
  const single = station.supply.source !== 'three';
  const each: (Caution | null)[] = [
    { at: 'power', says: 'Isolate, lock, prove dead: try the meter on a known live source before and after.' },
    supplies.length > 1 || foreign.length > 0
      ? {
          at: 'panel',
          says: `${supplies.length + foreign.filter((c) => !c.low).length > 1 ? 'More than one supply' : 'A foreign circuit'} in one box: the pump’s disconnect leaves ${[...(supplies.length > 1 ? ['the bell’s supply'] : []), ...foreign.map((c) => c.says)].join(', ')} live.`,
        }
      : null,
    stored
      ? {
          at: 'motor',
          says: 'A drive keeps a deadly charge after it is isolated: wait as long as its label says, then measure its direct-current link.',
        }
      : null,
    single && !stored
      ? { at: 'motor', says: 'A motor with a capacitor keeps a charge after it stops: discharge it before touching.' }
      : null,
    {
      at: 'pit',
      says: 'Gas and drowning: do not enter a pit alone or untested. Isolate every pump and everything that makes water first.',
    },
    station.interlocks.some((l) => l.kind === 'standby')
      ? { at: 'outside', says: 'A standby set starts by itself at any moment: lock it too.' }
      : null,
  ];
  return each.filter((c) => c !== null);
}
