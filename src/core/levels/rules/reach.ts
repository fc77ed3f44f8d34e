import { tripsOf } from '../../sensing';
import type { RodFloat, Sensor, Station, TiltFloat } from '../../station';
import { phrase, quantity } from '../../units';
import type { Vessel } from '../../vessel';
import type { Condition, Rule } from '../rule';

const sinDeg = (degrees: number) => Math.sin((degrees * Math.PI) / 180);
const nameOf = (sensor: Sensor) => `${sensor.role} float`;
const height = (value: number) => quantity('height', value);

function cord(sensor: Sensor, needed: number, cordRun: number): Condition {
  return {
    sense: 'at-least',
    needs: quantity('distance', needed),
    has: quantity('distance', sensor.cordLength),
    why: phrase`The cord of the ${nameOf(sensor)} is ${quantity('distance', sensor.cordLength)}; to the rim and ${quantity('distance', cordRun)} on to its plug or splice it needs ${quantity('distance', needed)}. No splice belongs in the pit.`,
    about: [`float:${sensor.id}`],
  };
}

function tiltReach(float: TiltFloat, vessel: Vessel, { settings, cordRun }: Station): Condition[] {
  const reach = float.tether + float.body;
  // At a trip the middle of the body is at the water; its tip is half a body further along the arm.
  const { rise, fall } = tripsOf(float);
  const top = rise + (float.body / 2) * sinDeg(float.riseDeg);
  const bottom = fall - (float.body / 2) * sinDeg(float.fallDeg);
  const about = [`float:${float.id}`] as const;
  return [
    {
      sense: 'at-most',
      needs: height(vessel.depth),
      has: height(top),
      scale: reach,
      why: phrase`To act on the rise the tip of the ${nameOf(float)} comes up to ${height(top)}; the rim is at ${height(vessel.depth)}.`,
      about,
    },
    {
      sense: 'at-least',
      needs: height(0),
      has: height(bottom),
      scale: reach,
      why: phrase`To act on the fall the tip of the ${nameOf(float)} must sink to ${height(bottom)} above the floor; on the floor it lies still and does not act.`,
      about,
    },
    {
      sense: 'at-least',
      needs: height(settings.minimumTether),
      has: height(float.tether),
      why: phrase`The tether of the ${nameOf(float)} is ${height(float.tether)}; shorter than ${height(settings.minimumTether)} it cannot tilt.`,
      about,
    },
    {
      sense: 'at-most',
      needs: height(vessel.widthAt(float.clip)),
      has: height(reach),
      why: phrase`Lying level, the ${nameOf(float)} reaches ${height(reach)} from its clip; the vessel is ${height(vessel.widthAt(float.clip))} across there.`,
      about,
    },
    cord(float, float.tether + (vessel.depth - float.clip) + cordRun, cordRun),
  ];
}

function rodReach(float: RodFloat, vessel: Vessel, { cordRun }: Station): Condition[] {
  const about = [`float:${float.id}`] as const;
  const travel = float.upperStop - float.lowerStop;
  return [
    {
      sense: 'at-most',
      needs: height(vessel.depth),
      has: height(float.upperStop),
      scale: travel,
      why: phrase`The ${nameOf(float)} slides up its rod to ${height(float.upperStop)}; the rim is at ${height(vessel.depth)}.`,
      about,
    },
    {
      sense: 'at-least',
      needs: height(0),
      has: height(float.lowerStop),
      scale: travel,
      why: phrase`The lower stop of the ${nameOf(float)} is ${height(float.lowerStop)} above the floor.`,
      about,
    },
    cord(float, vessel.depth - float.upperStop + cordRun, cordRun),
  ];
}

/** Every float can reach both its trips inside the vessel, can tilt, and has cord enough to its plug or splice. */
export const reach: Rule = {
  id: 'reach',
  title: 'floats reach their trips',
  severity: 'must',
  judge({ station, vessel }) {
    return station.sensors.flatMap((s) => (s.kind === 'tilt' ? tiltReach(s, vessel, station) : rodReach(s, vessel, station)));
  },
};
