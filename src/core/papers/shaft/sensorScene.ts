import type { SensorTrips } from '../../levels';
import { kindOf } from '../../sensors';
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
  const swings = kindOf(sensor).swings(sensor);
  const reach = swings ? swings.tether + swings.body : 0.04;
  const bottom = Math.min(low, fall) - reach * 0.15;
  const top = Math.max(high, rise) + reach * 0.25;
  const across = swings ? reach * 2.2 : 0.5;
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
  const pole = kindOf(sensor).swings(sensor) ? 54 : 42;
  // By itself it is drawn on the pole, facing right, wherever it hangs in the pit.
  const alone: SensorTrips = { ...trips, sensor: { ...sensor, place: { from: 'pole', bearing: 90, offset: 0 } } };
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
