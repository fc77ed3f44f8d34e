import type { Interlock } from '../../station';
import { phrase, quantity, type Phrase } from '../../units';
import { liftFloat } from '../acts';
import type { Bench, Job } from '../job';
import { choice, closing, decide, fillTime, reacts, see, take, work } from '../parts';

const stopped = ({ station, sensor }: Bench): Phrase | null => {
  if (!sensor('cutoff')) return phrase`it has no cut-off`;
  return station.interlocks.some((l) => l.kind === 'cutoff') ? null : phrase`its cut-off stops no appliance`;
};
type CutOff = Extract<Interlock, { kind: 'cutoff' }>;
const loopOf = ({ station }: Bench): CutOff => station.interlocks.find((l): l is CutOff => l.kind === 'cutoff')!;

/** The two terminals of the cut-off's loop, and the volts that the appliance brings to it. */
function appliance(bench: Bench) {
  const { panel } = bench;
  const device = panel?.devices.find((d) => d.function === 'cut-off');
  const [a, b] = (panel?.cores ?? []).flatMap((c) =>
    device && c.pin.startsWith(`${device.tag}:`) && c.terminal ? [c.terminal] : [],
  );
  return a && b ? { a, b } : null;
}

/** An appliance that is dead, and a reservoir that is full. */
export const deadAppliance: Job = {
  id: 'J18',
  title: 'Appliance dead, reservoir full',
  when: 'An appliance has no power, and its supply is there.',
  begins: 'condensate',
  against: stopped,
  make(bench) {
    const { levels } = bench;
    const loop = loopOf(bench);
    const { name } = loop;
    const live = loop.acts === 'live';
    const cutoff = levels.cutoff!;
    const at = appliance(bench);
    const float = bench.sensor('cutoff')!;
    const full: Parameters<typeof work>[2] = {
      actions: [
        live
          ? phrase`No volts at ${name} is the cut-off doing its work: look in the reservoir before a new supply is quoted.`
          : phrase`${name} has its supply and does nothing: its cut-off breaks the call at ${quantity('voltage', loop.volts)}. Look in the reservoir before a thermostat or a board is quoted.`,
        phrase`The cut-off acts at ${quantity('height', levels.vessel.depth - cutoff.rise)} rim down, and lets go at ${quantity('height', levels.vessel.depth - cutoff.fall)}.`,
      ],
      sees: [see('full', 'reservoir', 'full, up to the cut-off: that is why')],
      minutes: 3,
      risk: 'look',
      phase: 'look',
    };
    return {
      bring: [
        phrase`a cup and rags: ${quantity('volume', levels.vessel.volume(cutoff.rise))} stand in it`,
        phrase`wire for the strainer, a hair dryer for a frozen line`,
      ],
      tests: [
        work('trap', 'Look in the reservoir first', full),
        ...(at
          ? [
              work('volts', 'Over the cut-off’s loop', {
                actions: [
                  phrase`Volts over ${at.a} and ${at.b}, the water still up: an open loop shows what ${name} brings, and where the break is.`,
                ],
                cautions: ['The loop belongs to the appliance: it is live when the pump is off.'],
                needs: [{ kind: 'water', to: cutoff.rise + 1e-6 }],
                sees: [
                  {
                    id: 'loop',
                    label: `${at.a} to ${at.b}`,
                    kind: 'volts',
                    probes: { a: at.a, b: at.b, mode: 'ac-volts' },
                    band: { share: 0.15 },
                  },
                ],
                minutes: 3,
                risk: 'probes',
              }),
            ]
          : []),
        work('empty', 'Empty it', {
          actions: [
            phrase`Down to under ${quantity('height', levels.vessel.depth - cutoff.fall)} rim down: ${live ? 'the live' : 'the call'} comes back by itself.`,
          ],
          cautions: [`${name} starts by itself when the water is down.`],
          needs: [{ kind: 'water', to: cutoff.rise + 1e-6 }],
          acts: [{ kind: 'fall', until: 'interlock', toward: cutoff.fall }],
          sees: [reacts('back', 'what happens')],
          minutes: 5,
          risk: 'water',
        }),
        work('cause', 'Why it filled', {
          phase: 'look',
          actions: ['Pump live? Outlet blocked? Line frozen? In this order: the first two from outside.'],
          sees: [
            see('live', 'pump', 'live, and runs when its float is lifted'),
            see('outlet', 'outlet', 'water comes at its end'),
            see('frost', 'line', 'free over its whole length'),
          ],
          decisions: [
            decide(
              'why',
              'What was it?',
              null,
              choice('pump', 'the pump', 'Dead, or not called.'),
              choice('line', 'the line', 'Blocked or frozen.'),
              choice('inflow', 'too much came', 'More than the set gives at its lift.'),
              choice('other', 'something else', 'Say it in the note.'),
            ),
          ],
          minutes: 15,
          risk: 'outside',
        }),
        ...liftFloat(bench, bench.sensor('pump') ?? float),
        ...take(bench, 'pump-down', 'cut-off'),
        ...closing(bench),
      ],
      leave: [phrase`a label at the appliance: “no power? Look in the reservoir.”`],
      water: phrase`${quantity('volume', levels.vessel.volume(cutoff.rise))} for the proof of the cut-off.`,
      season: phrase`In frost the line is the first suspect.`,
      owner: [
        phrase`${name} stops on purpose when its little tank is full. Empty it, and it runs again; then find out why it filled.`,
      ],
      next: phrase`in a month; before the next season`,
    };
  },
};

/** A cut-off that was never connected. */
export const connectCutOff: Job = {
  id: 'J20',
  title: 'Cut-off never connected',
  when: 'Found on a look: two leads of the cut-off hang loose, or are twisted together.',
  begins: 'condensate',
  against: stopped,
  make(bench) {
    const { levels, panel } = bench;
    const loop = loopOf(bench);
    const device = panel?.devices.find((d) => d.function === 'cut-off');
    const leads = (panel?.cores ?? []).filter((c) => device && c.pin.startsWith(`${device.tag}:`));
    const over = fillTime(bench, levels.cutoff!.rise, levels.overflow, levels.inflow.design);
    return {
      bring: [
        phrase`splices that are closed against water, two cores to reach, a service loop of a hand’s length`,
        phrase`the wiring plan of ${loop.name}`,
      ],
      tests: [
        work('danger', 'What it means now', {
          phase: 'look',
          actions: [
            Number.isFinite(over)
              ? phrase`As found nothing stops the appliance: with its pump dead it runs over ${quantity('time', over)} after the water has passed the cut-off, at design inflow.`
              : phrase`As found nothing stops the appliance.`,
          ],
          sees: [see('loose', 'its two leads', 'found: where they hang, or what bridges them')],
          minutes: 3,
          risk: 'look',
        }),
        ...take(bench, 'isolate'),
        work('connect', 'Break the feed at the appliance', {
          actions: [
            phrase`Which ${loop.acts === 'live' ? 'live' : 'low-voltage'} feed: ${quantity('voltage', loop.volts)}, ${quantity('current', loop.amps)}. It is cut in one place, and the two leads go to the two ends.`,
            ...leads.map((c) => phrase`${c.colour} to ${c.terminal ?? 'capped'}`),
          ],
          cautions: [
            'The appliance has a supply of its own: its door switch, or its own breaker, makes it dead. Prove it.',
          ],
          sees: [
            see('dead', 'appliance', 'proved dead before the feed is cut'),
            see('splice', 'splices', 'tugged, closed against water'),
            see('loop', 'service loop', 'left, not stretched'),
          ],
          decisions: [
            decide(
              'which',
              'Which feed?',
              loop.acts === 'live' ? 'live' : 'call',
              choice(
                'call',
                'the low-voltage call',
                'First choice where the maker allows it; the thermostat goes blank and says so.',
              ),
              choice('live', 'the live feed', 'Stops what has no call; the contact must carry it.'),
            ),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 30,
          risk: 'inside',
        }),
        ...take(bench, `bench-${bench.sensor('cutoff')!.id}`),
        ...liftFloat(bench, bench.sensor('cutoff')!),
        ...take(bench, 'cut-off'),
        ...closing(bench),
      ],
      leave: [phrase`a label in the appliance: a high-water cut-off is in this circuit`],
      water: phrase`${quantity('volume', levels.vessel.volume(levels.cutoff!.rise))} to raise it to the cut-off.`,
      season: null,
      owner: [
        phrase`Until today nothing would have stopped it from running over. Now it stops: look in the tank when it does.`,
      ],
      next: phrase`in a month, then before each season`,
    };
  },
};
