import { leastClearance, type Clearance, type SwingPart } from '../../sensing';
import { phrase, quantity } from '../../units';
import { notAsked, type Condition, type DrawingRef, type Rule } from '../rule';

/** What something in the way of a float is called in the drawing of the shaft. */
function partOf(other: SwingPart): DrawingRef[] {
  if (other.startsWith('float:')) return [other as DrawingRef];
  if (other.startsWith('obstacle:')) return [other as DrawingRef];
  if (other.startsWith('pump:')) return ['pump'];
  if (other.startsWith('riser:')) return ['pipe'];
  return other === 'inlet' ? ['level:inlet'] : other === 'pole' ? ['pole'] : [];
}

/** What a float comes near, in words: another float, another's weight, or the thing itself. */
function nameOf({ other, name }: Clearance, role: (id: string) => string): string {
  if (!other.startsWith('float:')) return name;
  const id = other.slice('float:'.length);
  return name === id ? `the ${role(id)} float` : `${name} (${role(id)})`;
}

/** Touching is broken; nearer than the wished clearance is tight: so the scale is chosen that both fall where they should. */
function swingCondition(c: Clearance, role: (id: string) => string, clearance: number, tightShare: number): Condition {
  // Cut short, the search found no closer place than this and is certain of less: what is certain is judged.
  const cut = c.clearance >= 0 && c.atLeast < c.clearance;
  const least = quantity('height', cut ? c.atLeast : c.clearance);
  const certain = cut
    ? phrase` The search among its positions was cut short: clear by at least ${least} is certain, ${quantity('height', c.clearance)} is the closest that was found.`
    : phrase``;
  const how =
    c.clearance < 0
      ? phrase`touches`
      : c.clearance < clearance
        ? phrase`comes tight, within ${least} of,`
        : phrase`keeps clear, ${least}, of`;
  const when = c.lands ? phrase`hanging, as the water drops` : phrase`with the water at ${quantity('height', c.level)}`;
  return {
    sense: 'at-least',
    needs: quantity('height', 0),
    has: least,
    scale: clearance / Math.max(tightShare, 1e-6),
    why: phrase`Over its whole swing the ${role(c.float)} float ${how} ${nameOf(c, role)}, ${when}. It must not touch, and should keep ${quantity('height', clearance)}.${certain}`,
    about: [`float:${c.float}`, ...partOf(c.other)],
  };
}

/** No float touches another, a pump, a pipe, the wall or anything else, wherever the water stands and however it turns the float. */
export const swing: Rule<'swing'> = {
  id: 'swing',
  title: 'floats swing free',
  severity: 'must',
  settings: ['swingClearance', 'sideSwingDeg'],
  about: [],
  judge({ station, vessel }) {
    const least = leastClearance(station, vessel);
    if (!least) return notAsked(phrase`No float swings here.`, []);
    const role = (id: string) => station.sensors.find((s) => s.id === id)?.role ?? id;
    const { swingClearance, tightShare } = station.settings;
    return [swingCondition(least, role, swingClearance, tightShare)];
  },
};
