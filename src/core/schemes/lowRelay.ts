import { phrase, quantity } from '../units';
import { alarmChain } from './alarmChain';
import { carried, noCarried } from './carried';
import type { PanelBuilder } from './panelBuilder';
import { motorSize, relay, sense, type Power } from './devices';
import { feed, lowControl } from './feed';
import { cutOff, permissions, tellOthers } from './interlocks';
import { pumpPower } from './motor';
import { lowCuts, lowRings, pumpCall, waterRelay } from './contactorPump';
import { needs, onePump, opensWithoutPower } from './reasons';
import { option, type Scheme } from './scheme';

/** Off-state leakage of a solid-state relay with its snubber, S; and what it is like when on, Ω. */
export const SOLID = { leak: 20e-6, r: 0.15, control: { least: 3, most: 32 }, rated: 25 } as const;

/** A solid-state relay: small control current in, one live wire out. It leaks when off, and when it fails it stays on. */
function solid(b: PanelBuilder, tag: string, { volts, kind }: Power, poles: number) {
  b.device({
    tag,
    function: 'solid-state',
    pump: 1,
    description: `solid-state relay, ${SOLID.rated} A, control ${SOLID.control.least}–${SOLID.control.most} V ${kind.toUpperCase()}, on its heat sink`,
    label: 'switches the motor without a moving contact',
    place: 'panel',
    cost: 2,
    behaviour: {
      kind: 'relay',
      senses: sense('volts', kind, [`${tag}.coil`]),
      pickUp: SOLID.control.least,
      dropOut: 1,
    },
    initial: 'off',
    positions: [],
    elements: {
      coil: { pins: ['3+', '4-'], sign: 'input', part: { kind: 'impedance', r: volts / 0.012 } },
      ...Object.fromEntries(
        Array.from({ length: poles }, (_, i) => [
          `${i + 1}`,
          {
            pins: [`${i + 1}L`, `${i + 1}T`] as [string, string],
            sign: 'solid' as const,
            part: { kind: 'impedance' as const, r: SOLID.r },
            closed: ['on'],
            leak: SOLID.leak,
          },
        ]),
      ),
    },
  });
  let next = 0;
  return {
    coil: { leaf: `${tag}.coil` },
    main: () => ({ leaf: `${tag}.${++next}` }),
  };
}

/** Scheme 2: floats at low voltage, and a relay between them and the motor. */
export const lowRelay: Scheme = {
  id: 'relay',
  title: 'low-voltage float and relay',
  summary: 'The float works at 24 V, apart from the mains; a relay or solid-state relay carries the motor.',
  people: 'No mains in the water or the tank: the float is at 24 V from a supply that is apart from it.',
  fails: [
    'A relay that fails mostly stays open; its contacts can weld.',
    'A solid-state relay that fails stays closed: the pump runs on.',
    'A lost 24 V supply stops the pump; the alarm has its own.',
  ],
  together: 'one',
  options: [
    option('switch', 'switched by', [
      ['relay', 'power relay'],
      ['ssr', 'solid-state relay'],
    ]),
    option('low', 'float circuit', [
      ['dc', '24 V direct'],
      ['ac', '24 V alternating'],
    ]),
  ],
  against: (station, choose) => [
    ...onePump(station),
    ...noCarried(station, true),
    ...(station.sensors.some((s) => s.role === 'pump') ? [] : needs(station, 'lead')),
    ...(choose('switch') === 'ssr' ? opensWithoutPower(station) : []),
    ...(choose('switch') === 'ssr' && station.pumps[0]!.ratedCurrent > SOLID.rated * 0.4
      ? [
          phrase`a solid-state relay of ${quantity('current', SOLID.rated)} carries a motor of ${quantity('current', SOLID.rated * 0.4)} at most, for its start`,
        ]
      : []),
  ],
  build(b, choose) {
    const f = feed(b);
    const control = lowControl(b, f, choose('low') === 'ac' ? 'ac' : 'dc');
    const live = f.pair[1] === 'N' ? 1 : f.lines.length;
    const k =
      choose('switch') === 'ssr'
        ? solid(b, 'K1', control, live)
        : relay(b, 'K1', 'runs the pump', control, {
            pump: 1,
            description: `power relay, ${motorSize(b.station.pumps[0]!.ratedCurrent)} A AC-3`,
            cost: 2,
            va: 2,
          });
    const call = pumpCall(b, control);
    const low = waterRelay(b, control);
    const { healthy } = pumpPower(b, f, 1, b.station.pumps[0]!, () => k.main(), {
      overload: live > 1,
      ...('break' in k && { opens: () => k.break() }),
    });
    const follows = b.station.interlocks.some((l) => l.kind === 'full')
      ? relay(b, 'K4', 'calls for water', control)
      : null;
    const stops = carried(b, f, control).under(1);
    b.rung(
      'pump 1 called',
      control.id,
      control.hot,
      [
        call,
        ...permissions(b),
        ...stops,
        ...lowCuts(b, low),
        ...healthy,
        follows ? { parallel: [k.coil, follows.coil] } : k.coil,
      ],
      control.back,
    );
    if (follows) tellOthers(b, follows);
    const cut = cutOff(b);
    cut.finish(alarmChain(b, f, { also: [...cut.also, ...lowRings(b, low)] }));
  },
};
