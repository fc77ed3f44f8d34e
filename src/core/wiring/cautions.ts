import { CAPACITOR_CHARGE, type DeviceFunction, type Panel } from '../schemes';
import type { Station } from '../station';

/** Where a caution belongs, and what it says. */
export interface Caution {
  readonly at: 'panel' | 'power' | 'motor' | 'pit' | 'outside';
  readonly sentence: string;
}

export const DEFERENCE =
  'Pit Bell plans and checks; it certifies nothing. Local codes and licensed practice decide, and who may do this work.';

/** What can hurt someone at this panel. */
export function cautions(station: Station, panel: Panel): Caution[] {
  const foreign = panel.circuits.filter((c) => c.function === 'others');
  const has = (what: DeviceFunction) => panel.devices.some((d) => d.function === what);
  const several = has('supply') && has('alarm-supply');
  const charges = panel.devices.flatMap((d) => d.charge ?? []);
  // A pump that others control is as any of its supply.
  if (!has('motor') && !has('valve') && station.supply.source !== 'three') charges.push(CAPACITOR_CHARGE);
  const each: (Caution | null)[] = [
    { at: 'power', sentence: 'Isolate, lock, prove dead: try the meter on a known live source before and after.' },
    several || foreign.length > 0
      ? {
          at: 'panel',
          sentence: `${several || foreign.filter((c) => !c.low).length + (has('supply') || has('alarm-supply') ? 1 : 0) > 1 ? 'More than one supply' : 'A foreign circuit'} in one box: the pump’s disconnect leaves ${[...(several ? ['the alarm’s supply'] : []), ...foreign.map((c) => c.label)].join(', ')} live.`,
        }
      : null,
    has('generator')
      ? {
          at: 'panel',
          sentence:
            'A generator is a second source behind the transfer switch: lock its start, and the switch in its middle.',
        }
      : null,
    ...[...new Set(charges)].map((sentence): Caution => ({ at: 'motor', sentence })),
    {
      at: 'pit',
      sentence:
        'Gas and drowning: do not enter a pit alone or untested. Isolate every pump and everything that makes water first.',
    },
    station.interlocks.some((l) => l.kind === 'standby')
      ? { at: 'outside', sentence: 'A standby set starts by itself at any moment: lock it too.' }
      : null,
  ];
  return each.filter((c) => c !== null);
}
