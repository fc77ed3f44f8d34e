import { alarmChain } from './alarmChain';
import { noCarried } from './carried';
import { cutOff } from './interlocks';
import { needs, noPermission, noPumpPower, noSecondStop } from './reasons';
import type { Scheme } from './scheme';

/** Scheme 9: an alarm, whatever runs the pump. */
export const alarmOnly: Scheme = {
  id: 'alarm-only',
  title: 'alarm only',
  summary:
    'A high-level float with horn, lamp, silence, test, battery and a contact for far away. The pump has its own control.',
  people: 'The float is at 12 V, apart from the mains.',
  fails: ['A stuck float or a flat battery shows nothing until it is tested.', 'It tells; it stops nothing.'],
  together: 'one',
  options: [],
  against: (station) => [
    ...needs(station, 'alarm'),
    ...noPermission(station),
    ...noCarried(station, false),
    ...noSecondStop(station),
    ...noPumpPower(station),
  ],
  build(b) {
    const cut = cutOff(b);
    cut.finish(alarmChain(b, null, { also: cut.also }));
  },
};
