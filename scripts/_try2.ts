import { demoStations } from '@/core/demo';
import { bestFacing, swingOf } from '@/core/sensing';
import { newStation } from '@/core/station';
const all = [...demoStations(), {file:'new-metric', station: newStation('a','b','metric-230')}, {file:'new-us', station: newStation('a','b','us-120')}];
for (const { file, station } of all) {
  console.log('==', file);
  for (const s of station.sensors) if (s.kind==='tilt') console.log('  ', s.id, JSON.stringify(bestFacing(station, s.id)));
  console.log('   ', swingOf(station).clearances.slice(0,4).map((c)=>`${c.float}-${c.other} ${(c.clearance*1000).toFixed(0)}@${(c.level*1000).toFixed(0)}`).join(', '));
}
