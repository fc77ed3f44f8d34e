import { alarmChain } from './alarmChain';
import { noCarried } from './carried';
import { contactorPump, lowCuts, lowRings, pumpCall, waterRelay } from './contactorPump';
import { feed, mainsControl } from './feed';
import { cutOff } from './interlocks';
import { onePump, needs } from './reasons';
import { option, type Scheme } from './scheme';

/** Scheme 3: one pump behind a contactor. */
export const contactorScheme: Scheme = {
  id: 'contactor',
  title: 'contactor with selector',
  summary: 'A contactor breaks every live leg; Hand-Off-Auto; one wide float, or stop and start floats with a seal-in.',
  people: 'Floats at control voltage behind a fuse, or behind a transformer. The motor is dead when it stands.',
  fails: [
    'A welded contactor runs on: the low float cannot stop it, the disconnect can.',
    'A lost control fuse stops the pump; the alarm has its own supply.',
    'Left in Hand it runs dry; left in Off it floods.',
  ],
  together: 'one',
  mainsControl: true,
  options: [
    option('hoa', 'selector', [
      ['yes', 'Hand-Off-Auto'],
      ['no', 'none'],
    ]),
    option('isolate', 'control from', [
      ['no', 'the leg, fused'],
      ['yes', 'a transformer'],
    ]),
    option('low', 'low float', [
      ['cuts', 'cuts the pump, in Hand too'],
      ['warns', 'only alarms'],
    ]),
  ],
  against: (station) => [
    ...onePump(station),
    ...noCarried(station, true),
    ...(station.sensors.some((s) => s.role === 'pump') ? [] : [...needs(station, 'lead'), ...needs(station, 'stop')]),
  ],
  build(b, choose) {
    const f = feed(b);
    const control = mainsControl(b, f, choose('isolate') === 'yes');
    const call = pumpCall(b, control);
    const low = waterRelay(b, control);
    contactorPump(b, f, control, call, {
      hoa: choose('hoa') === 'yes',
      under: choose('low') === 'cuts' ? lowCuts(b, low) : [],
    });
    const cut = cutOff(b);
    cut.finish(alarmChain(b, f, { also: [...cut.also, ...lowRings(b, low)] }));
  },
};
