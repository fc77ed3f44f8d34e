import { leaf, parallel } from './panelBuilder';
import { alarmChain } from './alarmChain';
import { contactor, handOffAuto, relay } from './devices';
import { feed, mainsControl } from './feed';
import { floatOf } from './floats';
import { pumpPower } from './motor';
import type { Scheme } from './scheme';

/*
 * A scheme that is nowhere else: two pumps that always run together, on tags that no other scheme uses. Nobody outside it knows it; that its
 * faults, checks, lists, ladder, cautions and rehearsals come out whole shows that they ask what devices are for.
 */
export const twins: Scheme = {
  id: 'twins',
  title: 'two pumps together',
  summary: 'One float runs both pumps.',
  people: 'Floats at control voltage.',
  fails: ['A stuck float runs both pumps, or none.'],
  together: 'all',
  options: [],
  against: () => [],
  build(b) {
    const f = feed(b);
    const control = mainsControl(b, f);
    const { id, hot, back } = control;
    const call = relay(b, 'Q77', 'both are called', control);
    b.rung('both are called', id, hot, [floatOf(b, 'pump')!.used, call.coil], back);
    b.station.pumps.forEach((pump, i) => {
      const n = i + 1;
      const k = contactor(b, `B${n}0`, `runs pump ${n}`, control, n, pump.ratedCurrent);
      const { healthy } = pumpPower(b, f, n, pump, () => k.main());
      const s = handOffAuto(b, `H${n}`, `Hand, Off or Auto for pump ${n}`, n);
      const auto = { series: [s('selector', 'auto'), call.make()] };
      b.rung(`pump ${n} called`, id, hot, [parallel(s('selector', 'hand'), auto), ...healthy, k.coil], back);
    });
    b.device({
      tag: 'Z1',
      function: 'drive',
      charge: 'Z1 keeps a charge: wait five minutes.',
      description: 'soft starter',
      label: 'stands for anything that keeps a charge',
      place: 'panel',
      cost: 3,
      behaviour: { kind: 'worked' },
      initial: 'off',
      positions: [],
      elements: { supply: { pins: ['L', 'N'], sign: 'winding', part: { kind: 'impedance', r: 5000 } } },
    });
    b.rung('charge', 'power', f.pair[0], [leaf('Z1', 'supply')], f.pair[1]);
    alarmChain(b, f);
  },
};
