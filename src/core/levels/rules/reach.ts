import { cordNeeded, kindOf, tripsOf, waterInBell, worldOf, type World } from '../../sensing';
import type { Sensor, SensorOf, Station, TiltFloat } from '../../station';
import { phrase, quantity } from '../../units';
import type { Vessel } from '../../vessel';
import type { Condition, Rule } from '../rule';

const sinDeg = (degrees: number) => Math.sin((degrees * Math.PI) / 180);
const height = (value: number) => quantity('height', value);

/** What is asked of one sensor. `called` is what it is called, as `lag float`. */
interface Asked<S extends Sensor> {
  readonly sensor: S;
  readonly called: string;
  readonly station: Station;
  readonly vessel: Vessel;
  readonly world: World;
}

type Conditions = Omit<Condition, 'about'>[];

const under = (has: number, needs: number, scale: number, why: Condition['why']): Conditions[number] => ({
  sense: 'at-most',
  needs: height(needs),
  has: height(has),
  scale,
  why,
});
const over = (has: number, needs: number, scale: number, why: Condition['why']): Conditions[number] => ({
  sense: 'at-least',
  needs: height(needs),
  has: height(has),
  scale,
  why,
});

function tiltReach({ sensor: float, called, station: { settings }, vessel, world }: Asked<TiltFloat>): Conditions {
  const reach = float.tether + float.body;
  // At a trip the middle of the body is at the water; its tip is half a body further along the arm.
  const { rise, fall } = tripsOf(float, world);
  const top = rise + (float.body / 2) * sinDeg(float.riseDeg);
  const bottom = fall - (float.body / 2) * sinDeg(float.fallDeg);
  const { weight } = float;
  return [
    under(
      top,
      vessel.depth,
      reach,
      phrase`To act on the rise the tip of the ${called} comes up to ${height(top)}; the rim is at ${height(vessel.depth)}.`,
    ),
    over(
      bottom,
      0,
      reach,
      phrase`To act on the fall the tip of the ${called} must sink to ${height(bottom)} above the floor; on the floor it lies still and does not act.`,
    ),
    {
      sense: 'at-least',
      needs: height(settings.minimumTether),
      has: height(float.tether),
      why: phrase`The tether of the ${called} is ${height(float.tether)}; shorter than ${height(settings.minimumTether)} it cannot tilt.`,
    },
    {
      sense: 'at-most',
      needs: height(vessel.widthAt(float.clip)),
      has: height(reach),
      why: phrase`Lying level, the ${called} reaches ${height(reach)} from its clip; the vessel is ${height(vessel.widthAt(float.clip))} across there.`,
    },
    ...(weight
      ? [
          over(
            float.clip - weight.below,
            0,
            reach,
            phrase`The weight of the ${called} hangs down to ${height(float.clip - weight.below)}: it must hang clear of the floor, or its clip point is not where it is thought.`,
          ),
          {
            sense: 'at-least' as const,
            needs: quantity('mass', weight.lift),
            has: quantity('mass', weight.mass - weight.volume * world.density),
            why: phrase`Under water the weight of the ${called} still pulls ${quantity('mass', weight.mass - weight.volume * world.density)}; the float pulls up with ${quantity('mass', weight.lift)}. A weight that lifts moves both trips.`,
          },
        ]
      : []),
  ];
}

const REACH: { readonly [K in Sensor['kind']]: (asked: Asked<SensorOf<K>>) => Conditions } = {
  tilt: tiltReach,
  rod: ({ sensor, called, vessel }) => {
    const travel = sensor.upperStop - sensor.lowerStop;
    return [
      under(
        sensor.upperStop,
        vessel.depth,
        travel,
        phrase`The ${called} slides up its rod to ${height(sensor.upperStop)}; the rim is at ${height(vessel.depth)}.`,
      ),
      over(
        sensor.lowerStop,
        0,
        travel,
        phrase`The lower stop of the ${called} is ${height(sensor.lowerStop)} above the floor.`,
      ),
    ];
  },
  side: ({ sensor, called, vessel }) => [
    under(
      sensor.height,
      vessel.depth,
      vessel.depth,
      phrase`The ${called} sits at ${height(sensor.height)}; the rim is at ${height(vessel.depth)}.`,
    ),
    over(
      sensor.height - sensor.differential,
      0,
      vessel.depth,
      phrase`The ${called} goes back at ${height(sensor.height - sensor.differential)} above the floor.`,
    ),
  ],
  bell: ({ sensor, called, vessel, world }) => {
    const { rise, fall } = tripsOf(sensor, world);
    const inside = waterInBell(sensor, sensor.on, world.airPressure);
    return [
      under(
        rise,
        vessel.depth,
        vessel.depth,
        phrase`The ${called} acts with the water at ${height(rise)}; the rim is at ${height(vessel.depth)}.`,
      ),
      over(
        fall,
        sensor.mouth,
        sensor.height,
        phrase`The ${called} goes back with the water at ${height(fall)}; below its mouth, at ${height(sensor.mouth)}, it lets its air go.`,
      ),
      under(
        inside,
        sensor.height,
        sensor.height,
        phrase`At its trip the water has come up ${height(inside)} inside the ${called}, which is ${height(sensor.height)} high; higher, it would enter the tube.`,
      ),
    ];
  },
  transmitter: ({ sensor, called, vessel }) => [
    under(
      sensor.on,
      Math.min(sensor.zero + sensor.span, vessel.depth),
      sensor.span,
      phrase`The upper threshold of the ${called} is at ${height(sensor.on)}; its span, or the vessel, ends at ${height(Math.min(sensor.zero + sensor.span, vessel.depth))}.`,
    ),
    over(
      sensor.off,
      sensor.zero,
      sensor.span,
      phrase`The lower threshold of the ${called} is at ${height(sensor.off)}; below ${height(sensor.zero)} it reads nothing.`,
    ),
  ],
};

function cord({ sensor, called, station, vessel }: Asked<Sensor>): Conditions {
  const needed = cordNeeded(sensor, vessel.depth, station.cordRun);
  const what = sensor.kind === 'bell' ? 'tube' : 'cord';
  return [
    {
      sense: 'at-least',
      needs: quantity('distance', needed),
      has: quantity('distance', sensor.cordLength),
      why: phrase`The ${what} of the ${called} is ${quantity('distance', sensor.cordLength)}; to the rim and ${quantity('distance', station.cordRun)} on to its plug or splice it needs ${quantity('distance', needed)}. No splice belongs in the pit.`,
    },
  ];
}

/** All that one sensor is asked: it can act at both its trips inside the vessel, and its cord reaches. */
export function reachOf(station: Station, vessel: Vessel, sensor: Sensor): Condition[] {
  const asked = { sensor, called: `${sensor.role} ${kindOf(sensor).noun}`, station, vessel, world: worldOf(station) };
  const own = REACH[sensor.kind] as (a: Asked<Sensor>) => Conditions;
  return [...own(asked), ...cord(asked)].map((c) => ({ ...c, about: [`float:${sensor.id}`] }));
}

/** Every sensor can reach both its trips inside the vessel, can tilt, and has cord enough to its plug or splice. */
export const reach: Rule = {
  id: 'reach',
  title: 'floats reach their trips',
  severity: 'must',
  judge: ({ station, vessel }) => station.sensors.flatMap((s) => reachOf(station, vessel, s)),
};
