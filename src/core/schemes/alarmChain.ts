import { leaf, net, parallel, series, type PanelBuilder } from './panelBuilder';
import { coloursOf } from './colours';
import { directSupply, load, loop, type Power, pushButton, relay, type Relay, sense } from './devices';
import { breaker } from './protection';
import { boardDevice, lineToNeutral } from './feed';
import type { Feed } from './wires';
import { sealProbes } from './carried';
import { floatOf, sensorOf } from './floats';
import { allWell, powerRelay, ringing, running, type PumpPower } from './watchers';
import type { Tree } from './model';

const ALARM: Power = { volts: 12, kind: 'dc' };

/** Loops that a dry contact closes for somebody else: their source and current, as is common. */
const DIALLER = { volts: 12, amps: 0.01 };

/** The alarm's own circuit of the board: its breaker, A, and its conductors, m² (14 AWG is the least of a branch circuit: NFPA 70, 210.19). */
const ALARM_CIRCUIT = {
  'metric-230': { breaker: 10, area: 1.5e-6 },
  'us-120': { breaker: 15, area: 2.08e-6 },
} as const;
/** The battery's fuse, at its terminal, A. */
const BATTERY_FUSE = 3;

/** Supply of the alarm: its own circuit of the board or the pump's, a power supply to 12 V, and a battery behind it where one is fitted. */
function alarmSupply(b: PanelBuilder, feed: Feed | null): void {
  const { alarm, wiring, supply, profile } = b.station;
  const colours = coloursOf(b.station);
  const mains: Power = { volts: lineToNeutral(supply), kind: 'ac' };
  b.circuit({
    id: 'alarm-mains',
    label: 'alarm supply',
    strip: 'X3',
    reference: 'N',
    volts: mains.volts,
    kind: 'ac',
    low: false,
    function: 'alarm',
  });
  b.circuit({
    id: 'alarm',
    label: 'alarm',
    strip: 'X4',
    reference: 'A0',
    volts: ALARM.volts,
    kind: 'dc',
    low: true,
    function: 'alarm',
  });
  const g = directSupply(b, 'G2', 'feeds the alarm', mains, ALARM.volts, 10);
  const [fuse] = breaker(b, 'F3', 'guards the alarm supply', 2, 1, { fuse: true });
  if (alarm.ownSupply || !feed) {
    boardDevice(b, {
      what: 'alarm-supply',
      tag: 'W9',
      label: 'feeds the alarm',
      legs: 1,
      ...ALARM_CIRCUIT[profile],
      guard: 'QA',
      cable: {
        id: 'W-bell-supply',
        label: 'alarm supply, a circuit of its own',
        length: wiring.feeder.length,
        area: ALARM_CIRCUIT[profile].area,
        colours: { L1: colours.lines[0], N: colours.neutral, PE: colours.earth },
      },
    });
    b.land('LA', 'alarm-mains', 'W9', 'L1');
    b.land('NA', 'alarm-mains', 'W9', 'N');
    b.wire('NA', 'neutral');
    // In the panel of the pumps there is one earth bar; an alarm in a box of its own has no wire to theirs.
    const earth = feed ? 'PE' : 'PEA';
    b.wire(earth, 'earth');
    b.land(earth, 'alarm-mains', 'W9', 'PE', 'X3:PE');
    b.rung('alarm supply, a circuit of its own', 'alarm-mains', 'LA', [fuse!, g.input], 'NA');
  } else b.rung('alarm supply, from the pump circuit', 'alarm-mains', feed.lines[0]!, [fuse!, g.input], 'N');
  if (!alarm.battery) {
    b.rung('alarm supply, 12 V', 'alarm', 'A0', [g.output], 'A');
    return;
  }
  const present = relay(b, 'K9', 'mains is there', ALARM);
  b.rung('alarm supply, 12 V', 'alarm', 'A0', [g.output, net('AM'), present.make()], 'A');
  b.rung('mains is there', 'alarm', 'AM', [present.coil], 'A0');
  b.device({
    tag: 'GB',
    function: 'battery',
    description: 'battery, 12 V sealed',
    label: 'keeps the alarm alive without mains',
    place: 'panel',
    cost: 1,
    behaviour: { kind: 'worked' },
    initial: 'charged',
    rating: BATTERY_FUSE,
    positions: [
      { state: 'charged', label: 'charged' },
      { state: 'flat', label: 'flat' },
    ],
    elements: {
      cell: {
        pins: ['-', '+'],
        sign: 'cell',
        part: { kind: 'source', volts: -12.6, phaseDeg: 0, frequency: 0, r: 0.5 },
        closed: ['charged'],
        leak: 1e-4,
      },
    },
  });
  const [fused] = breaker(b, 'F4', 'guards the battery', BATTERY_FUSE, 1, { fuse: true, direct: true, handled: false });
  b.rung('battery, when mains is gone', 'alarm', 'A0', [leaf('GB', 'cell'), fused!, present.break()], 'A');
}

/** What rings the alarm in hand: contacts that follow it. */
export interface AlarmChain {
  readonly relay: Relay;
}

/**
 * The alarm of a station: what calls it, latch and reset, test, lamp, horn with silence, and the contact for somebody far away.
 * The high float calls it unless the scheme gives another call; `also` rings it too.
 */
export function alarmChain(
  b: PanelBuilder,
  feed: Feed | null,
  { call, also = [], power }: { call?: Tree; also?: readonly Tree[]; power?: PumpPower } = {},
): AlarmChain {
  const { alarm } = b.station;
  alarmSupply(b, feed);
  sealProbes(b, 'A', 'A0', 'alarm');
  const present = powerPresent(b, power ?? (feed && { hot: feed.pair[0], back: feed.pair[1], volts: feed.volts }));
  const rings = [...also, ...ringing(b), ...(present && alarm.powerFail ? [present.break()] : [])];
  const high = call ?? highCall(b);
  const called = relay(b, 'K8', 'the alarm acts', ALARM);
  const held = alarm.latch
    ? [series(called.make(), pushButton(b, 'S4', 'resets the alarm', 'button-break', 'reset'))]
    : [];
  const test = alarm.test ? [pushButton(b, 'S3', 'tests the alarm', 'button')] : [];
  b.rung(
    'alarm called',
    'alarm',
    'A',
    [
      parallel(
        ...(high ? [high] : []),
        ...rings,
        ...held,
        ...test,
        ...(high || rings.length > 0 || test.length > 0 ? [] : [pushButton(b, 'S3', 'tests the alarm', 'button')]),
      ),
      called.coil,
    ],
    'A0',
  );
  if (alarm.lamp) lamp(b, called);
  if (alarm.horn) horn(b, called);
  reports(b, called, present);
  return { relay: called };
}

/** The alarm float; one that opens as the water rises holds a relay in while all is well, so that a cut cord rings. */
function highCall(b: PanelBuilder): Tree | null {
  const float = floatOf(b, 'alarm')?.used;
  if (!float || sensorOf(b, 'alarm')!.contact === 'closes-on-rise') return float ?? null;
  const well = relay(b, 'K8H', 'water is below the alarm float', ALARM);
  b.rung('water is below the alarm float', 'alarm', 'A', [float, well.coil], 'A0');
  return well.break();
}

/** A relay on the power of the pumps, where something goes by its loss. */
function powerPresent(b: PanelBuilder, fed: PumpPower | null): Relay | null {
  const { alarm, interlocks } = b.station;
  const starts = interlocks.some((l) => l.kind === 'standby' && l.on !== 'high');
  return fed && (alarm.powerFail || alarm.powerFailContact || starts) ? powerRelay(b, fed) : null;
}

/** Lit while the alarm is called. */
function lamp(b: PanelBuilder, called: Relay): void {
  b.rung(
    'lamp',
    'alarm',
    'A',
    [called.make(), load(b, 'lamp', 'P1', 'lamp', 'lit while the alarm is called', 'lamp', ALARM, 2)],
    'A0',
  );
  b.outcome({
    id: 'lamp',
    label: 'the lamp is lit',
    not: 'the lamp is out',
    never: 'the lamp is never lit',
    always: 'the lamp never goes out',
    kind: 'lamp',
    device: 'P1',
    senses: sense('volts', 'dc', ['P1.load']),
    above: 0.7 * ALARM.volts,
  });
}

/** Sounds while the alarm is called, until it is silenced. */
function horn(b: PanelBuilder, called: Relay): void {
  const sounder = load(b, 'horn', 'P2', 'horn', 'sounds until it is silenced', 'horn', ALARM, 3);
  if (b.station.alarm.silence) {
    const quiet = relay(b, 'K7', 'silenced', ALARM, { function: 'silence' });
    b.rung(
      'silence',
      'alarm',
      'A',
      [called.make(), parallel(pushButton(b, 'S2', 'silences the horn', 'button'), quiet.make()), quiet.coil],
      'A0',
    );
    b.rung('horn', 'alarm', 'A', [called.make(), quiet.break(), sounder], 'A0');
  } else b.rung('horn', 'alarm', 'A', [called.make(), sounder], 'A0');
  b.outcome({
    id: 'horn',
    label: 'the horn sounds',
    not: 'the horn is quiet',
    never: 'the horn never sounds',
    always: 'the horn never stops',
    kind: 'alarm',
    device: 'P2',
    senses: sense('volts', 'dc', ['P2.load']),
    above: 0.7 * ALARM.volts,
  });
}

/** Dry contacts of the alarm: for a dialler, and for what is started by it or by lost power. */
function reports(b: PanelBuilder, called: Relay, present: Relay | null): void {
  const { alarm, interlocks } = b.station;
  if (alarm.remoteContact)
    reportContact(b, {
      tag: 'P9',
      label: 'the dialler is told',
      not: 'the dialler is not told',
      name: 'dialler',
      cable: 'remote',
      wires: 'H',
      closes: [called.make()],
      opens: called.break(),
    });
  for (const [i, lock] of interlocks.entries())
    if (lock.kind === 'standby')
      reportContact(b, {
        tag: `U2${i}`,
        label: `${lock.name} is started`,
        not: `${lock.name} is not started`,
        name: lock.name,
        cable: `standby${i}`,
        wires: `Y${i + 1}`,
        closes: [
          parallel(
            ...(lock.on === 'power' ? [] : [called.make()]),
            ...(lock.on === 'high' || !present ? [] : [present.break()]),
          ),
        ],
        opens: lock.on === 'high' ? called.break() : null,
      });
  fartherContacts(b, present);
}

/** Dry contacts beside that of the alarm: a pump runs, nothing is wrong, the power is there. */
function fartherContacts(b: PanelBuilder, present: Relay | null): void {
  const { alarm } = b.station;
  if (alarm.runContact)
    for (const { pump, contact } of running(b))
      reportContact(b, {
        tag: `P2${pump}`,
        label: `far away is told that pump ${pump} runs`,
        not: `far away is told that pump ${pump} stands`,
        name: `far end, pump ${pump} runs`,
        cable: `run${pump}`,
        wires: `R${pump}X`,
        closes: [contact],
        opens: null,
      });
  const well = alarm.faultContact ? allWell(b) : [];
  if (well.length > 0)
    reportContact(b, {
      tag: 'P8',
      label: 'far away is told that nothing is wrong',
      not: 'far away is told of a fault',
      name: 'far end, fault',
      cable: 'fault',
      wires: 'FX',
      closes: well,
      opens: null,
    });
  if (present && alarm.powerFailContact)
    reportContact(b, {
      tag: 'P7',
      label: 'far away is told that the power is there',
      not: 'far away is told that the power is lost',
      name: 'far end, power',
      cable: 'power',
      wires: 'PX',
      closes: [present.make()],
      opens: null,
    });
}

/** A dry contact for somebody far away. */
interface Report {
  readonly tag: string;
  readonly label: string;
  readonly not: string;
  readonly name: string;
  readonly cable: string;
  readonly wires: string;
  /** In series: what closes its loop. */
  readonly closes: readonly Tree[];
  /** The other side of a changeover; null where there is none. */
  readonly opens: Tree | null;
}

/** A dry contact on terminals of its own, with the other side of it where it is a changeover; the pair that closes goes out. */
function reportContact(b: PanelBuilder, { tag, label, not, name, cable, wires, closes, opens }: Report): void {
  const id = `report-${cable}`;
  const [common, closing, other] = [1, 2, 3].map((n) => `${wires}${n}`) as [string, string, string];
  b.circuit({
    id,
    label: `dry contact for ${name}`,
    strip: 'X5',
    reference: closing,
    volts: DIALLER.volts,
    kind: 'dc',
    low: true,
    function: 'others',
  });
  const [brown, black] = coloursOf(b.station).cord;
  const outside = loop(
    b,
    'report',
    tag,
    name,
    { id: `W-${cable}`, label: `to ${name}`, length: 20, area: 0.5e-6, colours: { '1': brown, '2': black } },
    { ...DIALLER, kind: 'dc' },
    DIALLER.amps,
  );
  b.rung(`dry contact for ${name}`, id, common, closes, closing);
  b.rung('its loop outside', id, common, [outside], closing);
  if (opens) {
    b.terminal(other, id);
    b.rung('the other side of it, spare', id, common, [opens], other);
  }
  b.outcome({
    id: tag,
    label,
    not,
    never: `${name} is never told: the alarm never reports`,
    always: `${name} is told all the time`,
    kind: 'report',
    device: tag,
    senses: sense('amps', 'dc', [`${tag}.load`]),
    above: DIALLER.amps / 2,
  });
}
