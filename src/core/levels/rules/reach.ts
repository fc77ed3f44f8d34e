import { cordNeeded, surroundsOf } from '../../sensing';
import { kindOf, ROLE, type Need, type Sensor } from '../../sensors';
import type { Station } from '../../station';
import { phrase, quantity } from '../../units';
import type { Vessel } from '../../vessel';
import type { Condition, Rule } from '../rule';

function cord(sensor: Sensor, called: string, station: Station, vessel: Vessel): Need {
  const needed = cordNeeded(sensor, vessel.depth, station.cordRun);
  return {
    sense: 'at-least',
    needs: quantity('distance', needed),
    has: quantity('distance', sensor.cordLength),
    why: phrase`The ${kindOf(sensor).lead} of the ${called} is ${quantity('distance', sensor.cordLength)}; to the rim and ${quantity('distance', station.cordRun)} on to its plug or splice it needs ${quantity('distance', needed)}. No splice belongs in the pit.`,
  };
}

/** All that one sensor is asked: it can act at both its trips inside the vessel, and its cord reaches. */
export function reachOf(station: Station, vessel: Vessel, sensor: Sensor): Condition[] {
  const kind = kindOf(sensor);
  const called = `${ROLE[sensor.role].word} ${kind.noun}`;
  const own = kind.reach(sensor, called, {
    ...surroundsOf(station),
    depth: vessel.depth,
    minimumTether: station.settings.minimumTether,
    widthAt: (h) => vessel.widthAt(h),
  });
  return [...own, cord(sensor, called, station, vessel)].map((n) => ({ ...n, about: [`float:${sensor.id}`] }));
}

/** Every sensor can reach both its trips inside the vessel, can tilt, and has cord enough to its plug or splice. */
export const reach: Rule<'reach'> = {
  id: 'reach',
  title: 'floats reach their trips',
  severity: 'must',
  settings: ['minimumTether'],
  about: [],
  judge: ({ station, vessel }) => station.sensors.flatMap((s) => reachOf(station, vessel, s)),
};
