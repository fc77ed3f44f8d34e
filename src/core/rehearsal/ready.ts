import { dutyOf, type DutyRehearsal } from '../duties';
import { faultId } from '../faults';
import { panelOf } from '../schemes';
import { ROLE } from '../sensors';
import type { Station } from '../station';
import type { Scenario } from './scenario';
import { SCENARIO_VERSION } from './scenarioUpgrade';

const HOUR = 3600;
const DAY = 24 * HOUR;
const YEAR = 365 * DAY;

export const plain = (
  name: string,
  { duty }: Station,
  duration: number,
  of: Scenario['inflow'],
  more: Partial<Scenario> = {},
): Scenario => ({
  format: 'pit-bell/scenario',
  version: SCENARIO_VERSION,
  name,
  duty: duty.kind,
  duration,
  startLevel: null,
  inflow: of,
  powerCuts: [],
  operations: [],
  faults: [],
  responseTime: null,
  motorProtection: { lockedRotor: 10, dryRunning: 600, cooling: 900 },
  ...more,
});

/** How long the storm of the survey lasts, s; null where none was surveyed. */
const stormOf = ({ inflow: { source } }: Station): number | null =>
  source.kind === 'storm' ? source.rows.at(-1)!.time : null;

/** The fault by which a rehearsal of a duty names what fails; null where this station has no such part. */
function failing(station: Station, { part, how }: NonNullable<DutyRehearsal['fails']>): string | null {
  const { sensors, pumps } = station;
  switch (part) {
    case 'line':
      return how;
    case 'calling-float': {
      const call = sensors.find((s) => ROLE[s.role].calls === 1);
      return call ? faultId(call.id, how) : null;
    }
    case 'first-of-several': {
      const made = panelOf(station);
      if (!made.ok || pumps.length < 2 || made.scheme.together !== 'all') return null;
      const first = made.panel.devices.find((d) => d.function === 'motor' && d.pump === 1);
      return first ? faultId(first.tag, how) : null;
    }
  }
}

/** What is worth a rehearsal because of what the station is for. */
const ofDuty = (station: Station): Scenario[] =>
  dutyOf(station.duty)
    .rehearsals(station.duty)
    .flatMap(({ name, lasts, water, scale = 1, cut, fails }): Scenario[] => {
      const storm = stormOf(station);
      if (lasts === 'storm' && storm === null) return [];
      const id = fails ? failing(station, fails) : null;
      if (fails && id === null) return [];
      return [
        plain(
          name,
          station,
          lasts === 'storm' ? storm! + 4 * HOUR : lasts,
          water === 'survey' ? { kind: 'survey', scale } : { kind: 'level', which: water, scale },
          {
            ...(cut && storm !== null && { powerCuts: [{ from: storm * cut[0], to: storm * cut[1] }] }),
            ...(fails && { faults: [{ from: fails.at, to: null, id: id! }] }),
          },
        ),
      ];
    });

/** Scenarios to begin with, for every duty; storms only where one was surveyed. */
export function readyScenarios(station: Station): Scenario[] {
  const survey = { kind: 'survey', scale: 1 } as const;
  const surveyed = stormOf(station);
  const storm = surveyed === null ? null : surveyed + 4 * HOUR;
  return [
    ...(storm === null
      ? [plain('an ordinary day', station, DAY, survey)]
      : [
          plain('the storm of the survey', station, storm, survey),
          plain('a storm half as big again', station, storm, { kind: 'survey', scale: 1.5 }),
        ]),
    plain('a week at design inflow', station, 7 * DAY, { kind: 'level', which: 'design', scale: 1 }),
    plain('two hours at peak', station, 2 * HOUR, { kind: 'level', which: 'peak', scale: 1 }),
    plain(
      'power cut of three hours',
      station,
      DAY,
      { kind: 'level', which: 'design', scale: 1 },
      { powerCuts: [{ from: 2 * HOUR, to: 5 * HOUR }] },
    ),
    plain('a dry month', station, 30 * DAY, { kind: 'level', which: 'low', scale: 1 }),
    ...ofDuty(station),
    plain('a year as it comes', station, YEAR, survey),
  ];
}
