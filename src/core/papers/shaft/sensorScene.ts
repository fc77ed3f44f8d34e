import type { SensorTrips } from '../../levels';
import { kindOf } from '../../sensing';
import { quantity, say, type UnitSystem } from '../../units';
import { floatShapes, ghostShapes } from './floatShapes';
import type { Layout } from './layout';
import { line, text, type Group } from './shape';

const WIDTH = 190;
const HEIGHT = 150;
const MARGIN = 16;

/** A layout of its own round one sensor: its heights and its two trips fill the drawing. */
function around({ sensor, rise, fall }: SensorTrips): Layout {
  const [low, high] = kindOf(sensor).extent(sensor);
  const reach = sensor.kind === 'tilt' ? sensor.tether + sensor.body : 0.04;
  const bottom = Math.min(low, fall, sensor.kind === 'tilt' ? fall : low) - reach * 0.15;
  const top = Math.max(high, rise) + reach * 0.25;
  const across = sensor.kind === 'tilt' ? reach * 2.2 : 0.5;
  const scale = Math.min((HEIGHT - 2 * MARGIN) / Math.max(top - bottom, 0.05), (WIDTH - 90) / across);
  const yOf = (level: number) => MARGIN + (top - level) * scale;
  return {
    width: WIDTH,
    height: HEIGHT,
    detail: 'full',
    scale,
    left: 10,
    right: 100,
    rim: 4,
    floor: HEIGHT - 4,
    cut: false,
    cutLeft: false,
    wall: 2,
    tape: null,
    sidesAt: () => ({ left: 10, right: 98 }),
    yOf,
    levelOf: (y) => top - (y - MARGIN) / scale,
  };
}

/** One sensor by itself: as it stands where it acts, in outline where it goes back, and the differential between. */
export function sensorScene(trips: SensorTrips, system: UnitSystem): { layout: Layout; groups: Group[] } {
  const layout = around(trips);
  const { sensor, rise, fall } = trips;
  const pole = sensor.kind === 'tilt' ? 54 : 42;
  const alone: SensorTrips =
    sensor.kind === 'tilt'
      ? { ...trips, sensor: { ...sensor, place: { from: 'pole', bearing: 90, offset: 0 } } }
      : trips;
  const mark = (level: number, words: string, below: boolean) => [
    line('level-line', [8, layout.yOf(level)], [108, layout.yOf(level)]),
    text('tape-text', 112, layout.yOf(level) + (below ? 11 : -2), `${words} ${say(quantity('height', level), system)}`),
  ];
  return {
    layout,
    groups: [
      {
        part: null,
        label: 'trips',
        shapes: [
          ...mark(rise, 'on', false),
          ...mark(fall, 'off', true),
          text(
            'tape-text',
            112,
            (layout.yOf(rise) + layout.yOf(fall)) / 2 + 4,
            `↕ ${say(quantity('height', rise - fall), system)}`,
          ),
        ],
      },
      { part: null, label: 'where it goes back', shapes: ghostShapes(layout, pole, alone, fall) },
      { part: null, label: 'where it acts', shapes: floatShapes(layout, pole, alone, rise) },
    ],
  };
}
