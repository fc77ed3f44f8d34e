/*
 * What the book finds in years with one trouble planted, and in healthy ones: `npm run bookproof -- [healthy years] [sick years of each] [rehearse]`;
 * with `rehearse` every week of every year is rehearsed, which takes minutes.
 * Prints a table: found and rightly named, weeks until it was, and false findings a station-year.
 */
import { analyse, byFillTimes, byRehearsal, plantedYear, TROUBLES, type FindingKind, type Trouble } from '@/core/book';
import { demoStations } from '@/core/demo';
import type { Station } from '@/core/station';

const [healthy = 200, sick = 20] = process.argv.slice(2, 4).map(Number);
const pumping = process.argv[4] === 'rehearse' ? byRehearsal : byFillTimes;
const WEEK = 7 * 86_400_000;
const FROM = Date.UTC(2025, 0, 6);

/** Stations where the two equations answer: emptied by pumps on demand. */
const stations = demoStations().filter(({ file }) =>
  [
    'workshop-sump',
    'slip-gully',
    'underpass',
    'lodge-grinder',
    'wash-bay',
    'battery-room',
    'ticket-office',
    'wash-down',
    'slipway',
  ].some((n) => file.startsWith(n)),
);

/** What each trouble may rightly be called, by whether there are several pumps. */
const RIGHT: Readonly<Record<Trouble, (several: boolean) => readonly FindingKind[]>> = {
  none: () => [],
  wear: (several) => (several ? ['pump-weaker', 'runs-longer'] : ['line-tighter']),
  line: () => ['line-tighter'],
  // Through valves that stand open at several pumps water goes round: by the meters all give less, or hardly rest.
  'runs-back': (several) => ['runs-back', 'not-told', ...(several ? (['line-tighter', 'never-stops'] as const) : [])],
  slipped: () => ['volume-changed'],
  'stuck-turns': () => ['turns'],
  wet: () => ['rain', 'more-water'],
  'more-water': () => ['more-water', 'not-told'],
};
/** Whether the float that stops it is one that can slip as planted. */
const slips = (s: Station): boolean =>
  s.sensors.some((x) => x.kind === 'tilt' && x.role === (s.sensors.some((y) => y.role === 'stop') ? 'stop' : 'pump'));

/** Whether a check valve that stands open makes a fourth more starts at least: what drains back is seen only against the water between the trips. */
function matters(station: Station): boolean {
  if (!station.discharge.checkValve) return false;
  const starts = (trouble: Trouble) =>
    plantedYear(station, trouble, 7, FROM, 0, byRehearsal).readings['starts-1']!.slice(0, 24).at(-1)!.value;
  const first = plantedYear(station, 'none', 7, FROM, 0, byFillTimes).readings['starts-1']![0]!.value;
  return (starts('runs-back') - first) / (starts('none') - first) >= 1.25 || station.pumps.length > 1;
}

const NOT_FALSE: readonly FindingKind[] = ['rain', 'unlike-model', 'short-runs'];

for (const trouble of TROUBLES) {
  let [years, found, named, falsely] = [0, 0, 0, 0];
  const weeks: number[] = [];
  const wrong = new Map<string, number>();
  for (const { file, station } of stations) {
    const several = station.pumps.length > 1;
    if (trouble === 'stuck-turns' && !several) continue;
    if (trouble === 'slipped' && !slips(station)) continue;
    if (trouble === 'runs-back' && pumping === byRehearsal && !matters(station)) continue;
    const each = trouble === 'none' ? Math.ceil(healthy / stations.length) : sick;
    for (let seed = 1; seed <= each; seed++) {
      const year = plantedYear(station, trouble, seed * 977 + file.length, FROM, 20, pumping);
      years++;
      const right = RIGHT[trouble](several);
      const at = (until: number) =>
        analyse({
          station,
          readings: Object.fromEntries(
            Object.entries(year.readings).map(([k, l]) => [k, l.filter((r) => r.at <= until)]),
          ),
          alarms: [],
        }).findings;
      const end = at(Infinity);
      const hit = end.some((f) => right.includes(f.kind));
      if (end.some((f) => !NOT_FALSE.includes(f.kind))) found++;
      if (hit) {
        named++;
        for (let w = 1; w <= 32; w++)
          if (at(year.since! + w * WEEK).some((f) => right.includes(f.kind))) {
            weeks.push(w);
            break;
          }
      }
      const others = end.filter((f) => !right.includes(f.kind) && !NOT_FALSE.includes(f.kind));
      falsely += others.length;
      for (const f of others) wrong.set(f.kind, (wrong.get(f.kind) ?? 0) + 1);
    }
  }
  weeks.sort((a, b) => a - b);
  process.stdout.write(
    `${trouble.padEnd(12)} years ${String(years).padStart(4)}  found ${((100 * found) / years).toFixed(0).padStart(3)} %  rightly ${((100 * named) / years).toFixed(0).padStart(3)} %  weeks ${weeks[weeks.length >> 1] ?? '–'}  others a year ${(falsely / years).toFixed(2)}  ${[...wrong].map(([k, n]) => `${k} ${n}`).join(', ')}\n`,
  );
}
