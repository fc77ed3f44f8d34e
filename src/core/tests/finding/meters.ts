import { phrase } from '../../units';
import { fieldInputs } from '../../wiring';
import type { Observation, Probes } from '../observation';
import { SPREAD } from '../spread';
import { test } from '../test';
import type { World } from '../world';
import { faultTest, type FaultTest } from './faultTest';
import { furtherOf } from '../further';
import { heightsOf, levelOf, type Setting } from './setting';

export const LIVE =
  'Live: rated meter and leads, finger guards, one hand where you can, dry feet. Covers back on after it.';
const band = { share: SPREAD.supply } as const;

/** Two points between which volts are read, and of which pump they are. */
interface Pair {
  readonly probes: Probes;
  readonly title: string;
  readonly pump?: number;
}

/** One reading of volts between two points. */
const reading = (world: World, setting: Setting, { probes: { a, b, mode }, title, pump }: Pair) =>
  faultTest(
    world,
    setting,
    test({
      id: `volts-${a}-${b}-${setting}`,
      phase: 'work',
      title,
      actions: [phrase`${mode === 'dc-volts' ? 'DC' : 'AC'} volts, one probe on ${a}, the other on ${b}.`],
      cautions: [LIVE],
      parts: [
        { acts: [], observes: [{ id: 'volts', label: `${a} to ${b}`, kind: 'volts', probes: { a, b, mode }, band }] },
      ],
      minutes: 1,
      risk: 'probes',
    }),
    pump,
  );

/** Every wire that comes to a strip, against what its circuit is live against; one terminal for each wire. */
function strips({ panel }: World): Pair[] {
  if (!panel) return [];
  const seen = new Set<string>();
  return panel.circuits.flatMap((c) => {
    const own = panel.terminals.filter((t) => t.circuit === c.id);
    const back = panel.terminals.find((t) => t.net === c.reference);
    if (!back) return [];
    return own.flatMap((t) => {
      if (t.net === c.reference || seen.has(`${t.net} ${back.net}`)) return [];
      seen.add(`${t.net} ${back.net}`);
      const mode: Probes['mode'] = c.kind === 'dc' ? 'dc-volts' : 'ac-volts';
      return [{ probes: { a: t.id, b: back.id, mode }, title: `Volts on ${t.id} (${c.label})` }];
    });
  });
}

/** Over each contact that comes in from the field: closed it shows nearly none. */
const inputs = ({ panel }: World): (Pair & { readonly device: string })[] =>
  panel
    ? fieldInputs(panel).map(({ device, label, a, b, mode }) => ({
        device,
        probes: { a, b, mode },
        title: `Volts over ${label}`,
      }))
    : [];

/** Between the terminals of motors of more than one winding, leg to leg. */
function legs({ panel }: World): Pair[] {
  return (panel?.devices ?? []).flatMap((d) => {
    if (d.function !== 'motor' || d.behaviour.kind !== 'motor') return [];
    const at = panel!.cores.flatMap((c) => (c.pin.startsWith(`${d.tag}:`) && c.terminal ? [c.terminal] : []));
    return at.flatMap((a, i) =>
      at.slice(i + 1).map((b) => ({
        probes: { a, b, mode: 'ac-volts' as const },
        title: `Volts at the terminals of ${d.label}`,
        pump: d.pump,
      })),
    );
  });
}

/** The water, by the frame of what stands in it, against earth. */
function water({ panel }: World): Pair[] {
  const motor = panel?.devices.find((d) => d.function === 'motor' && d.inside?.some((i) => i.id === 'insulation'));
  const frame = motor && panel!.cores.find((c) => c.pin === `${motor.tag}:PE`);
  return frame
    ? [{ probes: { a: frame.pin, b: 'earth', mode: 'ac-volts' }, title: 'Volts from the water to earth' }]
    : [];
}

/** What goes into a power supply or a transformer, and what comes out of it. */
function feeds({ panel }: World): Pair[] {
  return (panel?.devices ?? []).flatMap((d) => {
    if (d.function === 'transformer' && d.transformer) {
      const pair = ([a, b]: readonly [string, string], mode: Probes['mode']) => ({
        a: `${d.tag}:${a}`,
        b: `${d.tag}:${b}`,
        mode,
      });
      return [d.transformer.primary, d.transformer.secondary].map((p) => ({
        probes: pair(p, 'ac-volts'),
        title: `Volts at ${d.tag}, ${d.label}`,
      }));
    }
    if (d.function !== 'power-supply') return [];
    return Object.values(d.elements).map((e) => ({
      probes: {
        a: `${d.tag}:${e.pins[0]}`,
        b: `${d.tag}:${e.pins[1]}`,
        mode: e.part?.kind === 'source' && e.part.frequency === 0 ? ('dc-volts' as const) : ('ac-volts' as const),
      },
      title: `Volts at ${d.tag}, ${d.label}`,
    }));
  });
}

/** The contact of what acts at a further height, there: at rest and at the call it has not, and over everything it has long. */
function furtherInputs(world: World): FaultTest[] {
  const heights = heightsOf(world);
  return furtherOf(world).flatMap(({ name, device }) =>
    heights.has(name)
      ? inputs(world)
          .filter((i) => i.device === device)
          .map((pair) => reading(world, name, pair))
      : [],
  );
}

/** Volts at the strip, at the inputs and at the pumps, as the panel rests, as it is called, and with the water over everything. */
export function volts(world: World): FaultTest[] {
  const pairs = [...water(world), ...inputs(world), ...legs(world), ...feeds(world), ...strips(world)];
  const once = pairs.filter(
    ({ probes: p }, i) => pairs.findIndex((q) => q.probes.a === p.a && q.probes.b === p.b) === i,
  );
  return [
    ...(['resting', 'called', 'high'] as const).flatMap((setting) =>
      levelOf(world, setting) === null ? [] : once.map((pair) => reading(world, setting, pair)),
    ),
    ...furtherInputs(world),
  ];
}

/** A clamp round one core of each pump while it is called: one that turns, one that hums, one that takes nothing. */
export function amps(world: World): FaultTest[] {
  return (world.panel?.devices ?? []).flatMap((d) => {
    if (d.function !== 'motor' || d.pump === undefined) return [];
    const core = world.panel!.cores.find((c) => c.pin.startsWith(`${d.tag}:`) && c.terminal)?.id ?? null;
    const o: Observation = { id: 'amps', label: `amps of ${d.label}`, kind: 'amps', pump: d.pump, core, of: 'flow' };
    return (['called', 'high'] as const).flatMap((setting) =>
      levelOf(world, setting) === null
        ? []
        : [
            faultTest(
              world,
              setting,
              test({
                id: `amps-${d.tag}-${setting}`,
                phase: 'work',
                title: `Amps of ${d.label}`,
                actions: [
                  phrase`Clamp round one core alone of ${d.label} while it is called; a rotor that stands takes several times the plate.`,
                ],
                cautions: [LIVE],
                parts: [{ acts: [], observes: [o] }],
                minutes: 1,
                risk: 'probes',
              }),
              d.pump,
            ),
          ],
    );
  });
}

/** A clamp round the earth core of each pump: what leaks comes home by it. */
export function leaks(world: World): FaultTest[] {
  return (world.panel?.cores ?? []).flatMap((c) => {
    const [tag, pin] = c.pin.split(':');
    const motor = world.panel!.devices.find((d) => d.tag === tag && d.function === 'motor');
    if (pin !== 'PE' || !motor) return [];
    return (['resting', 'called'] as const).map((setting) =>
      faultTest(
        world,
        setting,
        test({
          id: `leak-${tag}-${setting}`,
          phase: 'work',
          title: `Leak of ${motor.label}, round its earth core`,
          actions: [phrase`A clamp that reads milliamps round the earth core of ${motor.label} alone.`],
          cautions: ['Live box: only the insulated core, nothing bare.'],
          parts: [{ acts: [], observes: [{ id: 'leak', label: `round ${c.id}`, kind: 'clamp', core: c.id }] }],
          minutes: 2,
          risk: 'rod',
        }),
        motor.pump,
      ),
    );
  });
}
