import { traitsOf, type Timer } from '../duties';
import { alarmChain } from './alarmChain';
import { noCarried } from './carried';
import { series, parallel, type PanelBuilder } from './panelBuilder';
import { coilLimits, relay, sense } from './devices';
import { feed, mainsControl } from './feed';
import type { Control } from './wires';
import { floatOf } from './floats';
import { cutOff } from './interlocks';
import { contactorPump, lowCuts, lowRings, pumpCall, waterRelay } from './contactorPump';
import { needs, noValve, onePump } from './reasons';
import { option, type Scheme } from './scheme';
import type { Tree } from './model';
import { phrase } from '../units';

const timer = (b: PanelBuilder, control: Control, tag: string, label: string, rest: number, run: number) =>
  relay(b, tag, label, control, {
    function: 'timer',
    description: `repeat-cycle timer, ${Math.round(rest / 60)} min rest, ${Math.round(run)} s run`,
    cost: 2,
    sign: 'timer',
    behaviour: (coil) => ({
      kind: 'cycle',
      rest,
      run,
      senses: sense('volts', control.kind, [coil]),
      ...coilLimits(control),
    }),
    made: ['running'],
  });

/** A timer that the enable float lets run; a second one with a shorter rest while the peak float is up. */
function timedCall(b: PanelBuilder, control: Control, { on, off, peakOff }: Timer): Tree {
  const { id, hot, back } = control;
  const enable = relay(b, 'K5', 'enough water for a dose', control);
  b.rung('enough water for a dose', id, hot, [pumpCall(b, control), enable.coil], back);
  const peak = floatOf(b, 'peak');
  const usual = timer(b, control, 'T2', 'usual rest', off, on);
  if (!peak) {
    b.rung('timer', id, hot, [enable.make(), usual.coil], back);
    return series(enable.make(), usual.make());
  }
  const high = relay(b, 'K4', 'peak: the rest is shortened', control);
  const quick = timer(b, control, 'T3', 'rest at peak', peakOff, on);
  b.rung('peak', id, hot, [peak.used, high.coil], back);
  b.rung('timer, usual', id, hot, [enable.make(), high.break(), usual.coil], back);
  b.rung('timer, peak', id, hot, [enable.make(), high.make(), quick.coil], back);
  return series(enable.make(), parallel(usual.make(), quick.make()));
}

/** Scheme 5: a timer doses a bed. */
export const doser: Scheme = {
  id: 'doser',
  title: 'timed doser',
  summary: 'A float lets a timer run, the timer doses; a peak float shortens the rest; hours and starts are counted.',
  people: 'Floats at control voltage behind a fuse, or behind a transformer. The motor is dead when it stands.',
  fails: [
    'A failed timer doses never or always: the counter tells.',
    'An enable float stuck down leaves the tank to its alarm.',
    'Left in Hand the bed is flooded.',
  ],
  together: 'one',
  mainsControl: true,
  options: [
    option('hoa', 'selector', [
      ['yes', 'Hand-Off-Auto'],
      ['no', 'none'],
    ]),
    option('counters', 'hours and starts', [
      ['yes', 'counted'],
      ['no', 'not counted'],
    ]),
    option('isolate', 'control from', [
      ['no', 'the leg, fused'],
      ['yes', 'a transformer'],
    ]),
  ],
  against: (station) => [
    ...(station.duty.kind === 'dose' ? [] : [phrase`it doses a bed, and this is not what the station is for`]),
    ...onePump(station),
    ...noValve(station),
    ...noCarried(station, true),
    ...(station.sensors.some((s) => s.role === 'pump') ? [] : [...needs(station, 'lead'), ...needs(station, 'stop')]),
  ],
  build(b, choose) {
    const f = feed(b);
    const control = mainsControl(b, f, choose('isolate') === 'yes');
    const { timer: times } = traitsOf(b.station);
    const call = times ? timedCall(b, control, times) : pumpCall(b, control);
    const water = waterRelay(b, control);
    contactorPump(b, f, control, call, {
      hoa: choose('hoa') === 'yes',
      under: lowCuts(b, water),
      counters: choose('counters') === 'yes',
    });
    const cut = cutOff(b);
    cut.finish(alarmChain(b, f, { also: [...cut.also, ...lowRings(b, water)] }));
  },
};
