import type { Station } from '../station';
import { phrase, type Phrase } from '../units';
import { alarmChain } from './alarmChain';
import { carried, noCarried } from './carried';
import { lowCuts, lowRings, selectorBranches, waterRelay } from './contactorPump';
import { contactor, relay, sense } from './devices';
import { feed, mainsControl } from './feed';
import { floatOf, whenWet } from './floats';
import { cutOff, permissions } from './interlocks';
import { calledInTurn, turns } from './inTurn';
import type { Tree } from './model';
import { pumpPower } from './motor';
import { net, parallel, series, type PanelBuilder } from './panelBuilder';
import { needs, noValve } from './reasons';
import { option, type Scheme } from './scheme';
import type { Control } from './wires';

/** What a further call is made of, by its role: the relay of its float, and the one that holds the call while the lead call stands. */
const FURTHER = [
  { role: 'lag', word: 'lag', input: 'K4I', call: 'K4C', terminal: 'LAG', never: 'the lag is never called' },
  {
    role: 'lag2',
    word: 'second lag',
    input: 'K14I',
    call: 'K14C',
    terminal: 'LAG2',
    never: 'the second lag is never called',
  },
] as const;
/** Relays that say that a pump is ready. */
const READY = ['K7R', 'K8R', 'K11R'] as const;

/** The lead call (held to the stop float, or of a wide float), and a call of each further pump. The last call is of the alarm float in the school that shares it. */
function calls(b: PanelBuilder, control: Control, pumps: number) {
  const { id, hot, back } = control;
  const call = relay(b, 'K3C', 'lead call', control);
  const further = FURTHER.slice(0, pumps - 1).map((f) => ({ ...f, held: relay(b, f.call, `${f.word} call`, control) }));
  const wide = floatOf(b, 'pump');
  if (wide) b.rung('lead call', id, hot, [wide.used, call.coil], back);
  // Should the lead float fail, a lag float calls in its place.
  else
    b.rung(
      'lead call, held until the stop float opens',
      id,
      hot,
      [
        floatOf(b, 'stop')!.used,
        parallel(floatOf(b, 'lead')!.used, call.make(), ...further.map((f) => f.held.make())),
        call.coil,
      ],
      back,
    );

  const shared = b.station.control.floats === 'three';
  const inputs = further.map((f) => relay(b, f.input, `${f.word} input`, control));
  const highInput = relay(b, 'K5I', 'high input', control);
  const high = floatOf(b, 'alarm');
  further.forEach((f, i) => {
    const wire = net(`IN-${f.terminal}`);
    const last = i === further.length - 1;
    const float = shared && last ? null : floatOf(b, f.role);
    if (float) b.rung(`${f.word} input`, id, hot, [float.used, wire, inputs[i]!.coil], back);
    else b.rung(`${f.word} input`, id, `IN-${f.terminal}`, [inputs[i]!.coil], back);
  });
  b.rung('high input', id, hot, [high!.used, net('IN-HIGH'), highInput.coil], back);
  further.forEach(({ word, held, call: tag, never }, i) => {
    // Who calls the third pump calls the second.
    const wanted = [...inputs.slice(i).map((k) => k.make()), series(held.make(), call.make())];
    b.rung(`${word} call, held while the lead call stands`, id, hot, [parallel(...wanted), held.coil], back);
    b.outcome({
      id: further[i]!.role,
      label: `the ${word} pump is called`,
      not: `the ${word} pump is not called`,
      never,
      always: `the ${word} is called all the time`,
      kind: 'call',
      device: tag,
      senses: sense('volts', control.kind, [`${tag}.coil`]),
      above: 0.7 * control.volts,
    });
  });
  const { terminal, word } = further.at(-1)!;
  const [lagPin, highPin] = [b.terminal(`IN-${terminal}`, id, `X2:${terminal}`), b.terminal('IN-HIGH', id, 'X2:HIGH')];
  const joined = { a: lagPin, b: highPin };
  if (shared) b.link({ ...joined, label: `${COUNTS[pumps]} floats: the high float is the ${word} float too` });
  else
    b.linkLeftOut({
      ...joined,
      label: `the ${COUNTS[pumps]}-float link left in with ${COUNTS[pumps + 1]} floats`,
    });
  return { call, calls: [call, ...further.map((f) => f.held)], highInput };
}

/** Floats of a scheme for so many pumps in the school that lets the alarm float call the last: one less than in the other. */
const COUNTS: Readonly<Record<number, string>> = { 2: 'three', 3: 'four', 4: 'five' };

/** Why a scheme of turns for so many pumps does not fit. */
function against(station: Station, count: number): Phrase[] {
  const { pumps, sensors, control } = station;
  const shared = control.floats === 'three';
  const lags = FURTHER.slice(0, shared ? count - 2 : count - 1);
  return [
    ...(pumps.length === count
      ? []
      : [
          phrase`it alternates ${count === 2 ? 'two' : 'three'} pumps, and there ${pumps.length === 1 ? 'is one' : `are ${pumps.length}`}`,
        ]),
    ...(sensors.some((s) => s.role === 'pump') ? [] : [...needs(station, 'lead'), ...needs(station, 'stop')]),
    ...needs(station, 'alarm'),
    ...(shared && sensors.some((s) => s.role === 'alarm' && s.contact === 'opens-on-rise')
      ? [
          phrase`with ${COUNTS[count]!} floats the alarm float calls the ${FURTHER[count - 2]!.word} pump over a link: its contact must close as the water rises`,
        ]
      : []),
    ...noValve(station),
    ...noCarried(station, true),
    ...lags.flatMap(({ role }) => needs(station, role)),
  ];
}

function build(b: PanelBuilder, choose: (option: string) => string): void {
  const { pumps: all } = b.station;
  const f = feed(b);
  const control = mainsControl(b, f, choose('isolate') === 'yes');
  const { id, hot, back } = control;
  const { call, calls: called, highInput } = calls(b, control, all.length);
  const leads = turns(b, control, all.length, call);
  const pumps = all.map((pump, i) => {
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
    return { n, k, ready: relay(b, READY[i]!, `pump ${n} is ready`, control), healthy, aux };
  });
  const water = waterRelay(b, control, all.length > 2 ? 'K15' : 'K3');
  const stops = carried(b, f, control);
  const allowed = permissions(b);
  const fitted = choose('hoa') === 'yes';
  const permitted = allowed.length > 0 ? relay(b, 'K9R', 'others let the pumps run', control) : null;
  if (permitted) b.rung('others let the pumps run', id, hot, [...allowed, permitted.coil], back);
  for (const { n, k, ready, healthy, aux } of pumps) {
    const wanted = calledInTurn(
      n,
      called.map((c) => () => c.make()),
      leads,
      pumps.map((p) => () => p.ready.break()),
    );
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
}

/** What schemes of turns have in common, whatever the number of pumps. */
const common = {
  people:
    'Floats at control voltage behind a fuse, or behind a transformer. Each motor is dead when it stands, and has its own breaker.',
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
  build,
} as const satisfies Partial<Scheme>;

/** Scheme 4: two pumps that take turns. */
export const duplex: Scheme = {
  ...common,
  id: 'duplex',
  title: 'alternating duplex',
  summary:
    'Lead, lag, high: the turn passes on when the lead call ends; a toggle locks one pump first; a pump that fails is skipped.',
  fails: [
    'One pump lost: the other takes every call, and the alarm tells only if the water gets high.',
    'A stuck alternator lets one pump do all the work.',
    'Lost control power gives the alarm, which has its own supply.',
  ],
  against: (station) => against(station, 2),
};

/** Scheme 10: three pumps that take turns. */
export const triplex: Scheme = {
  ...common,
  id: 'triplex',
  title: 'alternating triplex',
  summary:
    'Lead, lag, second lag, high: the turn passes over three pumps when the lead call ends; a toggle locks one first; a pump that fails is skipped.',
  fails: [
    'One pump lost: the next in turn takes its call, and the alarm tells only if the water gets high.',
    'A stuck alternator lets the same pump go first for ever.',
    'A lag float lost: the second lag float calls for it, later.',
    'Lost control power gives the alarm, which has its own supply.',
  ],
  against: (station) => against(station, 3),
};
