import { wayOf } from '../../duties';
import { phrase, quantity } from '../../units';
import type { LevelContext } from '../context';
import { markWords, type Mark } from '../marks';
import type { Condition, DrawingRef, Rule } from '../rule';

interface Pair {
  readonly upper: string;
  readonly lower: string;
  readonly apart: number;
  readonly about: readonly DrawingRef[];
}

/** Neighbours among the levels where sensors act; the overflow is no sensor, and has the reserve to ask for it. */
function neighbours({ marks, station }: LevelContext): Pair[] {
  const acting = marks.filter((m): m is Mark & { sensor: string } => m.sensor !== null);
  return acting.slice(1).map((upper, i) => {
    const lower = acting[i]!;
    return {
      upper: markWords(upper.name, station.duty),
      lower: markWords(lower.name, station.duty),
      apart: upper.level - lower.level,
      about: [`level:${upper.name}`, `level:${lower.name}`],
    };
  });
}

/** Differentials must not reach into each other so far that the going back of one comes after the stop, or a low level keeps the pump from its start. */
function differentials({ marks, sensors, station, stop, lead, low }: LevelContext): Pair[] {
  // Where pumps fill, what goes back goes back away from the stop.
  const emptying = wayOf(station).direction === 'empty';
  const above = marks.filter((m) => m.sensor !== null && m.name !== 'low' && m.name !== 'stop');
  const clearing = above.flatMap((m): Pair[] => {
    const trips = sensors.find((s) => s.sensor.id === m.sensor)!;
    if (!emptying || trips.sensor.role === 'pump') return [];
    return [
      {
        upper: `${markWords(m.name, station.duty)} clearing`,
        lower: markWords('stop', station.duty),
        apart: trips.fall - stop,
        about: [`level:${m.name}`, 'level:stop'],
      },
    ];
  });
  const upper = stop > lead ? ({ name: 'stop', level: stop } as const) : ({ name: 'lead', level: lead } as const);
  const lets: Pair[] = low
    ? [
        {
          upper: markWords(upper.name, station.duty),
          lower: `${markWords('low', station.duty)} letting go`,
          apart: upper.level - low.rise,
          about: [`level:${upper.name}`, 'level:low'],
        },
      ]
    : [];
  return [...clearing, ...lets];
}

/** Neighbouring trips that must act in order stay far enough apart, on the rise and on the fall, that waves do not swap them. */
export const gap: Rule<'gap'> = {
  id: 'gap',
  title: 'room between trips',
  severity: 'should',
  settings: ['minimumGap'],
  about: [],
  judge(context) {
    const least = quantity('height', context.station.settings.minimumGap);
    return [...neighbours(context), ...differentials(context)].map(({ upper, lower, apart, about }): Condition => ({
      sense: 'at-least',
      needs: least,
      has: quantity('height', apart),
      why: phrase`Closest pair: ${upper} over ${lower}, ${quantity('height', apart)} apart. Waves and swing can swap trips that are closer than ${least}.`,
      about,
    }));
  },
};
