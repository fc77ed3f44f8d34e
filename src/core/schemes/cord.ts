import { traitsOf } from '../duties';
import { alarmChain } from './alarmChain';
import { leaf, type PanelBuilder } from './panelBuilder';
import { noCarried } from './carried';
import { coloursOf } from './colours';
import { breaker, residual } from './protection';
import { boardDevice, bridge, RESIDUAL } from './feed';
import { floatSwitch, sensorOf } from './floats';
import { cutOff } from './interlocks';
import { motorDevice } from './motor';
import {
  motorThroughFloat,
  noPermission,
  noSecondStop,
  noStartBox,
  oneContactTwoLegs,
  onePump,
  opensWithoutPower,
} from './reasons';
import { option, type Scheme } from './scheme';
import type { Tree } from './model';
import { valveDevice } from './valve';
import type { Feed } from './wires';

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
  plugged: (choose) => choose('join') === 'plug',
  against: (station) => [
    ...onePump(station),
    ...oneContactTwoLegs(station),
    ...opensWithoutPower(station),
    ...motorThroughFloat(station),
    ...noPermission(station),
    ...noStartBox(station),
    ...noCarried(station, false),
    ...noSecondStop(station),
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
    boardDevice(b, {
      what: 'supply',
      tag: 'W0',
      label: plug ? 'feeds the receptacle' : 'feeds the box',
      legs: 1,
      breaker: station.supply.breaker,
      guard: null,
      cable: {
        id: 'W-supply',
        label: plug ? 'feeds the receptacle' : 'feeds the box',
        length: station.wiring.feeder.length,
        area: station.wiring.feeder.area,
        colours: { L1: colours.lines[0], N: colours.neutral, PE: colours.earth },
      },
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
    moved(b, { lines: ['L1'], pair: ['L1', 'N'], volts, circuit }, contacts.used, plug);
    const cut = cutOff(b);
    cut.finish(alarmChain(b, null, { also: cut.also, power: { hot: 'L1', back: 'N', volts } }));
  },
};

/** What the float feeds: a pump, or the valve of a tank; by the back of its plug, or in the box. */
function moved(b: PanelBuilder, feed: Feed, float: Tree, plug: boolean): void {
  const { station } = b;
  const colours = coloursOf(station);
  const { mover } = traitsOf(station);
  const valve = mover.kind === 'valve' ? mover.valve : null;
  const [tag, hot, cold] = valve ? ['Y1', '1', '2'] : ['M1', 'U', 'V'];
  const back = plug ? { [hot]: 'P:L', [cold]: 'P:N', PE: 'P:PE' } : undefined;
  const name = `cord of the ${valve ? 'valve' : 'pump'}`;
  const cable = {
    id: 'W-pump1',
    label: plug ? `${name}, with its plug` : name,
    length: station.wiring.motor.length,
    area: station.wiring.motor.area,
    colours: { [hot]: colours.lines[0], [cold]: colours.neutral, PE: colours.earth },
    ...(back && {
      plugs: { 'back of the float’s plug': back, receptacle: { [hot]: 'R:L', [cold]: 'R:N', PE: 'R:PE' } },
    }),
  };
  if (valve) valveDevice(b, valve, feed, cable);
  else motorDevice(b, 1, station.pumps[0]!, feed, cable);
  b.land('LF', 'power', tag, hot, back?.[hot]);
  b.land('N', 'power', tag, cold, back?.[cold]);
  b.land('PE', 'power', tag, 'PE', back?.PE);
  b.rung(valve ? 'valve' : 'pump 1', 'power', 'L1', [float, { net: 'LF' }, leaf(tag, valve ? 'coil' : hot)], 'N');
}
