import type { ValuesOf } from '../form';
import { condensate } from './condensate';
import { dose } from './dose';
import type { DutyKind, Traits } from './duty';
import { empty } from './empty';
import { fill } from './fill';
import { transfer } from './transfer';
import { WAYS, type Way } from './way';

/** Every duty. */
export const DUTIES = { empty, dose, fill, transfer, condensate } as const;

export type DutyName = keyof typeof DUTIES;
export type DutyOf<K extends DutyName> = { kind: K } & ValuesOf<(typeof DUTIES)[K]['fields']>;
export type Duty = { [K in DutyName]: DutyOf<K> }[DutyName];

/** What is said once for all stations of a duty. */
export const dutyOf = <D extends Duty>(duty: D): DutyKind<D> => DUTIES[duty.kind] as unknown as DutyKind<D>;

/** What its duty makes of a station. */
export const traitsOf = ({ duty }: { readonly duty: Duty }): Traits => dutyOf(duty).traits(duty);

/** Which way the pumps of a station move the water, and what that makes of its trips. */
export const wayOf = (station: { readonly duty: Duty }): Way => WAYS[traitsOf(station).direction];

export { USUAL_VALVE } from './fill';
export type { DutyKind, DutyRehearsal, DutySketch, DutyWords, Mover, Timer, Traits, Valve } from './duty';
export type { Direction, Way } from './way';
