import { demoStations } from '@/core/demo';
import { bestFacing } from '@/core/sensing';
import { newStation } from '@/core/station';
const all = [...demoStations(), {file:'new-metric', station: newStation('a','b','metric-230')}, {file:'new-us', station: newStation('a','b','us-120')}];
for (const [file, id, offs] of [['workshop-sump.json','alarm',[.2,.25,.3]],['washroom-pit.json','alarm',[.25,.3,.35]],['ticket-office-cellar.json','alarm',[.1,.14]],['slip-gully-chamber.json','alarm',[.2,.25]],['sand-bed-dosing-tank.json','peak',[.3,.4]],['sand-bed-dosing-tank.json','low',[.3,.4]],['battery-room-sump.json','alarm',[.2,.25]],['new-metric','alarm',[.2,.25]],['new-us','alarm',[.2,.25]],['wash-down-basin.json','low',[.3,.4]]] as const) {
  const { station } = all.find((x)=>x.file===file)!;
  let best: any = null;
  for (const offset of offs) for (let b=0;b<360;b+=15) {
    const s = {...station, sensors: station.sensors.map((x)=>x.id===id?{...x, place:{from:'axis' as const,bearing:b,offset,facing:0}}:x)};
    const r = bestFacing(s, id); if(!best||r.clearance>best.clearance+0.005) best={...r,b,offset};
  }
  console.log(file,id,JSON.stringify(best));
}
