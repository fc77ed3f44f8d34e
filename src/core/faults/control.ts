import { leaves, namesOf, type Device, type Panel } from '../schemes';
import { without } from './change';
import { DISPLAY, type FaultEffects, type Fault, type FaultsOf, kind, type FaultKind } from './fault';

const KINDS = {
  hand: kind(0.05, 'left so after a test', 'back to Auto; leave nothing in Hand'),
  off: kind(0.03, 'left so after work', 'back to Auto'),
  locked: kind(0.03, 'the toggle was set for a repair and stayed', 'back to taking turns'),
  welded: kind(
    0.008,
    'short cycling, or a fault current',
    'change the contactor, and find what made it work so often',
    'worn',
  ),
  coil: kind(0.006, 'burnt out: voltage, heat, age', 'change it', 'worn'),
  stuck: kind(0.006, 'contacts stuck, or dirt under the armature', 'change the relay', 'part'),
  alternator: kind(
    0.005,
    'its mechanism or its contact is worn',
    'change it; lock the toggle on the better pump until then',
    'worn',
  ),
  timer: kind(
    0.008,
    'its electronics failed, or its setting was turned',
    'set it by the door card; change it where it will not hold',
    'worn',
  ),
  'link-missing': kind(0.002, 'taken out and forgotten', 'fit it as the list label'),
  'link-left': kind(0.002, 'left in from three floats', 'take it out with four floats'),
  output: kind(
    0.01,
    'its output failed: age, a surge, or a short in the motor or its cable',
    'read the insulation of motor and cable first, or the next one fails too; then change it',
    'worn',
  ),
  programmed: kind(0.005, 'a new or reset drive: its input does nothing', 'set the input by the list'),
  drive: kind(0.05, 'overvoltage, heat, or a trip of its own', 'read its code before it is reset'),
  silence: kind(0.004, 'the silence relay or button sticks', 'change it', 'part'),
  signal: kind(0.01, 'burnt out, or a lead off', 'change it, and press test', 'part'),
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
} as const satisfies Record<string, FaultKind>;

const make = (id: string, which: keyof typeof KINDS, part: string, label: string, effects: FaultEffects): Fault => ({
  id,
  group: 'control',
  part,
  label,
  ...KINDS[which],
  effects,
});

const coilOpen = (d: Device): Fault =>
  make(`${d.tag}-coil-open`, 'coil', d.tag, `coil of ${d.tag} open (${d.label})`, {
    circuit: without(`${d.tag}.coil`),
  });

const pulledIn =
  (which: 'welded' | 'stuck', how: string) =>
  (d: Device): Fault[] => [
    coilOpen(d),
    make(`${d.tag}-stuck`, which, d.tag, `${d.tag} ${how} (${d.label})`, { holds: { [d.tag]: 'on' } }),
  ];

export const contactorFaults = pulledIn('welded', 'welded');
export const relayFaults = pulledIn('stuck', 'stuck pulled in');

/** Stuck at the turn of one pump, any of them: that one is always the first. */
function stuckTurns({ tag, behaviour }: Device): Fault[] {
  const turns = behaviour.kind === 'alternator' ? behaviour.turns : 0;
  return Array.from({ length: turns }, (_, i) => {
    const id = i === 0 ? `${tag}-stuck` : `${tag}-stuck-${i + 1}`;
    const label = `${tag} stuck: pump ${i + 1} always first`;
    return make(id, 'alternator', tag, label, { holds: { [tag]: `rest ${i + 1}` } });
  });
}

export const alternatorFaults = (d: Device): Fault[] => [coilOpen(d), ...stuckTurns(d)];

export const timerFaults = (d: Device): Fault[] => [
  coilOpen(d),
  make(`${d.tag}-never`, 'timer', d.tag, `${d.tag} never runs out (${d.label})`, { holds: { [d.tag]: 'resting' } }),
  make(`${d.tag}-always`, 'timer', d.tag, `${d.tag} stuck running (${d.label})`, { holds: { [d.tag]: 'running' } }),
];

export const silenceFaults = (d: Device): Fault[] => [
  coilOpen(d),
  make('silence-stuck', 'silence', d.tag, 'silence stuck: the horn never sounds', { holds: { [d.tag]: 'on' } }),
];

export const selectorFaults = ({ tag }: Device): Fault[] => [
  make(`${tag}-hand`, 'hand', tag, `${tag} left in Hand`, { holds: { [tag]: 'hand' } }),
  make(`${tag}-left-off`, 'off', tag, `${tag} left in Off`, { holds: { [tag]: 'off' } }),
];

/** Who goes first, left otherwise than the station means it. */
export const orderFaults = ({ tag, positions, initial }: Device): Fault[] =>
  positions
    .filter((p) => p.state !== initial && p.state !== 'turns')
    .map((p) => make(`${tag}-${p.state}`, 'locked', tag, `${tag} locked: ${p.label}`, { holds: { [tag]: p.state } }));

export const permissionFaults = ({ tag, label }: Device): Fault[] => [
  make(`${tag}-open`, 'permission', tag, `${label}: contact lost`, { holds: { [tag]: 'open' } }),
];

/** It runs by its display and gives nothing; or it waits by it, with 24 V on its input. */
export const driveFaults = ({ tag, label }: Device): Fault[] => [
  make(`${tag}-dead`, 'output', tag, `output of ${tag} dead (${label})`, { holds: { [tag]: 'off' } }),
  make(`${tag}-input`, 'programmed', tag, 'input of the drive not programmed', {
    holds: { [tag]: 'off' },
    seen: { [tag]: DISPLAY.ready },
  }),
];
export const driveTripped = ({ tag }: Device): Fault[] => [
  make(`${tag}-fault`, 'drive', tag, 'drive in fault', { holds: { [tag]: 'tripped' } }),
];

/** A horn or lamp that is dead. */
export const signalFaults = (d: Device): Fault[] => [
  make(`${d.tag}-dead`, 'signal', d.tag, `${d.function} dead`, { circuit: without(`${d.tag}.load`) }),
];

/** The two cores of a loop outside, where both are landed. */
function loopOf({ tag }: Device, { cores }: Panel) {
  const [one, two] = ['1', '2'].map((p) => cores.find((c) => c.pin === `${tag}:${p}`));
  return one?.terminal && two?.terminal ? { one: one.terminal, two: two.terminal, core: two.id } : null;
}

export const cutOffFaults: FaultsOf = (d, { panel }) => {
  const loop = loopOf(d, panel);
  return loop
    ? [
        make(`${d.tag}-bridged`, 'cutoff', d.tag, `cut-off of ${d.label} not connected`, {
          landings: { links: [{ a: loop.one, b: loop.two, fitted: true }] },
        }),
      ]
    : [];
};

/** A loop that tells somebody else: broken, or on the other side of its changeover. */
export const reportFaults: FaultsOf = (d, { panel }) => {
  const loop = loopOf(d, panel);
  if (!loop) return [];
  const { terminals } = panel;
  const broken = make(`${d.tag}-loose`, 'remote', d.tag, `${d.label}: its loop is broken`, {
    landings: { cores: [{ core: loop.core, to: null }] },
  });
  // The spare side of the changeover is the third terminal of the same circuit.
  const circuit = terminals.find((t) => t.id === loop.one)!.circuit;
  const spare = terminals.find((t) => t.circuit === circuit && t.id !== loop.one && t.id !== loop.two);
  return spare
    ? [
        broken,
        make(`${d.tag}-wrong-pair`, 'remote', d.tag, `${d.label}: on the pair that opens`, {
          landings: { cores: [{ core: loop.core, to: spare.id }] },
        }),
      ]
    : [broken];
};

/** Links forgotten, and links left in. */
export const linkFaults = ({ links, linksLeftOut }: Panel): Fault[] => [
  ...links.map((l) =>
    make(`link-${l.a}-${l.b}`, 'link-missing', l.a, `no link from ${l.a} to ${l.b}`, {
      landings: { links: [{ a: l.a, b: l.b, fitted: false }] },
    }),
  ),
  ...linksLeftOut.map((l) =>
    make('link-left-in', 'link-left', l.a, l.label, { landings: { links: [{ a: l.a, b: l.b, fitted: true }] } }),
  ),
];

/** Line and neutral of the feeder changed for one another. */
export const polarityFaults: FaultsOf = ({ tag }, { panel: { cores } }) => {
  const [line, neutral] = ['L1', 'N'].map((pin) => cores.find((c) => c.pin === `${tag}:${pin}`));
  return line?.terminal && neutral?.terminal
    ? [
        make('polarity', 'polarity', tag, 'polarity reversed: line and neutral of the feeder changed', {
          landings: {
            cores: [
              { core: line.id, to: neutral.terminal },
              { core: neutral.id, to: line.terminal },
            ],
          },
        }),
      ]
    : [];
};

/** A float that carries the motor straight off the line, put into the neutral instead. */
export function neutralSwitched({ devices, cores, rungs, terminals, spans }: Panel): Fault[] {
  const isA = (what: Device['function']) => (leaf: string) =>
    devices.some((d) => d.tag === namesOf(leaf)[0] && d.function === what);
  const terminalOn = (net: string) => terminals.find((t) => t.net === net)?.id;
  const coreAt = (leaf: string, end: 0 | 1) => {
    const [tag, name] = namesOf(leaf);
    const pin = devices.find((d) => d.tag === tag)!.elements[name]!.pins[end];
    return cores.find((c) => c.pin === `${tag}:${pin}`);
  };
  return rungs.flatMap((rung): Fault[] => {
    const all = leaves(rung.tree);
    const [float, motor] = [all.find(isA('float')), all.find(isA('motor'))];
    if (!float || !motor || spans[float]![0] !== rung.from) return [];
    const [common, u, v] = [coreAt(float, 0), coreAt(motor, 0), coreAt(motor, 1)];
    const [line, neutral, out] = [rung.from, rung.to, spans[float]![1]].map(terminalOn);
    return common && u && v && line && neutral && out
      ? [
          make('neutral-switched', 'neutral', namesOf(float)[0], 'the float switches the neutral', {
            landings: {
              cores: [
                { core: common.id, to: neutral },
                { core: u.id, to: line },
                { core: v.id, to: out },
              ],
            },
          }),
        ]
      : [];
  });
}
