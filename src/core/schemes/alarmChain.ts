import { leaf, net, parallel, series, type PanelBuilder } from './panelBuilder';
import { coloursOf } from './colours';
import { directSupply, load, loop, type Power, pushButton, relay, type Relay, sense } from './devices';
import { breaker } from './protection';
import { boardDevice, type Feed, lineToNeutral } from './feed';
import { floatOf } from './floats';
import type { Tree } from './model';

const ALARM: Power = { volts: 12, kind: 'dc' };

/** Loops that a dry contact closes for somebody else: their source and current, as is common. */
const DIALLER = { volts: 12, amps: 0.01 };

/** Supply of the alarm: its own circuit of the board or the pump's, a power supply to 12 V, and a battery behind it where one is fitted. */
function alarmSupply(b: PanelBuilder, feed: Feed | null): void {
  const { alarm, wiring, supply } = b.station;
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
    boardDevice(b, 'alarm-supply', 'W9', 'feeds the alarm', 1, {
      id: 'W-bell-supply',
      label: 'alarm supply, a circuit of its own',
      length: wiring.feeder.length,
      area: 1.5e-6,
      colours: { L1: colours.lines[0], N: colours.neutral, PE: colours.earth },
    });
    b.land('LA', 'alarm-mains', 'W9', 'L1');
    b.land('NA', 'alarm-mains', 'W9', 'N');
    b.wire('NA', 'neutral');
    b.wire('PE', 'earth');
    b.land('PE', 'alarm-mains', 'W9', 'PE', 'X3:PE');
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
  b.rung('battery, when mains is gone', 'alarm', 'A0', [leaf('GB', 'cell'), present.break()], 'A');
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
  { call, also = [] }: { call?: Tree; also?: readonly Tree[] } = {},
): AlarmChain {
  const { alarm, interlocks } = b.station;
  alarmSupply(b, feed);
  const high = call ?? floatOf(b, 'alarm')?.used;
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
        ...also,
        ...held,
        ...test,
        ...(high || also.length > 0 || test.length > 0 ? [] : [pushButton(b, 'S3', 'tests the alarm', 'button')]),
      ),
      called.coil,
    ],
    'A0',
  );
  if (alarm.lamp) {
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
  if (alarm.horn) {
    const horn = load(b, 'horn', 'P2', 'horn', 'sounds until it is silenced', 'horn', ALARM, 3);
    if (alarm.silence) {
      const quiet = relay(b, 'K7', 'silenced', ALARM, { function: 'silence' });
      b.rung(
        'silence',
        'alarm',
        'A',
        [called.make(), parallel(pushButton(b, 'S2', 'silences the horn', 'button'), quiet.make()), quiet.coil],
        'A0',
      );
      b.rung('horn', 'alarm', 'A', [called.make(), quiet.break(), horn], 'A0');
    } else b.rung('horn', 'alarm', 'A', [called.make(), horn], 'A0');
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
  if (alarm.remoteContact)
    reportContact(b, 'P9', 'the dialler is told', 'the dialler is not told', 'dialler', 'remote', 'H', called);
  for (const [i, lock] of interlocks.entries())
    if (lock.kind === 'standby')
      reportContact(
        b,
        `U2${i}`,
        `${lock.name} is started`,
        `${lock.name} is not started`,
        lock.name,
        `standby${i}`,
        `Y${i + 1}`,
        called,
      );
  return { relay: called };
}

/** A dry changeover contact of the alarm on three terminals; the pair that closes goes out. */
function reportContact(
  b: PanelBuilder,
  tag: string,
  label: string,
  not: string,
  name: string,
  cable: string,
  wires: string,
  called: Relay,
): void {
  const id = `report-${cable}`;
  const [common, closes, opens] = [1, 2, 3].map((n) => `${wires}${n}`) as [string, string, string];
  b.circuit({
    id,
    label: `dry contact for ${name}`,
    strip: 'X5',
    reference: closes,
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
  b.rung(`dry contact for ${name}`, id, common, [called.make()], closes);
  b.rung('its loop outside', id, common, [outside], closes);
  b.terminal(opens, id);
  b.rung('the other side of it, spare', id, common, [called.break()], opens);
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
