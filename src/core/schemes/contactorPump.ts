import { traitsOf } from '../duties';
import { carried } from './carried';
import { permissions } from './interlocks';
import { parallel, series, type PanelBuilder } from './panelBuilder';
import { contactor, handOffAuto, load, relay, type Relay } from './devices';
import type { Control, Feed } from './wires';
import { floatOf, floatSwitch, sensorOf } from './floats';
import type { Tree } from './model';
import { pumpPower } from './motor';

/** The call of one pump: a wide float by itself, or a start float that a relay holds until the stop float opens. `relay` follows it where there is one. */
export function pumpCall(b: PanelBuilder, control: Control): Tree {
  const wide = floatOf(b, 'pump');
  if (wide) return wide.used;
  const stop = floatOf(b, 'stop')!.used;
  const lead = floatOf(b, 'lead')!.used;
  const held = relay(b, 'K2', 'called, until the stop float opens', control);
  b.rung(
    'call, held until the stop float opens',
    control.id,
    control.hot,
    [stop, parallel(lead, held.make()), held.coil],
    control.back,
  );
  return held.make();
}

/** A relay that follows the low float. */
export interface Water {
  /** Closed while there is water over it. */
  enough(): Tree;
  /** Closed while there is not. */
  lacks(): Tree;
}

/** The relay of the low float; null where none is fitted. @param tag where K3 is a contactor’s */
export function waterRelay(b: PanelBuilder, control: Control, tag = 'K3'): Water | null {
  const sensor = sensorOf(b, 'low');
  if (!sensor) return null;
  const rises = sensor.contact === 'closes-on-rise';
  const label = rises ? 'water over the low float' : 'water under the low float';
  const k = relay(b, tag, label, control);
  b.rung(label, control.id, control.hot, [floatSwitch(b, sensor).used, k.coil], control.back);
  return rises ? { enough: k.make, lacks: k.break } : { enough: k.break, lacks: k.make };
}

/** What the low float adds to the alarm. */
export const lowRings = (b: PanelBuilder, water: Water | null): Tree[] =>
  water && b.station.alarm.low ? [water.lacks()] : [];

/** Whether the low float cuts the pump: not where it is the tank that is filled. */
export const lowCuts = (b: PanelBuilder, water: Water | null): Tree[] =>
  water && traitsOf(b.station).direction === 'empty' ? [water.enough()] : [];

/**
 * One pump behind a contactor: selector where there is one, the call in Auto, what others allow, the low float under all of it, and
 * the overload; hour meter and counter beside the coil where they are asked for.
 */
export function contactorPump(
  b: PanelBuilder,
  feed: Feed,
  control: Control,
  call: Tree,
  more: { hoa: boolean; under?: readonly Tree[]; counters?: boolean; hand?: Tree },
): Relay {
  const k = contactor(b, 'K1', 'runs the pump', control, 1, b.station.pumps[0]!.ratedCurrent);
  const { healthy } = pumpPower(b, feed, 1, b.station.pumps[0]!, () => k.main(), { opens: () => k.break() });
  const allowed = [...permissions(b), ...carried(b, feed, control).under(1)];
  const auto = more.hoa
    ? selectorBranches(b, 'S1', 'the pump', 1, call)
    : parallel(call, ...(more.hand ? [more.hand] : []));
  b.rung(
    'pump 1 called',
    control.id,
    control.hot,
    [auto, ...allowed, ...(more.under ?? []), ...healthy, k.coil],
    control.back,
  );
  if (more.counters) {
    b.rung(
      'hours and starts',
      control.id,
      control.hot,
      [
        k.make(),
        parallel(
          load(b, 'meter', 'P3', 'hour meter', 'hours of the pump', 'counter', control, 1),
          load(b, 'meter', 'P4', 'counter', 'starts of the pump', 'counter', control, 1),
        ),
      ],
      control.back,
    );
  }
  return k;
}

/** Hand beside Auto: by hand whatever the floats say, in Auto as they say. */
export function selectorBranches(b: PanelBuilder, tag: string, label: string, pump: number, call: Tree): Tree {
  const s = handOffAuto(b, tag, `Hand, Off or Auto for ${label}`, pump);
  return parallel(s('selector', 'hand'), series(s('selector', 'auto'), call));
}
