import { traitsOf } from '../duties';
import type { Device, Panel } from '../schemes';
import type { Pump, Station } from '../station';
import { behaving, resisting, welded, without, withoutWinding } from './change';
import { quantity } from '../units';
import {
  type FaultEffects,
  type Fault,
  faultId,
  type FaultGroup,
  type FaultsOf,
  inSizes,
  kind,
  LOOKED_AT,
  type FaultKind,
} from './fault';

const KINDS = {
  winding: kind(
    0.01,
    'burnt out: heat, water in the motor',
    'change the pump; measure the winding and its insulation first',
    'worn',
  ),
  capacitor: kind(0.02, 'the start capacitor dried out', 'discharge it, then change it', 'worn'),
  thermal: kind(0.03, 'it ran dry, hot or blocked', 'let it cool; find why before it is left'),
  overload: kind(0.03, 'jammed, worn or on two legs', 'measure the amps before it is reset'),
  seal: kind(
    0.03,
    'a worn shaft seal',
    'plan the change of the pump or its seal; the oil says how long it has been so',
    'worn',
  ),
  rotation: kind(
    0.004,
    'phases changed at the board, the panel or the pump',
    'isolate, and change any two of the three',
  ),
  earthed: kind(
    0.012,
    'water in the motor or a cable that chafed',
    'isolate; lift each core and measure its insulation; change what fails',
    'part',
  ),
  leak: kind(
    0.03,
    'a splice or gland that drew water',
    'isolate; measure insulation core by core; make the splice anew, above the water',
    'part',
  ),
  earthcore: kind(
    0.006,
    'a cord that the pump was lifted by, or an old crimp',
    'isolate; nobody touches pump or water until the cord or the pump is changed',
    'part',
  ),
  gear: kind(0.01, 'its contacts welded, or its coil open', 'change the start box', 'worn'),
  seized: kind(0.015, 'something in the impeller, or rust after a rest', 'isolate, lock, lift, and clear it', 'part'),
  clogged: kind(0.06, 'wipes or rope in the impeller', 'isolate, lock, lift, and clear it', 'part'),
  worn: kind(0.03, 'grit, years', 'new impeller or wear plate', 'worn'),
  airlocked: kind(
    0.02,
    'air under the check valve: the pump was dry, and no weep hole lets it out',
    'let the air out; drill or clear the weep hole',
  ),
  'check-open': kind(0.03, 'a stone or rag holds it open', 'isolate, drain the line, clear it', 'part'),
  'check-shut': kind(0.01, 'rusted or blocked shut', 'isolate, drain the line, clear or change it', 'part'),
  blocked: kind(0.02, 'frozen, roots, a closed valve, grease', 'find the closed valve first; thaw or rod the line'),
  joint: kind(0.01, 'a coupling worked loose in the pit', 'isolate, lock, and make it up again'),
  weep: kind(0.02, 'scale or fibre', 'clear it with a wire'),
  inflow: kind(0.05, 'rain, a broken pipe, a tap left open', 'find where it comes from'),
  back: kind(
    0.02,
    'the outlet is drowned or the sewer stands high',
    'a better check valve, or a higher outlet',
    'part',
  ),
} as const satisfies Record<string, FaultKind>;

const make = (
  id: string,
  which: keyof typeof KINDS,
  group: FaultGroup,
  part: string,
  label: string,
  effects: FaultEffects,
): Fault => ({ id, group, part, label, ...KINDS[which], effects });

/** Share of flow that a clogged pump, and of flow and head that a worn one, still has: examples to rehearse with, the usual one first. */
const CLOGGED = { usual: 0.5, others: [0.8, 0.2] };
const WORN = { usual: 0.85, others: [0.95, 0.7] };
/** Wear that leaves no more than this is seen; less of it is not. */
const TELLS = 0.9;
const share = (s: number) => quantity('share', s);

/** What the fault is called by which a motor’s protector is open. */
export const THERMAL = 'thermal';

const curve = (n: number, flow: number, head: number): FaultEffects => ({
  station: (station: Station) => ({
    ...station,
    pumps: station.pumps.map((p, i): Pump =>
      i === n - 1 ? { ...p, curve: p.curve.map((c) => ({ flow: c.flow * flow, head: c.head * head })) } : p,
    ),
  }),
});

const motorFault = (d: Device, id: string, which: keyof typeof KINDS, label: string, effects: FaultEffects) =>
  make(faultId(d.tag, id), which, 'motor', d.tag, `pump ${d.pump}: ${label}`, effects);

/** Faults of a pump and its motor. */
export const motorFaults: FaultsOf = (d, { station, panel }) => {
  const n = d.pump!;
  const motor = (id: string, which: keyof typeof KINDS, label: string, effects: FaultEffects) =>
    motorFault(d, id, which, label, effects);
  if (d.behaviour.kind !== 'motor') return [];
  const { windings, auxiliary } = d.behaviour;
  const single = windings.length === 1;
  const capacitor = station.pumps[n - 1]!.motor.begins === 'run-capacitor' ? 'run capacitor' : 'start capacitor';
  return [
    motor('winding-open', 'winding', single ? 'main winding open' : 'winding of one phase open', {
      circuit: withoutWinding(windings[0]!),
    }),
    ...(auxiliary
      ? [
          motor('auxiliary-open', 'winding', 'auxiliary winding open: it hums and does not begin', {
            circuit: without(auxiliary),
          }),
        ]
      : []),
    ...(d.inside?.some((i) => i.id === 'capacitor')
      ? [
          motor('capacitor', 'capacitor', `${capacitor} failed: it hums and stands`, {
            circuit: without(`${d.tag}.capacitor`),
          }),
        ]
      : []),
    motor(THERMAL, 'thermal', 'thermal protector open', {
      circuit: withoutWinding(...windings, ...(auxiliary ? [auxiliary] : [])),
      // What opened it may sit in its impeller, or have been heat.
      seen: { [LOOKED_AT.impeller(n)]: null },
    }),
    motor('seized', 'seized', 'seized', {
      circuit: behaving(d.tag, (x) =>
        x.behaviour.kind === 'motor' ? { ...x, behaviour: { ...x.behaviour, jammed: true } } : x,
      ),
      // Something in its impeller, or rust behind it.
      seen: { [LOOKED_AT.impeller(n)]: null },
    }),
    ...sealFaults(d),
    ...phasesChanged(d, panel),
    ...earthFaults(d),
    ...earthCoreFaults(d, panel),
    inSizes(share, CLOGGED.usual, CLOGGED.others, (left, ending) =>
      motor(`clogged${ending}`, 'clogged', `impeller clogged: ${Math.round(left * 100)} % of the flow`, {
        ...curve(n, left, 1),
        seen: { [LOOKED_AT.impeller(n)]: 'wipes or rope in it' },
      }),
    ),
    inSizes(share, WORN.usual, WORN.others, (left, ending) =>
      motor(`worn${ending}`, 'worn', `impeller worn: ${Math.round(left * 100)} % of flow and head`, {
        ...curve(n, left, left),
        ...(left <= TELLS && { seen: { [LOOKED_AT.impeller(n)]: 'worn at its edges' } }),
      }),
    ),
    motor('airlocked', 'airlocked', 'air-locked', { pumps: { [n]: { moves: false, air: true } } }),
  ];
};

/** What water in the oil between two probes of a seal conducts, Ω. */
const WET_OIL = 2000;

/** A seal that lets water into the oil: told by its probe where one is fitted. */
function sealFaults(d: Device): Fault[] {
  return d.elements.probe
    ? [
        motorFault(d, 'seal', 'seal', 'seal leaks: water in its oil', {
          circuit: resisting(`${d.tag}.probe`, WET_OIL),
        }),
      ]
    : [];
}

/** Two of its three phases changed for one another: it turns backwards. */
function phasesChanged(d: Device, { cores }: Panel): Fault[] {
  const [one, two] = ['U', 'V'].map((p) => cores.find((c) => c.pin === `${d.tag}:${p}`));
  if (!('W' in d.elements) || !one?.terminal || !two?.terminal) return [];
  return [
    motorFault(d, 'backwards', 'rotation', 'two phases changed: it turns backwards', {
      landings: {
        cores: [
          { core: one.id, to: two.terminal },
          { core: two.id, to: one.terminal },
        ],
      },
    }),
  ];
}

/** A winding or cable that has failed to its frame, Ω: solid; and a splice or gland that has drawn water. */
const TO_FRAME = 2;
const WET = { usual: 3000, others: [500, 30e3] };

function earthFaults(d: Device): Fault[] {
  if (!d.inside?.some((i) => i.id === 'insulation')) return [];
  const insulation = `${d.tag}.insulation`;
  return [
    motorFault(d, 'earth', 'earthed', 'winding or cable failed to its frame', {
      circuit: resisting(insulation, TO_FRAME),
    }),
    inSizes(
      (r) => quantity('resistance', r),
      WET.usual,
      WET.others,
      (r, ending) =>
        motorFault(d, `leak${ending}`, 'leak', 'wet splice or gland: it leaks to earth', {
          circuit: resisting(insulation, r),
        }),
    ),
  ];
}

/** The earth of its cord lost: nothing shows it before something leaks, and then the frame and the water are live. */
function earthCoreFaults(d: Device, { cores }: Panel): Fault[] {
  const core = cores.find((c) => c.pin === `${d.tag}:PE`);
  if (!core?.terminal) return [];
  return [motorFault(d, 'earth-core', 'earthcore', 'earth core of its cord broken', { circuit: without(core.id) })];
}

/** The capacitor of a box at the panel, and the relay in it that should take the capacitor off once the motor turns. */
export const startGearFaults: FaultsOf = (d, { panel }) => {
  const motor = panel.devices.find((m) => m.function === 'motor' && m.pump === d.pump)!;
  return [
    motorFault(motor, 'capacitor', 'capacitor', 'start capacitor failed, in its box: it hums and stands', {
      circuit: without(`${d.tag}.capacitor`),
    }),
    motorFault(motor, 'start-stuck', 'gear', 'start relay stuck: its auxiliary winding stays on', {
      circuit: welded(`${d.tag}.capacitor`),
    }),
  ];
};

/** An overload relay that has tripped stands for its motor. */
export const overloadFaults: FaultsOf = (d, { panel }) => {
  const motor = panel.devices.find((m) => m.function === 'motor' && m.pump === d.pump)!;
  const effects = { holds: { [d.tag]: 'tripped' }, seen: { [LOOKED_AT.impeller(d.pump!)]: null } };
  return [motorFault(motor, 'overload', 'overload', 'overload tripped', effects)];
};

const MORE = { empty: 'inflow twice what was surveyed', fill: 'twice as much drawn' } as const;
const MANY = { empty: 'the inflow that was surveyed', fill: 'as much drawn' } as const;
/** Share of the flow that a joint which is off in the pit leaves. */
const JOINT = { usual: 0.5, others: [0.8, 0.2] };

const heldOpen = (i: number): [string, string] => [LOOKED_AT.check(i + 1), 'held open: it does not shut'];

/** Faults of the line and of the water. */
export function pipeFaults(station: Station): Fault[] {
  const { discharge, pumps } = station;
  const { direction } = traitsOf(station);
  const pipe = (id: string, which: keyof typeof KINDS, label: string, effects: FaultEffects) =>
    make(id, which, 'pipe', 'line', label, effects);
  const all = Object.fromEntries(pumps.map((_, i) => [i + 1, { moves: false } as const]));
  return [
    ...(discharge.checkValve
      ? [
          pipe(
            'check-open',
            'check-open',
            `check valve${pumps.length > 1 ? 's of all pumps' : ''} stuck open: the line drains back`,
            { checksOpen: pumps.map((_, i) => i), seen: Object.fromEntries(pumps.map((_, i) => heldOpen(i))) },
          ),
          ...(pumps.length > 1
            ? pumps.map((_, i) =>
                pipe(
                  `check-open-${i + 1}`,
                  'check-open',
                  `check valve of pump ${i + 1} stuck open: what the others pump comes back through it, and turns it backwards`,
                  { checksOpen: [i], seen: Object.fromEntries([heldOpen(i)]) },
                ),
              )
            : []),
          ...pumps.map((_, i) =>
            pipe(`check-shut-${i + 1}`, 'check-shut', `check valve of pump ${i + 1} stuck shut`, {
              pumps: { [i + 1]: { moves: false } },
              seen: { [LOOKED_AT.check(i + 1)]: 'stuck shut' },
            }),
          ),
        ]
      : []),
    // A blocked line may show at its end, or nowhere.
    pipe('blocked', 'blocked', 'discharge blocked or frozen', { pumps: all, seen: { [LOOKED_AT.outlet]: null } }),
    inSizes(share, JOINT.usual, JOINT.others, (left, ending) =>
      pipe(`joint-off${ending}`, 'joint', `joint off in the pit: ${Math.round((1 - left) * 100)} % falls back`, {
        station: (s) => pumps.reduce((now, _, i) => curve(i + 1, left, 1).station!(now), s),
      }),
    ),
    ...(discharge.weepHole
      ? [
          pipe('weep-blocked', 'weep', 'weep hole blocked', {
            station: (s) => ({ ...s, discharge: { ...s.discharge, weepHole: null } }),
          }),
        ]
      : []),
    inSizes(
      (times) => quantity('factor', times),
      2,
      [1.5, 4],
      (times, ending) =>
        pipe(
          `inflow-double${ending}`,
          'inflow',
          ending === '' ? MORE[direction] : `${String(times)} times ${MANY[direction]}`,
          { inflow: times },
        ),
    ),
    ...(direction === 'fill'
      ? []
      : [
          pipe('water-back', 'back', 'water coming back: half as much again as comes in', {
            inflow: 1.5,
            seen: { [LOOKED_AT.outlet]: 'drowned: it stands over the end of the line' },
          }),
        ]),
  ];
}
