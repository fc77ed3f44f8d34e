import { phrase } from '../units';
import { alarmChain } from './alarmChain';
import { noCarried } from './carried';
import { parallel } from './panelBuilder';
import { pushButton, relay } from './devices';
import { feed, mainsControl } from './feed';
import { floatOf, whenWet } from './floats';
import { cutOff } from './interlocks';
import { contactorPump, lowCuts, lowRings, pumpCall, waterRelay } from './contactorPump';
import { needs, noValve, onePump } from './reasons';
import { option, type Scheme } from './scheme';

/** Scheme 6: a grinder station worked by pressure bells. */
export const bells: Scheme = {
  id: 'bells',
  title: 'pressure-bell grinder station',
  summary:
    'Pressure switches in the panel: one runs the pump, the other gives the alarm and, as redundant run, starts it too; a button runs it by hand.',
  people: 'No wire goes into the pit but the pump’s. A contactor breaks every live leg.',
  fails: [
    'A leaking tube or a blocked breather shifts every level.',
    'A dead pump switch is covered by the redundant run, with the alarm.',
    'A welded contactor runs on.',
  ],
  together: 'one',
  mainsControl: true,
  options: [
    option('redundant', 'alarm switch', [
      ['runs', 'starts the pump too'],
      ['rings', 'only alarms'],
    ]),
    option('manual', 'by hand', [
      ['yes', 'a button at the panel'],
      ['no', 'none'],
    ]),
    option('isolate', 'control from', [
      ['no', 'the leg, fused'],
      ['yes', 'a transformer'],
    ]),
  ],
  against: (station) => [
    ...(station.sensors.some((s) => s.kind === 'bell')
      ? []
      : [phrase`it is worked by pressure bells, and none hangs here`]),
    ...onePump(station),
    ...noValve(station),
    ...noCarried(station, true),
    ...(station.sensors.some((s) => s.role === 'pump') ? [] : [...needs(station, 'lead'), ...needs(station, 'stop')]),
    ...needs(station, 'alarm'),
  ],
  build(b, choose) {
    const f = feed(b);
    const control = mainsControl(b, f, choose('isolate') === 'yes');
    const high = relay(b, 'K5', 'high switch', control);
    b.rung('high switch', control.id, control.hot, [floatOf(b, 'alarm')!.used, high.coil], control.back);
    const call = pumpCall(b, control);
    const water = waterRelay(b, control);
    const hand = choose('manual') === 'yes' ? pushButton(b, 'S1', 'runs the pump while it is pressed', 'button') : null;
    contactorPump(
      b,
      f,
      control,
      parallel(call, ...(choose('redundant') === 'runs' ? [whenWet(b, 'alarm', high)] : []), ...(hand ? [hand] : [])),
      { hoa: false, under: lowCuts(b, water) },
    );
    const present = relay(b, 'K10', 'control power is there', control);
    b.rung('control power is there', control.id, control.hot, [present.coil], control.back);
    const cut = cutOff(b);
    cut.finish(
      alarmChain(b, f, {
        call: whenWet(b, 'alarm', high),
        also: [present.break(), ...cut.also, ...lowRings(b, water)],
      }),
    );
  },
};
