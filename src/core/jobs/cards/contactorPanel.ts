import type { Act, Test } from '../../tests';
import { phrase, quantity } from '../../units';
import type { Bench, Job } from '../job';
import { choice, closing, cycles, decide, figure, see, take, takeAll, work } from '../parts';

/** Each position of the selector with the float that calls hanging and up. */
function selectorSteps(bench: Bench): Test[] {
  const { panel } = bench;
  const selector = panel?.devices.find((d) => d.function === 'selector');
  if (!panel || !selector) return [];
  const calls = bench.tests.get('dry-lift')?.restores ?? [];
  const tags = calls.flatMap((a) => (a.kind === 'let go' ? [a.device] : []));
  const wanted = panel.devices.filter((d) => {
    const role = bench.station.sensors.find((s) => s.id === d.sensor)?.role;
    return tags.includes(d.tag) && (role === 'pump' || role === 'stop' || role === 'lead' || role === 'low');
  });
  const up: Act[] = wanted.map((d) => ({ kind: 'put', device: d.tag, to: 'up' }));
  const down: Act[] = [...wanted].reverse().map((d) => ({ kind: 'let go', device: d.tag }));
  return [
    {
      ...work('selector', 'Hand, Off, Auto: each with the float hanging and up', {
        actions: [
          phrase`${selector.tag} to each position in turn; in each, the float hanging, then lifted with a dry rod.`,
        ],
        cautions: ['Live: dry rod. In Hand nothing stops the pump: seconds only.'],
        minutes: 8,
        risk: 'rod',
        restores: [{ kind: 'put', device: selector.tag, to: selector.initial }],
        about: ['pump'],
      }),
      parts: selector.positions.flatMap(({ state, label }) => [
        {
          acts: [{ kind: 'put', device: selector.tag, to: state }],
          observes: [{ id: `${state}-down`, label: `${label}, hanging`, kind: 'reacts', pumps: true }],
        },
        { acts: up, observes: [{ id: `${state}-up`, label: `${label}, float up`, kind: 'reacts', pumps: true }] },
        { acts: down, observes: [] },
      ]),
    },
  ];
}

/** A selector, a contactor, a float, and what it starts. */
export const contactorPanel: Job = {
  id: 'J19',
  title: 'Selector, contactor, float, motor',
  when: 'A panel with a contactor is started, or does not do what its selector says.',
  begins: 'empty',
  against: (bench) =>
    bench.has('contactor') && bench.has('selector') ? null : phrase`it has no contactor with a selector`,
  make(bench) {
    const { station, panel } = bench;
    const pump = station.pumps[0]!;
    const coil = panel!.devices.find((d) => d.function === 'contactor')!;
    const overload = panel!.devices.find((d) => d.function === 'overload');
    const motor = panel!.devices.find((d) => d.function === 'motor');
    const ends = panel!.cores.flatMap((c) =>
      motor && c.pin.startsWith(`${motor.tag}:`) && !c.pin.endsWith(':PE') && c.terminal ? [c.terminal] : [],
    );
    const rungs = panel!.rungs.filter((r) => JSON.stringify(r.tree).includes(`"${coil.tag}.coil"`));
    return {
      bring: [
        phrase`1 ${coil.description}`,
        ...(overload
          ? [phrase`a screwdriver for the overload: ${quantity('current', pump.ratedCurrent)} on the plate`]
          : []),
      ],
      tests: [
        ...take(bench, 'isolate'),
        ...takeAll(bench, 'bench-'),
        work('windings', 'Windings', {
          phase: 'bench',
          actions: [
            'Ohms over each two of the motor’s terminals, and each to earth: three alike on three legs; open to earth.',
          ],
          cautions: ['Ohms only with the power off and proved dead.'],
          needs: bench.tests.get('tape')?.needs ?? [],
          sees: ends.slice(0, 3).flatMap((a, i, all) =>
            all.slice(i + 1).map((b) => ({
              id: `ohms-${a}-${b}`,
              label: `${a} to ${b}`,
              kind: 'ohms' as const,
              probes: { a, b, mode: 'ohms' as const },
              band: { share: 0.3 },
            })),
          ),
          minutes: 5,
          risk: 'inside',
        }),
        ...(overload
          ? [
              work('overload', 'Overload to the plate', {
                actions: [
                  phrase`${overload.tag} at ${quantity('current', pump.ratedCurrent)}, as on the plate; its reset by hand unless somebody watches.`,
                ],
                sees: [figure('set', `${overload.tag} set at`, quantity('current', pump.ratedCurrent), 0.05)],
                decisions: [
                  decide(
                    'reset',
                    'Reset by hand, or by itself?',
                    'hand',
                    choice('hand', 'by hand', 'Somebody looks why before it runs again.'),
                    choice('self', 'by itself', 'It comes back alone, and goes on burning.'),
                  ),
                ],
                needs: bench.tests.get('tape')?.needs ?? [],
                minutes: 3,
                risk: 'inside',
              }),
            ]
          : []),
        work('path', 'Where the path of the coil is', {
          phase: 'look',
          actions: rungs.map(
            (r) =>
              phrase`Rung ${String(r.number)}, ${r.label}: what must be closed for ${coil.tag} is drawn there, from left to right.`,
          ),
          sees: [see('path', 'drawing in the door', 'is this one, of this revision')],
          minutes: 3,
          risk: 'look',
        }),
        ...take(bench, 'tape', 'rotation', 'input-volts'),
        ...selectorSteps(bench),
        ...cycles(bench),
        ...take(bench, 'fill-alarm', 'recover'),
        ...closing(bench),
      ],
      leave: [phrase`selector at Auto; overload at the plate`],
      water: phrase`${quantity('volume', bench.levels.drawdown)} a cycle.`,
      season: null,
      owner: [phrase`Leave the selector at Auto. Hand is for us.`],
      next: phrase`every year`,
    };
  },
};
