import { isPlugged } from '../../schemes';
import { phrase, quantity } from '../../units';
import { bypassPump } from '../acts';
import type { Job } from '../job';
import { choice, closing, conductors, cycles, decide, likeIt, saySlip, see, take, work } from '../parts';

/** A pump whose own switch no longer stops it, overridden by a float in its cord. */
export const builtInSwitch: Job = {
  id: 'J1',
  title: 'A built-in switch that no longer stops the pump',
  when: 'The pump bottoms out and runs on, or stops only when it is unplugged.',
  begins: 'empty',
  against: ({ station, sensor }) => {
    if (sensor('pump')?.duty !== 'motor') return phrase`no float of it carries the motor in its cord`;
    return station.pumps.length > 1 ? phrase`it has more than one pump` : null;
  },
  make(bench) {
    const { station, levels } = bench;
    const float = bench.sensor('pump')!;
    const plugged = isPlugged(station);
    return {
      bring: [
        likeIt(bench, float),
        phrase`clamps for a pipe of ${quantity('bore', station.discharge.segments[0]!.bore)}, rubber to lay under them, cord ties`,
        phrase`a standby pump, should this one not stop at all`,
      ],
      tests: [
        work('symptom', 'See what it does', {
          phase: 'look',
          actions: ['Watch one whole cycle: where it starts, whether it stops, where the water stands then.'],
          sees: [
            see(
              'bottom',
              'at the bottom',
              'it runs on with the water at its intake, and stops only when it is unplugged',
            ),
            see('spare', 'standby pump', 'one is on the shelf, or the water can be held back meanwhile'),
          ],
          decisions: [
            decide(
              'mend',
              'Repair it, override it, or change the pump?',
              'override',
              choice(
                'repair',
                'repair the built-in switch',
                'Moderate cost, hours on the bench. Opening the housing breaks its seal: water finds its way in sooner or later.',
              ),
              choice(
                'override',
                'a float in the cord',
                phrase`Small cost, within the hour; the housing stays shut. The failed switch stays in series, stuck closed: should it open one day the pump is dead, and the float is blamed.`,
              ),
              choice('pump', 'change the pump', 'The dearest; right where the pump is old, hot or noisy.'),
            ),
          ],
          minutes: 10,
          risk: 'look',
        }),
        ...take(bench, 'isolate', 'bench-pump'),
        work('fit', 'Clamp the new float', {
          phase: 'work',
          actions: [
            phrase`Clip at ${quantity('height', levels.vessel.depth - ('clip' in float ? float.clip : levels.lead))} rim down; the click was heard in the hand before it gets wet.`,
            saySlip(bench, float),
            phrase`A pipe that shakes lets a bare clamp creep: rubber under it, tight, and a mark of paint across it.`,
          ],
          sees: [
            see('grip', 'clamp on the pipe', 'does not turn by hand, rubber under it, marked'),
            see('travel', 'travel of the float', 'nothing in its arc: no pump, pipe, cord or wall'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 15,
          about: [`float:${float.id}`],
        }),
        ...take(bench, 'tape'),
        work('plugs', plugged ? 'Order of the plugs' : 'The joint of the cord', {
          actions: [
            plugged
              ? phrase`The float’s plug into the outlet, the pump’s plug into the back of the float’s plug.`
              : phrase`The float joined in the line conductor of the pump (${conductors(bench, 'motor')}), in a box above flood level.`,
          ],
          sees: [
            see(
              'line',
              plugged ? 'plugs' : 'joint',
              plugged
                ? 'float first, pump in its back; drip loop in both cords'
                : 'in the line and not in the neutral; sealed, above flood level',
            ),
          ],
          minutes: 5,
        }),
        ...bypassPump(bench),
        ...take(bench, 'dry-lift'),
        ...cycles(bench),
        ...closing(bench),
      ],
      leave: [phrase`a note on the cord: the built-in switch is overridden and stuck closed`],
      water: phrase`${quantity('volume', levels.drawdown)} for each cycle, ${quantity('volume', 3 * levels.drawdown)} for three: by hose, pumped out through its own line.`,
      season: null,
      owner: [
        phrase`The pump now stops by a float on its cord. Keep things away from it; if it runs on, unplug it and call.`,
      ],
      next: phrase`in three months, after which the clamp has shaken as long as it needs to creep; then every year`,
    };
  },
};
