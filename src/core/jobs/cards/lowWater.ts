import { faultsOf } from '../../faults';
import { traitsOf } from '../../duties';
import { predict, worldOf } from '../../tests';
import { phrase, quantity, type Phrase } from '../../units';
import { liftFloat } from '../acts';
import type { Bench, Job } from '../job';
import { choice, closing, cordLength, decide, fillTime, likeIt, saySlip, see, take, work, atMost } from '../parts';

/** The float that keeps a pump from running dry: the low one, or the pump’s own where the water is drawn from. */
const lowFloat = (bench: Bench) => bench.sensor('low') ?? bench.sensor('pump') ?? bench.sensor('stop')!;

/** Water that is kept and drawn from by a pump, or a float that guards one from running dry. */
const draws = ({ station, sensor }: Bench): Phrase | null => {
  const { direction, mover, kept } = traitsOf(station);
  if (direction !== 'empty' || mover.kind !== 'pump') return phrase`no pump draws from it`;
  return kept || sensor('low') ? null : phrase`its water is not kept, and no float guards its pump from running dry`;
};

/** What a motor that is off carries where its float sits in the neutral, and as it is here: asked of the circuit. */
function neutralLine({ station, panel }: Bench): Phrase[] {
  const motor = panel?.devices.find((d) => d.function === 'motor');
  const fault = panel && faultsOf(station, panel).find((f) => f.id === 'neutral-switched');
  const pin = motor && Object.keys(motor.cable?.colours ?? {})[0];
  if (!motor || !fault || pin === undefined) return [];
  const off = work('off', '', {
    actions: [],
    sees: [
      {
        id: 'u',
        label: '',
        kind: 'volts',
        probes: { a: `${motor.tag}:${pin}`, b: 'earth', mode: 'ac-volts' },
        band: { share: 0.1 },
      },
    ],
  });
  const of = (w: Bench['world']) => {
    const p = predict(w, off).get('u');
    return p?.kind === 'value' ? p.value : null;
  };
  const wrong = of(worldOf(station, [fault]));
  return wrong === null || wrong.value < 25
    ? []
    : [
        phrase`In the neutral the motor would carry ${wrong} to earth while “off”: told by this station’s circuit with the float put there. Mend: isolate, float into the line, neutral straight through.`,
      ];
}

/** A low-water cut-off in a tank or pond. */
export const lowWater: Job = {
  id: 'J4',
  title: 'Low-water cut-off in a tank or pond',
  when: 'A pump draws from a tank or pond, and must stop before it draws air.',
  begins: 'transfer',
  against: (bench) => draws(bench),
  make(bench) {
    const { station, levels } = bench;
    const float = lowFloat(bench);
    return {
      bring: [
        likeIt(bench, float),
        phrase`a counterweight or clamp; a dry box with a drain hole; a fuse for ${quantity('current', station.pumps[0]!.ratedCurrent)} running`,
      ],
      tests: [
        ...take(bench, 'isolate'),
        work('line', 'In the line only', {
          actions: [phrase`The float breaks the line conductor, and nothing else.`, ...neutralLine(bench)],
          sees: [see('line', 'conductor through the float', 'the line; the neutral runs straight through')],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 10,
          risk: 'inside',
        }),
        ...take(bench, `bench-${float.id}`),
        work('set', 'Set it for the level', {
          actions: [
            phrase`It stops the pump at ${quantity('height', levels.vessel.depth - levels.stop)} rim down: counterweight or clip and tether as on the tape list.`,
            saySlip(bench, float),
            phrase`As the water falls the float must come to rest on nothing: no pump, hose, shelf or bank under it.`,
            phrase`Cord round the wall to the dry box: ${cordLength(bench, float)} at least. The box above flood level, its drain hole open.`,
          ],
          sees: [
            see('swing', 'swing of the float', 'clear of inlet, hoses and filter'),
            see('rest', 'as the water falls', 'it hangs free under its stop level: it comes to rest on nothing'),
            see('box', 'box', 'above flood level, drain hole down and open'),
            see(
              'fuse',
              'fuse',
              phrase`for ${quantity('current', station.pumps[0]!.ratedCurrent)} running, not for the cable alone`,
            ),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 20,
          about: [`float:${float.id}`],
        }),
        ...take(bench, 'tape'),
        ...liftFloat(bench, float),
        ...take(bench, 'pump-down'),
        work('water-volts', 'Water to earth, everything on', {
          actions: [
            'AC volts between the water and earth with every piece of equipment on; where it reads, again with each off, one by one: the one that takes it away leaks.',
          ],
          cautions: ['Hands out of the water until it is read. More than a few volts can hold a person.'],
          sees: [
            atMost('all', 'with all on', quantity('voltage', 2)),
            see('which', 'if it read', 'the one that leaks is found, isolated and locked'),
          ],
          minutes: 10,
          risk: 'probes',
        }),
        ...closing(bench),
      ],
      leave: [phrase`the tape list in the box, with the level at which it stops`],
      water: phrase`Drawn down by the pump itself: ${quantity('volume', levels.drawdown)} from start to stop.`,
      season: phrase`Ice holds a float where it froze: out of the water for the winter, or under the ice.`,
      owner: [phrase`When the water is low the pump stops by itself, and starts again when it has come up.`],
      next: phrase`when the water is lowest, and every year`,
    };
  },
};

/** Low-water protection with a changeover float. */
export const changeoverProtection: Job = {
  id: 'J5',
  title: 'Low-water protection with a changeover float',
  when: 'A float with three cores is to stop a pump at low water.',
  begins: 'transfer',
  against: (bench) =>
    draws(bench) ??
    (lowFloat(bench).kind === 'tilt' ? null : phrase`what keeps it from running dry is no float on a tether`),
  make(bench) {
    const { levels } = bench;
    const float = lowFloat(bench);
    const trips = levels.sensors.find((s) => s.sensor.id === float.id)!;
    const span = trips.rise - trips.fall;
    const volume = levels.vessel.volume(trips.rise) - levels.vessel.volume(trips.fall);
    // What a switch in the side of a vessel needs between off and on, m: the usual figure of such switches.
    const side = 0.03;
    const least = levels.vessel.volume(trips.fall + side) - levels.vessel.volume(trips.fall);
    const wait = fillTime(bench, trips.fall, trips.rise, levels.inflow.low);
    return {
      bring: [likeIt(bench, float), phrase`connectors in a box, to be fixed above the water; caps for the spare core`],
      tests: [
        ...take(bench, 'isolate', `bench-${float.id}`),
        work('cores', 'Which core', {
          actions: [
            phrase`For “on when up” the common and the contact that closes on rise; the third core is capped, and the list says so.`,
            phrase`Connectors in a box that is fixed above the water.`,
          ],
          sees: [
            see('core', 'cores', 'common and closes-on-rise landed by the meter'),
            see('capped', 'spare core', 'capped by itself, and noted'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 10,
          risk: 'inside',
        }),
        work('hang', 'Hang test before it goes in', {
          actions: ['Hang it by its tether in the hand: tip it to both ends of its swing and listen.'],
          sees: [
            see('low-end', 'at the low end', 'clicks, and opens'),
            see('high-end', 'at the high end', 'clicks, and closes'),
          ],
          minutes: 3,
        }),
        work('range', 'What the range costs', {
          actions: [
            phrase`It stops at ${quantity('height', trips.fall)} floor up and lets the pump run again at ${quantity('height', trips.rise)}: ${quantity('height', span)} and ${quantity('volume', volume)} must come back, ${sayTime(wait)} at low inflow.`,
            phrase`A switch in the side would ask for some ${quantity('height', side)} (assumed): ${quantity('volume', least)}.`,
          ],
          decisions: [
            decide(
              'switch',
              'Wide float, or a switch in the side?',
              'float',
              choice(
                'float',
                'the float on its tether',
                phrase`${quantity('volume', volume)} before it runs again: few starts, a long wait.`,
              ),
              choice(
                'side',
                'a switch in the side',
                phrase`About ${quantity('volume', least)}: it is back sooner, and starts more often. A hole in the wall.`,
              ),
            ),
          ],
          minutes: 5,
          risk: 'look',
        }),
        ...take(bench, 'tape', 'dry-lift', 'pump-down'),
        ...closing(bench),
      ],
      leave: [phrase`the spare core capped, and said so on the list`],
      water: phrase`${quantity('volume', volume)} to bring it back after the stop.`,
      season: null,
      owner: [
        phrase`After it has stopped for low water, so much must come back before it runs: ${quantity('volume', volume)}.`,
      ],
      next: phrase`every year`,
    };
  },
};

const sayTime = (seconds: number): Phrase =>
  Number.isFinite(seconds) ? phrase`${quantity('time', seconds)}` : phrase`without an end`;

/** Dry-run protection on a barrel or small vessel. */
export const barrel: Job = {
  id: 'J15',
  title: 'Dry-run protection on a barrel',
  when: 'A pump draws from a barrel, and burned its seal once already.',
  begins: 'transfer',
  against: (bench) => draws(bench),
  make(bench) {
    const { levels, station } = bench;
    const float = lowFloat(bench);
    const trips = levels.sensors.find((s) => s.sensor.id === float.id)!;
    const usable = Math.max(...station.pumps.map((p) => p.intake));
    const restart = levels.vessel.volume(trips.rise) - levels.vessel.volume(trips.fall);
    return {
      bring: [
        likeIt(bench, float),
        phrase`a gland for its cord, a junction box so that the float can be changed alone, a cap for the spare core`,
      ],
      tests: [
        ...take(bench, 'isolate'),
        work('lowest', 'Lowest usable level', {
          actions: [
            phrase`The pump takes water down to ${quantity('height', usable)} floor up; the float must stop it at ${quantity('height', trips.fall)} or higher: so it does, by ${quantity('height', trips.fall - usable)}.`,
            ...(trips.fall < usable ? [phrase`It is set too low: it would run dry before it stops.`] : []),
          ],
          sees: [see('outlet', 'outlet or intake', phrase`at ${quantity('height', usable)} floor up, as surveyed`)],
          minutes: 5,
        }),
        work('gland', 'Cord held in its gland', {
          actions: [
            phrase`Cord length inside fixed by the gland: the tether as on the tape list. Junction outside, dry, so that the float can be changed alone; spare core insulated.`,
          ],
          sees: [
            see('gland', 'gland', 'holds the cord: it cannot be pulled'),
            see('junction', 'junction', 'dry, spare core insulated'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          decisions: [
            decide(
              'kind',
              'Tethered float, or a switch in the side?',
              float.kind === 'tilt' ? 'tether' : 'side',
              choice(
                'tether',
                'float on a tether',
                phrase`Needs room to swing; a wide range: ${quantity('volume', restart)} here.`,
              ),
              choice('side', 'switch in the side', 'A narrow vessel; a small range; a hole to seal.'),
            ),
          ],
          minutes: 20,
          risk: 'inside',
        }),
        ...take(bench, `bench-${float.id}`, 'tape'),
        ...liftFloat(bench, float),
        ...take(bench, 'pump-down'),
        work('restart', 'Restart', {
          actions: [phrase`Fill until it may run again: ${quantity('volume', restart)} over the stop.`],
          acts: [
            { kind: 'water', to: trips.fall },
            { kind: 'water', to: trips.rise + 1e-6 },
          ],
          sees: [see('again', 'at that level', 'the pump may run again')],
          minutes: 5,
          risk: 'water',
        }),
        ...closing(bench),
      ],
      leave: [phrase`a mark on the barrel at the stop and at the restart`],
      water: phrase`${quantity('volume', restart)} in buckets.`,
      season: null,
      owner: [phrase`Below the lower mark nothing runs; it waits until the upper one.`],
      next: phrase`every year`,
    };
  },
};
