import { phrase } from '../units';
import { alarmChain } from './alarmChain';
import { carried, noCarried } from './carried';
import { net, parallel, series, type PanelBuilder } from './panelBuilder';
import { contactor, coilLimits, relay, type Relay, sense, worked } from './devices';
import { feed, mainsControl } from './feed';
import type { Control } from './wires';
import { floatOf, whenWet } from './floats';
import { cutOff, permissions } from './interlocks';
import { lowCuts, lowRings, selectorBranches, waterRelay } from './contactorPump';
import { pumpPower } from './motor';
import { needs, noValve } from './reasons';
import { option, type Scheme } from './scheme';
import type { Tree } from './model';

/** The lead call (held to the stop float, or of a wide float) and the lag call. */
function calls(b: PanelBuilder, control: Control) {
  const { id, hot, back } = control;
  const call = relay(b, 'K3C', 'lead call', control);
  const lag = relay(b, 'K4C', 'lag call', control);
  const wide = floatOf(b, 'pump');
  if (wide) b.rung('lead call', id, hot, [wide.used, call.coil], back);
  // Should the lead float fail, the lag float calls in its place.
  else
    b.rung(
      'lead call, held until the stop float opens',
      id,
      hot,
      [floatOf(b, 'stop')!.used, parallel(floatOf(b, 'lead')!.used, call.make(), lag.make()), call.coil],
      back,
    );

  const lagInput = relay(b, 'K4I', 'lag input', control);
  const highInput = relay(b, 'K5I', 'high input', control);
  const school = b.station.control.floats;
  const lagFloat = school === 'four' ? floatOf(b, 'lag') : null;
  const high = floatOf(b, 'alarm');
  if (lagFloat) b.rung('lag input', id, hot, [lagFloat.used, net('IN-LAG'), lagInput.coil], back);
  else b.rung('lag input', id, 'IN-LAG', [lagInput.coil], back);
  b.rung('high input', id, hot, [high!.used, net('IN-HIGH'), highInput.coil], back);
  return { call, lag, lagInput, highInput, school };
}

/** Whose turn it is: the alternator, or the toggle that locks one pump first. In while pump 1 leads. */
function turn(b: PanelBuilder, control: Control, call: Relay): Relay {
  const { id, hot, back } = control;
  const alternator = relay(b, 'A1', 'whose turn it is', control, {
    function: 'alternator',
    description: 'alternating relay',
    cost: 2,
    sign: 'timer',
    initial: 'rest 1',
    behaviour: (coil) => ({
      kind: 'alternator',
      turns: 2,
      senses: sense('volts', control.kind, [coil]),
      ...coilLimits(control),
    }),
    made: ['rest 1', 'call 1'],
  });
  b.rung('the turn passes on when the call ends', id, hot, [call.make(), alternator.coil], back);
  const toggle = worked(
    b,
    'order',
    'S5',
    'toggle, three positions',
    'who goes first',
    [
      { state: 'one', label: '1 first' },
      { state: 'turns', label: 'take turns' },
      { state: 'two', label: '2 first' },
    ],
    b.station.control.alternates ? 'turns' : 'one',
  );
  const oneLeads = relay(b, 'K6C', 'pump 1 leads', control);
  b.rung(
    'pump 1 leads',
    id,
    hot,
    [parallel(series(toggle('selector', 'turns'), alternator.make()), toggle('selector', 'one')), oneLeads.coil],
    back,
  );
  return oneLeads;
}

/** Scheme 4: two pumps that take turns. */
export const duplex: Scheme = {
  id: 'duplex',
  title: 'alternating duplex',
  summary:
    'Lead, lag, high: the turn passes on when the lead call ends; a toggle locks one pump first; a pump that fails is skipped.',
  people:
    'Floats at control voltage behind a fuse, or behind a transformer. Each motor is dead when it stands, and has its own breaker.',
  fails: [
    'One pump lost: the other takes every call, and the alarm tells only if the water gets high.',
    'A stuck alternator lets one pump do all the work.',
    'Lost control power gives the alarm, which has its own supply.',
  ],
  together: 'all',
  mainsControl: true,
  asks: ['control.floats', 'control.alternates'],
  options: [
    option('hoa', 'selectors', [
      ['yes', 'Hand-Off-Auto each'],
      ['no', 'none'],
    ]),
    option('isolate', 'control from', [
      ['no', 'the leg, fused'],
      ['yes', 'a transformer'],
    ]),
  ],
  against: (station) => [
    ...(station.pumps.length === 2
      ? []
      : [
          phrase`it alternates two pumps, and there ${station.pumps.length === 1 ? 'is one' : `are ${station.pumps.length}`}`,
        ]),
    ...(station.sensors.some((s) => s.role === 'pump') ? [] : [...needs(station, 'lead'), ...needs(station, 'stop')]),
    ...needs(station, 'alarm'),
    ...(station.control.floats === 'three' &&
    station.sensors.some((s) => s.role === 'alarm' && s.contact === 'opens-on-rise')
      ? [
          phrase`with three floats the alarm float calls the lag pump over a link: its contact must close as the water rises`,
        ]
      : []),
    ...noValve(station),
    ...noCarried(station, true),
    ...(station.control.floats === 'four' ? needs(station, 'lag') : []),
  ],
  build(b, choose) {
    const f = feed(b);
    const control = mainsControl(b, f, choose('isolate') === 'yes');
    const { id, hot, back } = control;
    const { call, lag, lagInput, highInput, school } = calls(b, control);
    b.rung(
      'lag call, held while the lead call stands',
      id,
      hot,
      [parallel(lagInput.make(), series(lag.make(), call.make())), lag.coil],
      back,
    );
    b.outcome({
      id: 'lag',
      label: 'the lag pump is called',
      not: 'the lag pump is not called',
      never: 'the lag is never called',
      always: 'the lag is called all the time',
      kind: 'call',
      device: 'K4C',
      senses: sense('volts', control.kind, ['K4C.coil']),
      above: 0.7 * control.volts,
    });
    const [lagPin, highPin] = [b.terminal('IN-LAG', id, 'X2:LAG'), b.terminal('IN-HIGH', id, 'X2:HIGH')];
    const joined = { a: lagPin, b: highPin };
    if (school === 'three') b.link({ ...joined, label: 'three floats: the high float is the lag float too' });
    else b.linkLeftOut({ ...joined, label: 'the three-float link left in with four floats' });

    const oneLeads = turn(b, control, call);
    const pumps = b.station.pumps.map((pump, i) => {
      const n = i + 1;
      const k = contactor(b, `K${n}`, `runs pump ${n}`, control, n, pump.ratedCurrent);
      const { healthy } = pumpPower(b, f, n, pump, () => k.main());
      const aux = b.addElement(`Q${n}`, '13-14', {
        pins: ['13', '14'],
        sign: 'make',
        part: { kind: 'impedance', r: 0.01 },
        closed: ['on'],
        leak: 1e-10,
      });
      return { n, k, ready: relay(b, `K${6 + n}R`, `pump ${n} is ready`, control), healthy, aux };
    });
    const water = waterRelay(b, control);
    const stops = carried(b, f, control);
    const allowed = permissions(b);
    const fitted = choose('hoa') === 'yes';
    const permitted = allowed.length > 0 ? relay(b, 'K9R', 'others let the pumps run', control) : null;
    if (permitted) b.rung('others let the pumps run', id, hot, [...allowed, permitted.coil], back);
    for (const { n, k, ready, healthy, aux } of pumps) {
      const other = pumps.find((p) => p.n !== n)!;
      const its = n === 1 ? oneLeads.make() : oneLeads.break();
      const wanted: Tree = parallel(series(call.make(), parallel(its, other.ready.break())), lag.make());
      const branch = fitted ? selectorBranches(b, `S1${n}`, `pump ${n}`, n, wanted) : wanted;
      b.rung(
        `pump ${n} called`,
        id,
        hot,
        [branch, ready.make(), ...(permitted ? [permitted.make()] : []), ...lowCuts(b, water), k.coil],
        back,
      );
      const inAuto: Tree[] = fitted
        ? [
            b.addElement(`S1${n}`, '9-9a', {
              pins: ['9', '9a'],
              sign: 'selector',
              part: { kind: 'impedance', r: 0.01 },
              closed: ['auto', 'hand'],
              leak: 1e-10,
            }),
          ]
        : [];
      b.rung(`pump ${n} is ready`, id, hot, [aux, ...healthy, ...stops.under(n), ...inAuto, ready.coil], back);
    }
    const present = relay(b, 'K10', 'control power is there', control);
    b.rung('control power is there', id, hot, [present.coil], back);
    const cut = cutOff(b);
    cut.finish(
      alarmChain(b, f, {
        call: whenWet(b, 'alarm', highInput),
        also: [present.break(), ...cut.also, ...lowRings(b, water)],
      }),
    );
  },
};
