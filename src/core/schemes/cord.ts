import { alarmChain } from './alarmChain';
import { leaf, type PanelBuilder } from './panelBuilder';
import { coloursOf } from './colours';
import { breaker, residual } from './protection';
import { boardDevice, RESIDUAL } from './feed';
import { floatSwitch, sensorOf } from './floats';
import { cutOff } from './interlocks';
import { motorDevice } from './motor';
import { motorThroughFloat, noPermission, onePump, oneContactTwoLegs } from './reasons';
import { option, type Scheme } from './scheme';
import type { Tree } from './model';

/** Scheme 1: the float breaks the pump's own cord. */
export const cord: Scheme = {
  id: 'cord',
  title: 'float in the pump cord',
  summary: 'The float’s contact carries the motor: by its piggyback plug, or in a sealed box.',
  people: 'Mains voltage in the pit, at the float. A residual-current (ground-fault) device is what guards a person.',
  fails: [
    'A welded contact runs the pump until it is dry.',
    'A worn contact or a cut cord leaves the pit to its alarm.',
    'No one can run it by hand but by the plug.',
  ],
  together: 'one',
  options: [
    option('join', 'joined by', [
      ['plug', 'piggyback plug'],
      ['box', 'sealed box'],
    ]),
  ],
  against: (station) => [
    ...onePump(station),
    ...oneContactTwoLegs(station),
    ...motorThroughFloat(station),
    ...noPermission(station),
  ],
  build(b, choose) {
    const { station } = b;
    const plug = choose('join') === 'plug';
    const colours = coloursOf(station);
    const volts = station.supply.voltage;
    const circuit = b.circuit({
      id: 'power',
      label: 'pump power',
      strip: plug ? 'R' : 'J',
      reference: 'N',
      volts,
      kind: 'ac',
      low: false,
      function: 'power',
    });
    boardDevice(b, 'supply', 'W0', plug ? 'feeds the receptacle' : 'feeds the box', 1, {
      id: 'W-supply',
      label: plug ? 'feeds the receptacle' : 'feeds the box',
      length: station.wiring.feeder.length,
      area: station.wiring.feeder.area,
      colours: { L1: colours.lines[0], N: colours.neutral, PE: colours.earth },
    });
    b.land('L1s', 'power', 'W0', 'L1', 'B:L');
    b.land('Ns', 'power', 'W0', 'N', 'B:N');
    b.wire('L1s', 'line-1');
    b.wire('L1', 'line-1');
    b.wire('Ns', 'neutral');
    b.wire('N', 'neutral');
    b.wire('PE', 'earth');
    b.land('PE', 'power', 'W0', 'PE', 'B:PE');
    const [pole] = breaker(b, 'Q1', 'guards the circuit', station.supply.breaker, 1, { place: 'board' });
    const guard: Tree[] = station.supply.residualCurrent ? residual(b, 'Q9', 2, RESIDUAL[station.profile]) : [];
    b.rung('supply', 'power', 'L1s', [pole!, ...guard.slice(0, 1)], 'L1');
    b.rung('neutral', 'power', 'Ns', guard.length > 0 ? [guard[1]!] : [bridge(b)], 'N');

    const sensor = sensorOf(b, 'pump')!;
    const contacts = floatSwitch(b, sensor, {
      label: plug ? 'cord of the float, with its piggyback plug' : 'cord of the pump float',
      length: sensor.cordLength,
    });
    const at = plug ? { L: 'R:L', N: 'R:N', PE: 'R:PE' } : null;
    if (at) for (const [pin, id] of Object.entries(at)) b.terminal(pin === 'L' ? 'L1' : pin, 'power', id);
    b.land('L1', 'power', `S-${sensor.id}`, 'C', plug ? 'P:1' : undefined);
    const out = contacts.used as { leaf: string };
    b.land('LF', 'power', `S-${sensor.id}`, out.leaf.split('.')[1]!, plug ? 'P:2' : undefined);
    const back = plug ? { U: 'P:L', V: 'P:N', PE: 'P:PE' } : undefined;
    const feed = { lines: ['L1'], pair: ['L1', 'N'] as const, volts, circuit };
    motorDevice(b, 1, station.pumps[0]!, feed, {
      id: 'W-pump1',
      label: plug ? 'cord of the pump, with its plug' : 'cord of the pump',
      length: station.wiring.motor.length,
      area: station.wiring.motor.area,
      colours: { U: colours.lines[0], V: colours.neutral, PE: colours.earth },
      ...(plug && { plugs: { 'back of the float’s plug': back!, receptacle: { U: 'R:L', V: 'R:N', PE: 'R:PE' } } }),
    });
    b.land('LF', 'power', 'M1', 'U', back?.U);
    b.land('N', 'power', 'M1', 'V', back?.V);
    b.land('PE', 'power', 'M1', 'PE', back?.PE);
    b.rung('pump 1', 'power', 'L1', [contacts.used, { net: 'LF' }, leaf('M1', 'U')], 'N');
    const cut = cutOff(b);
    cut.finish(alarmChain(b, null, { also: cut.also }));
  },
};

/** Neutral that is not switched on its way. */
function bridge(b: PanelBuilder): Tree {
  b.device({
    tag: 'E2',
    function: 'bar',
    description: 'neutral bar',
    label: 'the neutral is not switched',
    place: 'board',
    cost: 0,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: { bar: { pins: ['1', '2'], sign: 'fuse', part: { kind: 'impedance', r: 0.002 } } },
  });
  return leaf('E2', 'bar');
}
