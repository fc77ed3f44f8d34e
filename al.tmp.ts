import { demoStations } from '@/core/demo';
import { panelOf } from '@/core/schemes';
import { asLanded } from '@/core/wiring';
import { miswiringsOf } from '@/core/wiring/miswiring.fixture';
const d = demoStations().find((x) => x.station.control.scheme === 'duplex')!.station;
const made = panelOf(d); if (!made.ok) throw 1;
const all = miswiringsOf(made.panel).filter((_, i) => i % 29 === 0);
const t: number[] = [];
for (const { landings } of all) { const f = performance.now(); asLanded({ ...d, landings }, made.panel); t.push(performance.now() - f); }
t.sort((x, y) => x - y);
console.log(all.length, 'median', t[t.length >> 1]!.toFixed(0), 'p90', t[Math.floor(t.length * .9)]!.toFixed(0), 'max', t.at(-1)!.toFixed(0));
