import type { Sensor } from '../sensors';
import type { Station } from '../station';
import type { SettingName } from '../settings';
import type { Vessel } from '../vessel';
import { geometryOf, type LevelContext, type Surroundings } from './context';
import { worstCycle } from './cycle';
import { judgeRule, titleOf, type JudgedRule, type Rule } from './rule';
import { RULES, type RuleId } from './rules';
import { reachOf } from './rules/reach';

/** Every rule by id, those that must hold and those that should. */
export const RULE_IDS: Readonly<Record<'must' | 'should', readonly RuleId[]>> = {
  must: RULES.filter((r) => r.severity === 'must').map((r) => r.id),
  should: RULES.filter((r) => r.severity === 'should').map((r) => r.id),
};

/** Those that floats can be set by: the others ask of pump, pipe and panel. */
export const BY_FLOATS: ReadonlySet<RuleId> = new Set(RULES.filter((r) => !r.otherThanFloats).map((r) => r.id));

const BY_ID = new Map<RuleId, Rule<RuleId>>(RULES.map((r) => [r.id, r]));

export const ruleTitle = (id: RuleId, station: Station): string => titleOf(BY_ID.get(id)!, station);

/** Settings that a rule asks by. */
export const settingsOfRule = (id: RuleId): readonly SettingName[] => BY_ID.get(id)!.settings ?? [];

const fails = ({ state }: JudgedRule) => state === 'broken' || state === 'unknown';

/** Dear to judge: asked only when all else holds. */
const DEAR: readonly RuleId[] = ['starts', 'run', 'swing'];

/** The first of some rules that a station does not keep (or that cannot be judged), or null when all of them hold. */
export function brokenRules(
  station: Station,
  required: ReadonlySet<RuleId>,
  surroundings: Surroundings,
): RuleId | null {
  const geometry = geometryOf(station, surroundings);
  let worst: LevelContext['worst'] | null = null;
  const context: LevelContext = {
    ...geometry,
    asked: {},
    get worst() {
      return (worst ??= worstCycle(geometry));
    },
  };
  const asked = RULES.filter((r) => required.has(r.id)).sort((a, b) => DEAR.indexOf(a.id) - DEAR.indexOf(b.id));
  return asked.find((rule) => fails(judgeRule(rule, context)))?.id ?? null;
}

/** Whether one sensor by itself can act where it is set. */
export const reachHolds = (station: Station, vessel: Vessel, sensor: Sensor): boolean =>
  reachOf(station, vessel, sensor).every(
    (c) =>
      (c.sense === 'at-least' ? c.has.value - c.needs.value : c.needs.value - c.has.value) >=
      -1e-9 * (c.scale ?? Math.abs(c.needs.value)),
  );
