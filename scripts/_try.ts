import { demoStations } from '@/core/demo';
import { judge } from '@/core/levels';
import { checkStation } from '@/core/station';
import { sayPhrase, say, systemOf } from '@/core/units';
for (const { file, station } of demoStations()) {
  const c = checkStation(station);
  console.log('==', file, c.ok ? '' : JSON.stringify(c.problems));
  if (!c.ok) continue;
  const j = judge(station); const sys = systemOf(station.profile);
  console.log(j.context.marks.map((m) => `${m.name} ${say({kind:'height',value:m.level},sys)}`).join(' | '), j.worst.ok ? `worst ${j.worst.startsPerHour.toFixed(2)}/h pumps ${j.worst.pumps}`: JSON.stringify(j.worst));
  for (const r of j.rules) if (r.state !== 'holds' && r.state !== 'not-applicable') console.log('  ', r.state, r.severity, r.id, sayPhrase(r.why, sys));
  let t = performance.now(); for (let i=0;i<20;i++) judge(station); console.log('   ms', ((performance.now()-t)/20).toFixed(2));
}
