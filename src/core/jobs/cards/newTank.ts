import { phrase, quantity } from '../../units';
import { bridgeFloat, bypassPump } from '../acts';
import type { Job } from '../job';
import { choice, closing, conductors, cordLength, cycles, decide, see, take, takeAll, work } from '../parts';

/** A new effluent tank wired: pump and alarm on two circuits. */
export const newTank: Job = {
  id: 'J2',
  title: 'New tank: pump and alarm on two circuits',
  when: 'A tank is in the ground, and pump and alarm are to be wired.',
  begins: 'empty',
  against: ({ station, levels, panel }) => {
    if (!(levels.lead > levels.stop)) return phrase`it is a tank that is filled`;
    if (!levels.alarm) return phrase`it has no alarm float`;
    if (!station.alarm.ownSupply) return phrase`its alarm is on the circuit of the pump`;
    return panel ? null : phrase`no panel of its scheme can be drawn`;
  },
  make(bench) {
    const { station, levels } = bench;
    const { supply, wiring, enclosure, alarm } = station;
    const float = bench.sensor('alarm')!;
    return {
      bring: [
        phrase`${quantity('distance', wiring.feeder.length)} of pump feeder, ${conductors(bench, 'feeder')}; alarm pair ${conductors(bench, 'field')}, ${quantity('distance', wiring.field.length)}`,
        phrase`a lockable weatherproof box with a receptacle, a breaker of ${quantity('current', supply.breaker)}, sealing fittings, supports for the pipe`,
        phrase`cord of the alarm float: at least ${cordLength(bench, float)}`,
        ...(alarm.battery ? [phrase`a battery for the alarm, and a pen for its date`] : []),
      ],
      tests: [
        ...take(bench, 'isolate'),
        work('cables', 'Two cables, two circuits', {
          actions: [
            phrase`Pump feeder: ${conductors(bench, 'feeder')}, behind ${quantity('current', supply.breaker)}. Alarm pair: ${conductors(bench, 'field')}, on a circuit of its own.`,
            phrase`Box above flood level, lockable; the cord leaves the plug downwards, so that the cover shuts over it.`,
          ],
          sees: [
            see(
              'sizes',
              'conductors',
              phrase`as listed: ${conductors(bench, 'feeder')} and ${conductors(bench, 'field')}`,
            ),
            see('two', 'circuits', 'two breakers at the board, each labelled'),
            see('cord', 'way of the cord', 'the cover shuts and locks over the plugs; spare cord coiled, not cut'),
          ],
          decisions: [
            decide(
              'ground-fault',
              'Ground-fault protection on the pump?',
              supply.residualCurrent ? 'with' : 'without',
              choice(
                'with',
                'with',
                'Opens before a person in the water is hurt. A nuisance trip floods: the alarm is the only thing that tells.',
                { path: 'supply.residualCurrent', value: true },
              ),
              choice(
                'without',
                'without, where the local code allows it',
                'No nuisance trip; no protection from a shock. The code asks for a dedicated, locked, single outlet or a fixed connection: ask it first.',
                { path: 'supply.residualCurrent', value: false },
              ),
            ),
            decide(
              'alarm-place',
              'Where is the alarm?',
              'both',
              choice('indoors', 'indoors', 'Heard by people who are in. Nobody outside knows.'),
              choice('outside', 'outside', 'Seen by who passes. Not heard at night.'),
              choice('both', 'both', 'Horn where people are, lamp at the tank.'),
            ),
          ],
          minutes: 90,
          needs: bench.tests.get('tape')?.needs ?? [],
          risk: 'inside',
        }),
        work('seal', 'No open way from tank to box', {
          actions: [
            'Gas from the tank eats contacts and can burn: the conduit ends short of the box, or is sealed at it.',
          ],
          sees: [
            see(
              'gap',
              'conduit',
              enclosure.conduit === 'straight'
                ? 'mend it: it runs straight into the box as surveyed'
                : 'broken by a gap, or sealed at the box; never run straight in',
            ),
            see('supports', 'pipe', 'carried by its own supports, not by the pump'),
          ],
          decisions: [
            decide(
              'conduit',
              'Gap, or seal?',
              enclosure.conduit === 'broken' ? 'broken' : 'sealed',
              choice(
                'broken',
                'a gap',
                'Nothing can pass; cords hang free for a hand’s width, protected from sun and mowers.',
                { path: 'enclosure.conduit', value: 'broken' },
              ),
              choice('sealed', 'a seal', 'Cords stay covered; the seal must be made anew whenever a cord is changed.', {
                path: 'enclosure.conduit',
                value: 'sealed',
              }),
            ),
          ],
          minutes: 15,
        }),
        ...takeAll(bench, 'bench-'),
        ...take(bench, 'tape', 'input-volts', 'dry-lift'),
        ...bypassPump(bench),
        ...bridgeFloat(bench, float),
        ...cycles(bench),
        ...take(bench, 'fill-alarm', 'silence', 'battery', 'remote', 'recover'),
        ...closing(bench),
      ],
      leave: [
        ...(alarm.battery ? [phrase`the date on the alarm’s battery, and when it is due`] : []),
        phrase`box locked, key where the owner knows`,
      ],
      water: phrase`${quantity('volume', levels.vessel.volume(levels.alarm!.rise))} to the alarm from empty, by hose or truck; it leaves by the pump.`,
      season: phrase`Not while the ground is frozen over the line: the first test must drain.`,
      owner: [
        phrase`The horn means high water: use less, call, do not open the tank. The lamp stays lit when the horn is silenced.`,
      ],
      next: phrase`in a month, with the first settled ground; then every year${alarm.battery ? ', the battery by its date' : ''}`,
    };
  },
};
