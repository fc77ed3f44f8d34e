import { demoStations } from '@/core/demo'; import { panelOf, SCHEMES } from '@/core/schemes'; import { wire, stand, outcomesOf } from '@/core/wiring'; import { sayPhrase } from '@/core/units';
for (const {file, station} of demoStations()) {
  for (const s of SCHEMES) { const made = panelOf(station, s.id);
    if (!made.ok) { if (s.id===station.control.scheme) console.log(file, s.id, made.reasons.map(r=>sayPhrase(r,'metric'))); continue; }
    const w = wire(station, made.panel); const t0=performance.now(); const st = stand(w, {}); const t1=performance.now(); const ups = stand(w, Object.fromEntries(made.panel.devices.filter(d=>d.sensor).map(d=>[d.tag,'up'])), st.states);
    console.log((s.id===station.control.scheme?'* ':'  ')+file, s.id, w.structure.names.length, w.netlist.parts.length, (t1-t0).toFixed(2), st.chatter, JSON.stringify(outcomesOf(w,st)), JSON.stringify(outcomesOf(w,ups)), ups.chatter, Object.entries(ups.states).filter(([,v])=>v==='tripped'));
  }
}
