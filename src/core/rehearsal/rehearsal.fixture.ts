import { demoStations } from '../demo';
import { newStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { readyScenarios, rehearse, type Rehearsal, type Scenario } from '.';

export const demo = (file: string): Station => demoStations().find((d) => d.file === file)!.station;
export const scenario = (station: Station, more: Partial<Scenario> = {}): Scenario => ({
  ...readyScenarios(station)[0]!,
  inflow: { kind: 'level', which: 'design', scale: 1 },
  duration: 86400,
  ...more,
});
export function run(station: Station, more: Partial<Scenario> = {}) {
  const answer = rehearse(station, scenario(station, more));
  if (!answer.ok)
    throw new Error(answer.problems.map((p) => (typeof p === 'string' ? p : sayPhrase(p, 'metric'))).join('; '));
  return answer.run;
}
export const sentences = (r: Rehearsal) => r.events.map((e) => sayPhrase(e.sentence, 'metric'));
export const sump = newStation('a', 'b', 'metric-230');
