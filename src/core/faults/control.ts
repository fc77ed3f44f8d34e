import type { Device, Panel } from '../schemes';
import { behaving, without } from './change';
import { type Acts, type Fault, kind, type Kind } from './fault';

const KINDS = {
  hand: kind(0.05, 'left so after a test', 'back to Auto; leave nothing in Hand'),
  off: kind(0.03, 'left so after work', 'back to Auto'),
  locked: kind(0.03, 'the toggle was set for a repair and stayed', 'back to taking turns'),
  welded: kind(0.008, 'short cycling, or a fault current', 'change the contactor, and find what made it work so often'),
  coil: kind(0.006, 'burnt out: voltage, heat, age', 'change it'),
  stuck: kind(0.006, 'contacts stuck, or dirt under the armature', 'change the relay'),
  alternator: kind(
    0.01,
    'its mechanism or its contact is worn',
    'change it; lock the toggle on the better pump until then',
  ),
  timer: kind(
    0.008,
    'its electronics failed, or its setting was turned',
    'set it by the door card; change it where it will not hold',
  ),
  'link-missing': kind(0.002, 'taken out and forgotten', 'fit it as the list says'),
  'link-left': kind(0.002, 'left in from three floats', 'take it out with four floats'),
  programmed: kind(0.005, 'a new or reset drive: its input does nothing', 'set the input by the list'),
  drive: kind(0.05, 'overvoltage, heat, or a trip of its own', 'read its code before it is reset'),
  silence: kind(0.004, 'the silence relay or button sticks', 'change it'),
  signal: kind(0.01, 'burnt out, or a lead off', 'change it, and press test'),
  remote: kind(
    0.004,
    'the loop is broken, or landed on the wrong pair',
    'land it on the pair that closes, and have the far end tell',
  ),
  cutoff: kind(0.004, 'bridged after a nuisance, or never connected', 'connect it, and see the appliance stop'),
  permission: kind(0.01, 'the other station’s contact or its cable is lost', 'measure the loop from both ends'),
  polarity: kind(
    0.002,
    'line and neutral of the feeder changed: what should switch the line switches the neutral',
    'isolate, and change them back',
  ),
  neutral: kind(
    0.002,
    'the float was put into the neutral: the motor stays live when off',
    'isolate, and put the float into the line',
  ),
} as const satisfies Record<string, Kind>;

const make = (id: string, which: keyof typeof KINDS, part: string, says: string, acts: Acts): Fault => ({
  id,
  group: 'control',
  part,
  says,
  ...KINDS[which],
  acts,
});

const has = (d: Device, state: string) => d.positions.some((p) => p.state === state);

function relayFaults(d: Device): Fault[] {
  const { tag, says } = d;
  if (!('coil' in d.elements)) return [];
  const open = make(`${tag}-coil-open`, 'coil', tag, `coil of ${tag} open (${says})`, {
    circuit: without(`${tag}.coil`),
  });
  switch (d.behaviour.kind) {
    case 'relay':
    case 'delay': {
      const contactor = d.noun.startsWith('contactor');
      return [
        open,
        make(
          `${tag}-stuck`,
          contactor ? 'welded' : 'stuck',
          tag,
          contactor ? `${tag} welded (${says})` : `${tag} stuck pulled in (${says})`,
          { holds: { [tag]: 'on' } },
        ),
      ];
    }
    case 'alternator':
      return [
        open,
        make(`${tag}-stuck`, 'alternator', tag, `${tag} stuck: pump 1 always first`, {
          circuit: behaving(tag, (x) =>
            x.behaviour.kind === 'alternator' ? { ...x, behaviour: { ...x.behaviour, turns: 1 } } : x,
          ),
        }),
      ];
    case 'cycle':
      return [
        open,
        make(`${tag}-never`, 'timer', tag, `${tag} never runs out (${says})`, { holds: { [tag]: 'resting' } }),
        make(`${tag}-always`, 'timer', tag, `${tag} stuck running (${says})`, { holds: { [tag]: 'running' } }),
      ];
    default:
      return [];
  }
}

function handFaults(d: Device): Fault[] {
  const { tag } = d;
  if (has(d, 'hand'))
    return [
      make(`${tag}-hand`, 'hand', tag, `${tag} left in Hand`, { holds: { [tag]: 'hand' } }),
      make(`${tag}-left-off`, 'off', tag, `${tag} left in Off`, { holds: { [tag]: 'off' } }),
    ];
  if (has(d, 'turns'))
    return (['one', 'two'] as const)
      .filter((s) => s !== d.initial)
      .map((s) =>
        make(`${tag}-${s}`, 'locked', tag, `${tag} locked: ${d.positions.find((p) => p.state === s)!.says}`, {
          holds: { [tag]: s },
        }),
      );
  if (has(d, 'open'))
    return [make(`${tag}-open`, 'permission', tag, `${d.says}: contact lost`, { holds: { [tag]: 'open' } })];
  if (tag === 'U1F') return [make('U1F-fault', 'drive', tag, 'drive in fault', { holds: { U1F: 'tripped' } })];
  return [];
}

/** Faults of loads that tell: horn, lamp, the contact for somebody far away. */
function signalFaults(d: Device, { cores, terminals }: Panel): Fault[] {
  const [first] = Object.values(d.elements);
  if (first?.sign === 'horn' || first?.sign === 'lamp')
    return [make(`${d.tag}-dead`, 'signal', d.tag, `${first.sign} dead`, { circuit: without(`${d.tag}.load`) })];
  if (first?.sign !== 'input' || d.place !== 'field') return [];
  const [one, two] = ['1', '2'].map((p) => cores.find((c) => c.pin === `${d.tag}:${p}`));
  if (!one?.terminal || !two?.terminal) return [];
  if (d.tag.startsWith('U4'))
    return [
      make(`${d.tag}-bridged`, 'cutoff', d.tag, `cut-off of ${d.says} not connected`, {
        landings: { links: [{ a: one.terminal, b: two.terminal, fitted: true }] },
      }),
    ];
  const broken = make(`${d.tag}-loose`, 'remote', d.tag, `${d.says}: its loop is broken`, {
    landings: { cores: [{ core: two.id, to: null }] },
  });
  // The spare side of the changeover is the third terminal of the same circuit.
  const circuit = terminals.find((t) => t.id === one.terminal)!.circuit;
  const spare = terminals.find((t) => t.circuit === circuit && t.id !== one.terminal && t.id !== two.terminal);
  return spare
    ? [
        broken,
        make(`${d.tag}-wrong-pair`, 'remote', d.tag, `${d.says}: on the pair that opens`, {
          landings: { cores: [{ core: two.id, to: spare.id }] },
        }),
      ]
    : [broken];
}

function linkFaults({ links, terminals }: Panel): Fault[] {
  const missing = links.map((l) =>
    make(`link-${l.a}-${l.b}`, 'link-missing', l.a, `no link from ${l.a} to ${l.b}`, {
      landings: { links: [{ a: l.a, b: l.b, fitted: false }] },
    }),
  );
  const [lag, high] = ['IN-LAG', 'IN-HIGH'].map((net) => terminals.find((t) => t.net === net));
  const left =
    lag && high && links.length === 0
      ? [
          make('link-left-in', 'link-left', lag.id, 'the three-float link left in with four floats', {
            landings: { links: [{ a: lag.id, b: high.id, fitted: true }] },
          }),
        ]
      : [];
  return [...missing, ...left];
}

/** Line and neutral of the feeder changed; the float of a cord put into the neutral. */
function swaps({ cores, terminals, devices }: Panel): Fault[] {
  const at = (pin: string) => cores.find((c) => c.pin === pin);
  const on = (net: string) => terminals.find((t) => t.net === net)?.id;
  const [line, neutral] = [at('W0:L1'), at('W0:N')];
  const polarity =
    line?.terminal && neutral?.terminal
      ? [
          make('polarity', 'polarity', 'W0', 'polarity reversed: line and neutral of the feeder changed', {
            landings: {
              cores: [
                { core: line.id, to: neutral.terminal },
                { core: neutral.id, to: line.terminal },
              ],
            },
          }),
        ]
      : [];
  const float = devices.find(
    (d) =>
      d.sensor !== undefined &&
      cores.some((c) => c.pin === `${d.tag}:C` && terminals.find((t) => t.id === c.terminal)?.net === 'L1'),
  );
  const [common, u, v] = [float && at(`${float.tag}:C`), at('M1:U'), at('M1:V')];
  const [l1, n, out] = [on('L1'), on('N'), on('LF')];
  const switched =
    common && u && v && l1 && n && out
      ? [
          make('neutral-switched', 'neutral', float!.tag, 'the float switches the neutral', {
            landings: {
              cores: [
                { core: common.id, to: n },
                { core: u.id, to: l1 },
                { core: v.id, to: out },
              ],
            },
          }),
        ]
      : [];
  return [...polarity, ...switched];
}

/** Faults of selectors, relays, timers, inputs, links and what tells. */
export function controlFaults(panel: Panel): Fault[] {
  const of = panel.devices.flatMap((d): Fault[] => [...relayFaults(d), ...handFaults(d), ...signalFaults(d, panel)]);
  const drive = panel.devices.some((d) => d.tag === 'U1')
    ? [make('U1-input', 'programmed', 'U1', 'input of the drive not programmed', { holds: { U1: 'off' } })]
    : [];
  const silence = panel.devices.some((d) => d.tag === 'K7' && d.says === 'silenced')
    ? [make('silence-stuck', 'silence', 'K7', 'silence stuck: the horn never sounds', { holds: { K7: 'on' } })]
    : [];
  return [
    ...of.filter((f) => !(f.id === 'K7-stuck' && silence.length > 0)),
    ...drive,
    ...silence,
    ...linkFaults(panel),
    ...swaps(panel),
  ];
}
