import { calledByItself, runsNoPump } from './byItself';
import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import type { Act } from '../act';
import type { Observation, Probes } from '../observation';
import { SPREAD } from '../spread';
import { CHANGES_OVER, madeFirst, toggleOf, turnsAgain } from '../first';
import { JUST } from '../further';
import { putBack } from '../standing';
import { resetWords } from '../resets';
import { test, type Test } from '../test';
import type { World } from '../world';
import { drawdownAlone, fillAlone } from './alone';
import { doseByTimer, restAtPeak } from './dose';
import { lowWater } from './lowWater';
import { called, fall, minutesOf, rise, runTime, slow, waitFor, water, weep } from './water';

export function fillToLead(world: World): Test {
  const { station, levels } = world;
  const { vessel, stop, lead } = levels;
  return test({
    id: 'fill-lead',
    phase: 'wet',
    title: 'Fill until the pump is called',
    actions: [
      phrase`Stop the normal inflow if you can. Fill with the hose (${quantity('flow', station.settings.hoseFlow)}) and watch the floats.`,
      ...slow(world, stop, lead),
      phrase`An empty ${traitsOf(station).words.vessel} takes ${quantity('volume', vessel.volume(stop))} to reach the stop level first. Count water or minutes from the stop level on.`,
      ...resetWords(world),
    ],
    cautions: ['Keep the hose end above the water, so that nothing can be drawn back into the supply.'],
    needs: [water(stop)],
    parts: [
      {
        acts: [rise('pump', lead)],
        observes: [
          { id: 'volume', label: 'water from stop to start', kind: 'volume' },
          { id: 'time', label: 'time for it by hose', kind: 'hose time' },
          { id: 'level', label: 'water when the pump is called, rim down', kind: 'level' },
          runsNoPump(world) ? calledByItself(world, 'reacts') : { id: 'reacts', label: 'what reacts', kind: 'reacts' },
        ],
      },
    ],
    minutes: minutesOf(waitFor(world, 0, lead), 2),
    risk: 'water',
    about: ['level:lead'],
  });
}

/** The two lines that feed the pumps, at their terminals. */
export function feedOf({ panel }: World): Probes | null {
  const supply = panel?.devices.find((d) => d.function === 'supply');
  const at = (pin: string) => panel!.cores.find((c) => c.pin === `${supply!.tag}:${pin}`)?.terminal ?? null;
  if (!supply) return null;
  const [a, b] = [at('L1'), at('L2') ?? at('N')];
  return a && b ? { a, b, mode: 'ac-volts' } : null;
}

/** Amps of a pump while it runs: by its plate, and at its flow. */
function ampsOf({ station, panel }: World, pump: number): Observation[] {
  const motor = panel?.devices.find((d) => d.function === 'motor' && d.pump === pump);
  const core = panel?.cores.find((c) => motor && c.pin.startsWith(`${motor.tag}:`) && c.terminal)?.id ?? null;
  const assumed = station.pumps[pump - 1]!.power === null;
  const plate: Observation = { id: 'amps', label: 'amps running', kind: 'amps', pump, core, of: 'plate' };
  const label = `amps at its flow${assumed ? ', by an assumed power curve' : ''}`;
  return traitsOf(station).mover.kind === 'valve'
    ? [plate]
    : [plate, { id: 'amps-at-flow', label, kind: 'amps', pump, core, of: 'flow' }];
}

/** Volts and amps of each pump that can be made the first: which one is called of itself is a matter of whose turn it is. */
export function running(world: World): Test[] {
  const toggle = toggleOf(world);
  const { station, levels } = world;
  const { stop, lead } = levels;
  const feed = feedOf(world);
  const band = { share: SPREAD.supply };
  const volts = (id: string, label: string): Observation =>
    feed
      ? { id, label, kind: 'volts', probes: feed, band }
      : { id, label, kind: 'figure', value: quantity('voltage', station.supply.voltage), band };
  const firsts = station.pumps.map((_, i) => madeFirst(world, i + 1));
  const several = firsts.length > 1 && firsts.every((acts) => acts.length > 0);
  return (several ? firsts : firsts.slice(0, 1)).map((first, i) =>
    test({
      id: i === 0 ? 'running' : `running-${i + 1}`,
      phase: 'wet',
      title: several ? `Volts and amps of pump ${i + 1}` : 'Volts and amps',
      actions: [
        phrase`Volts at the ${feed ? `terminals ${feed.a} and ${feed.b}` : 'outlet'} at rest and with the pump running; clamp around the line core alone while it runs.`,
        ...(toggle ? putBack([toggle]) : []),
      ],
      cautions: [
        'Live measuring: rated meter and leads, one hand where you can, dry feet.',
        ...(toggle ? [CHANGES_OVER] : []),
      ],
      needs: [water(stop), ...first],
      parts: [
        { acts: [], observes: [volts('rest-volts', 'volts at rest')] },
        { acts: called(world).slice(1), observes: [volts('run-volts', 'volts running'), ...ampsOf(world, i + 1)] },
      ],
      restores: turnsAgain(world),
      minutes: minutesOf(runTime(world, lead, stop), 3),
      risk: 'probes',
      about: ['pump'],
    }),
  );
}

export function pumpDown(world: World): Test {
  const { levels } = world;
  const { vessel, stop, lead, hydraulics } = levels;
  const own = runsNoPump(world);
  const up = vessel.height(vessel.volume(stop) + hydraulics.drainback(1, stop).volume) - stop;
  return test({
    id: 'pump-down',
    phase: 'wet',
    title: 'Let it pump down and stop',
    actions: [
      phrase`Hose off, inflow stopped. Watch in hand from start to stop.`,
      phrase`Then wait two minutes: what drains back lifts the water by ${quantity('height', up)} and must not start the pump.`,
    ],
    needs: called(world),
    parts: [
      {
        acts: [fall('pump', stop)],
        observes: [
          { id: 'run', label: 'from start to stop', kind: 'run time' },
          { id: 'level', label: 'water when the pump stops, rim down', kind: 'level' },
          ...(own ? [] : [{ id: 'stops', label: 'what reacts', kind: 'reacts' as const }]),
        ],
      },
      {
        acts: [{ kind: 'drain back' }],
        observes: [
          own
            ? { id: 'stays', label: 'two minutes after', kind: 'sense', good: phrase`the pump stays still` }
            : { id: 'stays', label: 'two minutes after', kind: 'reacts', pumps: true },
          weep(world),
        ],
      },
    ],
    minutes: minutesOf(runTime(world, lead, stop), 3),
    risk: 'water',
    about: ['level:stop', 'pipe'],
  });
}

export function drawdownTest(world: World): Test {
  const { vessel, stop, lead } = world.levels;
  return test({
    id: 'drawdown',
    phase: 'wet',
    title: 'Drawdown: what the pump really moves',
    actions: [
      phrase`Fill to the start again. From the start, measure how far the water falls and for how long; no hose.`,
      phrase`Then, the pump off, how fast it rises again by itself: that inflow is added to the pump's flow. One ${quantity('height', 0.01)} here is ${quantity('volume', vessel.area((stop + lead) / 2) * 0.01)}.`,
    ],
    needs: called(world),
    parts: [
      {
        acts: [water(stop)],
        observes: [
          { id: 'drop', label: 'drop of the water', kind: 'fall rate' },
          { id: 'flow', label: 'flow from it', kind: 'flow' },
        ],
      },
    ],
    minutes: minutesOf(waitFor(world, stop, lead) + runTime(world, lead, stop), 3),
    risk: 'water',
    about: ['level:lead', 'level:stop', 'pump', 'pipe'],
  });
}

/** Water up to the call of each further pump, those before it running or held off. Nothing where one pump is all. */
export function fillToLag(world: World): Test[] {
  const { station, levels, panel } = world;
  return levels.calls.slice(1).map((level, i): Test => {
    const selectors = (panel?.devices ?? []).filter((d) => d.function === 'selector');
    const off = selectors.map((d): Act => ({ kind: 'put', device: d.tag, to: 'off' }));
    const auto = selectors.map((d): Act => ({ kind: 'put', device: d.tag, to: d.initial }));
    const before = levels.calls[i]!;
    return test({
      id: `fill-lag-${i + 2}`,
      phase: 'wet',
      title: `Fill until pump ${i + 2} is called`,
      actions: [
        phrase`Every pump at Off. Fill with the hose (${quantity('flow', station.settings.hoseFlow)}) to just over the level, and give the pumps back: so many start as are called.`,
        phrase`From the call before it is ${quantity('volume', levels.vessel.volume(level) - levels.vessel.volume(before))}.`,
      ],
      cautions: ['Hold a pump off only by its selector or its lock; put it back to automatic after.'],
      needs: [...off, water(before)],
      parts: [
        {
          acts: [water(level + JUST)],
          observes: [
            { id: 'volume', label: 'water for it', kind: 'volume' },
            { id: 'level', label: 'level of that call, rim down', kind: 'level' },
          ],
        },
        { acts: auto, observes: [{ id: 'reacts', label: 'pumps given back', kind: 'reacts', pumps: true }] },
      ],
      minutes: minutesOf(waitFor(world, before, level), 2),
      risk: 'water',
      about: [i === 0 ? 'level:lag' : 'level:lag2'],
    });
  });
}

/** Two calls, two pumps. Nothing where they do not take turns. */
export function alternation(world: World): Test[] {
  const { station, levels } = world;
  const { count } = levels.hydraulics;
  if (!station.control.alternates || count < 2) return [];
  return [
    test({
      id: 'alternator',
      phase: 'wet',
      title: 'The pumps take turns',
      actions: [
        phrase`Let it call ${String(count + 1)} times, by the water or by the floats on a dry rod, and note which pump starts.`,
      ],
      parts: [{ acts: [], observes: [{ id: 'turns', label: 'pumps that start', kind: 'turns', calls: count + 1 }] }],
      minutes: 2 + 3 * (count + 1),
      risk: 'water',
      about: ['pump'],
    }),
  ];
}

/** A tank that is filled: drawn down to its start, filled to its stop. */
export function fillTank(world: World): Test[] {
  const { stop, lead, drawdown } = world.levels;
  const { runOn } = traitsOf(world.station);
  return [
    test({
      id: 'draw-start',
      phase: 'wet',
      title: 'Draw until filling starts',
      actions: [
        phrase`Open a draw and watch the water go down. From stop to start it is ${quantity('volume', drawdown)}.`,
        phrase`One that gives as much as your hose (${quantity('flow', world.station.settings.hoseFlow)}) takes ${quantity('time', waitFor(world, lead, stop))} beside the use of an ordinary day.`,
      ],
      cautions: ['A float in a tank of drinking water is of a kind that is made for it.'],
      needs: [water(stop + JUST)],
      parts: [
        {
          acts: [fall('pump', lead)],
          observes: [
            { id: 'level', label: 'water when filling starts, rim down', kind: 'level' },
            { id: 'reacts', label: 'what reacts', kind: 'reacts' },
          ],
        },
      ],
      minutes: minutesOf(waitFor(world, lead, stop), 2),
      risk: 'water',
      about: ['level:lead'],
    }),
    test({
      id: 'fill-up',
      phase: 'wet',
      title: 'Let it fill and stop',
      actions: [phrase`Draws shut. Watch in hand from start to stop, then look how much still runs in.`],
      cautions: ['Stay with it until it has stopped: the overflow is the next thing up.'],
      needs: [water(stop + JUST), fall('pump', lead)],
      parts: [
        {
          acts: [rise('pump', stop)],
          observes: [
            { id: 'run', label: 'from start to stop', kind: 'run time' },
            { id: 'level', label: 'water when filling stops, rim down', kind: 'level' },
            { id: 'stops', label: 'what reacts', kind: 'reacts' },
            {
              id: 'after',
              label: 'two minutes after',
              kind: 'sense',
              good: phrase`no more runs in${runOn > 0 ? phrase`, after at most ${quantity('time', runOn)}` : phrase``}`,
            },
          ],
        },
      ],
      minutes: minutesOf(runTime(world, lead, stop), 3),
      risk: 'water',
      about: ['level:stop'],
    }),
  ];
}

/** The wet tests, by which way the water is moved and what decides it. */
export function wetTests(world: World): Test[] {
  const traits = traitsOf(world.station);
  if (traits.direction === 'fill') return [...fillTank(world), ...fillAlone(world)];
  return [
    fillToLead(world),
    ...running(world),
    ...(traits.timer ? doseByTimer(world) : [pumpDown(world)]),
    ...lowWater(world),
    ...restAtPeak(world),
    ...drawdownAlone(world, drawdownTest(world)),
    ...fillToLag(world),
    ...alternation(world),
  ];
}
