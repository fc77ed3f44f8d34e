import { leaf, type PanelBuilder } from './panelBuilder';
import type { Feed } from './wires';
import { breaker } from './protection';

/*
 * What keeps a panel: a heater against damp, a surge arrester against what comes in over the line. They hang on the incoming wires.
 */

/** What a surge arrester lets through in health, Ω, and when it has failed. */
const ARRESTER = 20e6;

export function keeping(b: PanelBuilder, { lines, pair, volts }: Feed): void {
  const { heater, surge } = b.station.control.parts;
  if (heater !== null) {
    b.device({
      tag: 'E5',
      function: 'heater',
      description: `panel heater, ${heater} W`,
      label: 'keeps the panel dry',
      place: 'panel',
      cost: 1,
      behaviour: { kind: 'worked' },
      initial: '',
      positions: [],
      elements: {
        load: { pins: ['1', '2'], sign: 'heater', part: { kind: 'impedance', r: (volts * volts) / heater } },
      },
    });
    const amps = heater / volts > 1.5 ? 6 : 2;
    const [first, second] = breaker(b, 'F6', 'guards the heater', amps, pair[1] === 'N' ? 1 : 2, { fuse: true });
    b.rung('panel heater', 'power', pair[0], [first!, leaf('E5', 'load'), ...(second ? [second] : [])], pair[1]);
  }
  if (!surge) return;
  const ends = [...lines, 'N'];
  b.device({
    tag: 'E6',
    function: 'surge',
    description: `surge arrester, ${ends.length} poles, type 2`,
    label: 'takes surges of the line to earth',
    place: 'panel',
    cost: 2,
    behaviour: { kind: 'worked' },
    initial: '',
    positions: [],
    elements: Object.fromEntries(
      ends.map((l) => [
        l,
        { pins: [l, 'PE'] as const, sign: 'surge' as const, part: { kind: 'impedance', r: ARRESTER } as const },
      ]),
    ),
  });
  ends.forEach((l, i) =>
    b.rung(i === 0 ? 'surge arrester' : `surge arrester, ${l}`, 'power', l, [leaf('E6', l)], 'PE'),
  );
}
