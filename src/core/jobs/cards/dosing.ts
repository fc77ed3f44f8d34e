import { doseFigures } from '../../levels';
import type { Act } from '../../tests';
import { phrase, quantity, type Phrase } from '../../units';
import type { Bench, Job } from '../job';
import { choice, closing, decide, fillTime, figure, keep, reacts, see, take, work } from '../parts';

const hand = ({ panel }: Bench): { to: Act[]; back: Act[]; tag: string } => {
  const selector = panel?.devices.find((d) => d.positions.some((p) => p.state === 'hand'));
  if (!selector) return { to: [], back: [], tag: 'Hand' };
  const put = (state: string): Act[] => [{ kind: 'put', device: selector.tag, to: state }];
  return { to: put('hand'), back: put(selector.initial), tag: selector.tag };
};

/** Flushing the laterals of a dosed bed. */
export const flushLaterals: Job = {
  id: 'J17',
  title: 'Flushing a dosed bed’s laterals',
  when: 'The bed is uneven, or its laterals are due to be flushed.',
  begins: 'dose',
  against: ({ station }) => (station.discharge.laterals ? null : phrase`no laterals are surveyed`),
  make(bench) {
    const { station, levels } = bench;
    const { duty, discharge } = station;
    const laterals = discharge.laterals!;
    const { hydraulics, atLead, vessel } = levels;
    const system = hydraulics.laterals!;
    const flow = atLead.ok ? atLead.flow : null;
    const reach = flow === null ? null : hydraulics.main.volumeOf(hydraulics.main.length) / flow;
    const all = flow === null ? null : system.volume / flow;
    const least = levels.low?.fall ?? levels.stop;
    const allows = flow === null ? null : (vessel.volume(levels.lead) - vessel.volume(least)) / flow;
    const squirt = flow === null ? null : system.squirtAt(flow);
    const { to, back, tag } = hand(bench);
    const time = (s: number | null): Phrase =>
      s === null ? phrase`a time that cannot be told` : phrase`${quantity('time', s)}`;
    const timed = duty.kind === 'dose' && duty.mode === 'timed' ? duty : null;
    return {
      bring: [
        phrase`caps or wrenches for ${String(laterals.count)} lateral ends, a tape for jets, a pole`,
        phrase`a second person with a radio`,
      ],
      tests: [
        work('before', 'Dose and rest as set', {
          phase: 'look',
          actions: ['Read the timer and the counter before anything is moved.'],
          sees: [
            ...(timed
              ? [
                  figure('on', 'dose', quantity('time', timed.on), 0.02, { path: 'duty.on', from: 'value' }),
                  figure('off', 'rest', quantity('time', timed.off), 0.02, { path: 'duty.off', from: 'value' }),
                ]
              : [see('demand', 'dosing', 'on demand: no timer to read')]),
            keep('counter', 'dose counter', 'count', 'read and kept'),
            keep('hours', 'hour meter', 'span', 'read and kept'),
          ],
          minutes: 5,
          risk: 'look',
        }),
        work('caps-off', 'Caps off', {
          actions: [
            phrase`Every cap at the far end off; the second person stands at the bed and says when it runs clear.`,
          ],
          cautions: ['Sewage infects: gloves, eyes covered, nobody down the wind.'],
          sees: [see('off', 'caps', `${laterals.count} off, laid beside their laterals`)],
          minutes: 10,
          people: 2,
          risk: 'pit',
        }),
        work('flush', 'Flush in Hand', {
          actions: [
            phrase`${tag} to Hand. Water comes to the laterals after ${time(reach)}, and has filled them after ${time(all)} more.`,
            phrase`Until it runs clear, and no longer than ${time(allows)} from the start level: then the tank is at ${levels.low ? 'its low level' : 'its stop'}.`,
          ],
          cautions: ['In Hand nothing but you stops it at low water.', 'Nobody in the line of a jet.'],
          needs: [{ kind: 'water', to: levels.lead }],
          acts: to,
          sees: [
            reacts('runs', 'what happens'),
            ...(reach === null
              ? []
              : [figure('reach', 'water at the first lateral, by the watch', quantity('time', reach), 0.3)]),
            see('clear', 'every lateral', 'runs clear'),
          ],
          restores: back,
          minutes: allows === null ? 10 : Math.ceil(allows / 60) + 5,
          people: 2,
          risk: 'water',
          about: ['pipe'],
        }),
        work('caps-on', 'Caps on, Off, then Auto', {
          actions: ['Caps on, hand tight and a little; Off, then Auto.'],
          sees: [see('on', 'caps', `${laterals.count} on, none drips`), see('auto', tag, 'at Auto')],
          minutes: 10,
          people: 2,
        }),
        work('squirt', 'Jet heights, lateral by lateral', {
          actions: [
            squirt === null
              ? phrase`What the jets should reach cannot be told.`
              : phrase`Each last orifice throws ${quantity('height', squirt)}; the first some more: by ${quantity('share', system.at(squirt).spread)} of flow.`,
          ],
          needs: [{ kind: 'water', to: levels.lead }],
          acts: to,
          sees: Array.from({ length: Math.min(laterals.count, 12) }, (_, i) =>
            squirt === null
              ? keep(`jet-${i + 1}`, `lateral ${i + 1}`, 'height', 'measured and kept')
              : figure(`jet-${i + 1}`, `lateral ${i + 1}`, quantity('height', squirt), 0.15),
          ),
          restores: back,
          cautions: ['Hand again: stay at the tank’s level.'],
          minutes: 2 * laterals.count,
          people: 2,
          risk: 'water',
        }),
        ...take(bench, 'dose', 'drawdown'),
        ...closing(bench),
      ],
      leave: [phrase`timer as decided, counter and hour meter booked`],
      water: phrase`What the tank holds: ${quantity('volume', vessel.volume(levels.lead) - vessel.volume(least))} from start to ${levels.low ? 'low' : 'stop'}; it goes to the bed.`,
      season: phrase`Not on frozen or sodden ground.`,
      owner: [phrase`The bed may smell for a day. Keep off it.`],
      next: phrase`in a year; sooner where a jet was low`,
    };
  },
};

/** Annual check of a dosing or alarm-only panel. */
export const annualCheck: Job = {
  id: 'J21',
  title: 'Annual check of a dosing or alarm-only panel',
  when: 'A year has gone by.',
  begins: 'dose',
  against: ({ station, panel }) => {
    const onlyAlarms = panel !== null && !panel.outcomes.some((o) => o.kind === 'pump');
    return station.duty.kind === 'dose' || onlyAlarms ? null : phrase`it neither doses nor only alarms`;
  },
  make(bench) {
    const { station, levels, panel } = bench;
    const pumps = panel?.outcomes.some((o) => o.kind === 'pump') ?? false;
    const dosed = station.duty.kind === 'dose' ? doseFigures(levels) : null;
    const { duty } = station;
    const cycle = duty.kind === 'dose' && duty.mode === 'timed' ? duty.on + duty.off : null;
    const days = 365;
    const doses = dosed?.ok ? (cycle === null ? dosed.perDay / dosed.volume : 86400 / cycle) * days : null;
    const hours = doses !== null && duty.kind === 'dose' && duty.mode === 'timed' ? doses * duty.on : null;
    return {
      bring: [
        phrase`meter, rod, tape list, last year’s readings`,
        ...(station.alarm.battery ? [phrase`a battery`] : []),
      ],
      tests: [
        work('found', 'As found', {
          phase: 'look',
          actions: ['Before anything is touched.'],
          sees: [
            see('auto', 'selector', 'found in Auto; if not: since when?'),
            ...(pumps
              ? [
                  doses === null
                    ? keep('counter', 'counter, since last year', 'count', 'read and kept')
                    : figure('counter', 'counter, since last year', quantity('count', doses), 0.25),
                  hours === null
                    ? keep('hours', 'hour meter, since last year', 'span', 'read and kept')
                    : figure('hours', 'hour meter, since last year', quantity('span', hours), 0.25),
                ]
              : []),
          ],
          minutes: 5,
          risk: 'look',
        }),
        ...take(bench, 'isolate'),
        work('look', 'Lamp, splices, pipe', {
          phase: 'look',
          actions: ['Splice box open: dry, no green copper. Pipe and supports.'],
          sees: [
            see('splice', 'splice box', 'dry, bright copper'),
            see('pipe', 'pipe', 'no drip, supported'),
            ...(station.alarm.battery ? [see('battery', 'battery', 'its date is good until the next look')] : []),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 10,
        }),
        ...take(bench, 'tape'),
        ...take(bench, 'dry-lift'),
        ...(pumps ? take(bench, 'running', 'dose', 'drawdown') : []),
        ...take(bench, 'fill-alarm', 'silence', 'battery', 'remote'),
        work('back', 'Float tree back at its heights', {
          actions: levels.sensors.map(
            ({ sensor, rise, fall }) =>
              phrase`${sensor.role}: acts at ${quantity('height', levels.vessel.depth - rise)} rim down, lets go at ${quantity('height', levels.vessel.depth - fall)}.`,
          ),
          sees: [see('heights', 'tree', 'back in place, at its marks')],
          decisions: [
            decide(
              'keep',
              'As left: as it was, or set anew?',
              'as-was',
              choice('as-was', 'as it was', 'Nothing was wrong with it.'),
              choice(
                'anew',
                'set anew',
                'The tape step holds what it is now: take it into the station when the run is done.',
              ),
            ),
          ],
          minutes: 10,
        }),
        ...closing(bench),
      ],
      leave: [
        phrase`readings booked with the date`,
        ...(pumps ? [] : [phrase`no pump was tested at this panel: it only alarms`]),
      ],
      water: levels.alarm
        ? phrase`${quantity('volume', levels.vessel.volume(levels.alarm.rise) - levels.vessel.volume(levels.lead))} from start to alarm, where the floats are not lifted by hand.`
        : null,
      season: null,
      owner: [
        dosed?.ok
          ? phrase`This year it should have taken about ${quantity('volume', dosed.perDay * days)}.`
          : phrase`The alarm was tried and was heard.`,
        ...(levels.alarm && Number.isFinite(fillTime(bench, levels.alarm.rise, levels.overflow, levels.inflow.design))
          ? [
              phrase`From the alarm there are ${quantity('time', fillTime(bench, levels.alarm.rise, levels.overflow, levels.inflow.design))} until it runs over.`,
            ]
          : []),
      ],
      next: phrase`in a year`,
    };
  },
};
