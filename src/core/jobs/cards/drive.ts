import { phrase, quantity } from '../../units';
import { controlFigures } from '../../wiring';
import { liftFloat } from '../acts';
import type { Job } from '../job';
import { choice, closing, cycles, decide, figure, see, take, takeAll, work } from '../parts';

/** A float into a drive's input. */
export const driveInput: Job = {
  id: 'J10',
  title: 'Float into a drive’s input',
  when: 'A drive runs the pump, and a float shall let it, or stop it.',
  begins: 'transfer',
  against: ({ has }) => (has('drive') ? null : phrase`no drive runs its pump`),
  make(bench) {
    const { station, world, panel } = bench;
    const { wired } = world.wiring({ cores: [], links: [] });
    const figures = controlFigures(station, wired).filter((c) =>
      /budget|capacit|hold|float/i.test(`${c.id} ${c.title}`),
    );
    const inputs = panel!.devices.filter((d) => d.sensor !== undefined);
    return {
      bring: [
        phrase`the drive’s own list of inputs, a screened pair for ${quantity('distance', station.wiring.field.length)}`,
        phrase`a tap that can be opened a little`,
      ],
      tests: [
        ...take(bench, 'isolate'),
        work('supply', 'Own supply, or another', {
          phase: 'look',
          actions: [
            phrase`The drive’s own low voltage gives ${quantity('current', station.wiring.supplyBudget)}: what else hangs on it?`,
            ...figures.map((c) =>
              c.needs && c.has
                ? phrase`${c.title}: ${c.has} of ${c.needs} (${c.state}).`
                : phrase`${c.title}: ${c.why}`,
            ),
          ],
          sees: [see('budget', 'what hangs on it', 'counted, and under its budget')],
          decisions: [
            decide(
              'source',
              'Which source for the float?',
              'own',
              choice('own', 'the drive’s own', 'Nothing to buy; within its budget and for short runs.'),
              choice(
                'other',
                'a source of its own',
                'For long runs and more than one float; one more supply that meets in the box.',
              ),
            ),
          ],
          minutes: 10,
          risk: 'look',
        }),
        work('program', 'Its programming', {
          actions: inputs.map(
            (d) => phrase`${d.tag} (${d.label}): input, sense and what it does, on the drive’s own list`,
          ),
          sees: [
            ...inputs.map((d) => see(`set-${d.tag}`, d.tag, 'input, contact sense and action as on the list')),
            see('restart', 'after a power cut', 'as decided: starts by itself, or waits'),
          ],
          decisions: [
            decide(
              'kind',
              'Run enable, or external fault?',
              'enable',
              choice('enable', 'run enable', 'It restarts by itself when the float is back. Usual.'),
              choice(
                'fault',
                'external fault',
                'It waits for a person: where somebody must look before it runs again.',
              ),
            ),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 15,
          risk: 'inside',
        }),
        ...takeAll(bench, 'bench-'),
        ...take(bench, 'tape', 'input-volts', 'dry-lift'),
        work('slow', 'Slow test', {
          actions: [
            'Open a tap a little: it ramps up. Move the float up and down several times: amps to zero and back, each time.',
          ],
          cautions: ['It starts by itself. Hands off what it turns.'],
          sees: [
            figure('amps', 'amps at full speed', quantity('current', station.pumps[0]!.ratedCurrent), 0.25),
            see('zero', 'amps as the float acts', 'to zero and back, each time'),
            see('ramp', 'ramp', 'smooth, no trip'),
          ],
          minutes: 10,
          risk: 'rod',
        }),
        ...inputs.slice(0, 1).flatMap((d) =>
          liftFloat(
            bench,
            station.sensors.find((s) => s.id === d.sensor)!,
          ),
        ),
        ...cycles(bench),
        ...take(bench, 'low-water'),
        ...closing(bench),
      ],
      leave: [phrase`the list of parameters with the run`, phrase`which input, which sense, on the door card`],
      water: null,
      season: null,
      owner: [
        phrase`The float may stop it. Whether it starts again by itself or waits for a person was decided with you: it is on the door card.`,
      ],
      next: phrase`every year; after any change of the drive’s settings`,
    };
  },
};
