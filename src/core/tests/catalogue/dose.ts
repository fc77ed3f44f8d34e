import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { furtherOf, JUST } from '../further';
import { SPREAD } from '../spread';
import { test, type Test } from '../test';
import type { World } from '../world';
import { called, minutesOf, waitFor, water, weep } from './water';

/* Tests of a pump that a timer calls. */

/** A dose by the timer: how long it runs, what it moves, what follows. Nothing where levels alone decide. */
export function doseByTimer(world: World): Test[] {
  const { timer } = traitsOf(world.station);
  if (!timer) return [];
  return [
    test({
      id: 'dose',
      phase: 'wet',
      title: 'One dose by the timer',
      actions: [
        phrase`Hose off, inflow stopped. Watch in hand from the start of the pump to its stop, tape before and after.`,
      ],
      cautions: ['It starts by itself when its rest is over: hands out of the pit.'],
      needs: called(world),
      parts: [
        {
          acts: [{ kind: 'pump', seconds: timer.on }, { kind: 'wait' }],
          observes: [
            {
              id: 'run',
              label: 'run of the dose',
              kind: 'figure',
              value: quantity('time', timer.on),
              band: { amount: Math.max(SPREAD.watch * 2, 0.02 * timer.on) },
            },
            { id: 'volume', label: 'water moved, by the tape', kind: 'volume', by: 'tape' },
            { id: 'stops', label: 'what reacts', kind: 'reacts', pumps: true },
            weep(world),
          ],
        },
      ],
      minutes: minutesOf(timer.on, 3),
      risk: 'water',
      about: ['level:lead', 'pump'],
    }),
  ];
}

/** Over the peak float the timer rests less. Nothing where no float calls a peak. */
export function restAtPeak(world: World): Test[] {
  const { timer } = traitsOf(world.station);
  const { lead, stop, vessel } = world.levels;
  const peak = furtherOf(world).find((f) => f.name === 'peak');
  if (!timer || !peak) return [];
  return [
    test({
      id: 'rest-peak',
      phase: 'wet',
      title: 'The rest of the timer at peak',
      actions: [
        phrase`Fill over the peak float (${quantity('volume', vessel.volume(peak.level) - vessel.volume(lead))} from the start). Watch in hand from there, or from the stop of the pump, to its start.`,
      ],
      cautions: ['It starts by itself when its rest is over: hands out of the pit.'],
      needs: [water(stop), water(lead + JUST), water(peak.level)],
      parts: [
        {
          acts: [{ kind: 'wait' }],
          observes: [
            {
              id: 'rest',
              label: 'rest at peak',
              kind: 'figure',
              value: quantity('time', timer.peakOff),
              band: { amount: Math.max(SPREAD.watch * 2, 0.02 * timer.peakOff) },
            },
            { id: 'starts', label: 'what reacts', kind: 'reacts', pumps: true },
          ],
        },
      ],
      minutes: minutesOf(waitFor(world, lead, peak.level) + timer.peakOff, 2),
      risk: 'water',
      about: ['level:peak', 'pump'],
    }),
  ];
}
