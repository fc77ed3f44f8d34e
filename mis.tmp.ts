import { demoStations } from '@/core/demo';
import { panelOf } from '@/core/schemes';
import { asLanded } from '@/core/wiring';
const seen = new Map<string, string>(); let n = 0, silent = 0; const quiet: string[] = []; let slow = 0;
for (const { station: s, file } of demoStations()) {
  const made = panelOf(s); if (!made.ok) continue;
  const { panel } = made;
  for (const c of panel.cores) for (const t of [null, ...panel.terminals.map((t) => t.id)]) {
    if (t === c.terminal) continue;
    if (Math.abs(Math.sin(n++ * 12.9898)) > 0.25) continue;
    const f = performance.now();
    const r = asLanded({ ...s, landings: { cores: [{ core: c.id, to: t }], links: [] } }, panel);
    slow = Math.max(slow, performance.now() - f);
    if (r.effects.length === 0) { silent++; quiet.push(`${file} ${c.id} -> ${t}`); }
    for (const e of r.effects) { const k = e.severity + ' ' + e.id.replace(/[A-Z]+\d+/g, '#'); if (!seen.has(k)) seen.set(k, `${file} ${c.id}->${t}: ${e.sentence} (${e.when})`); }
  }
}
console.log(n, 'tried quarter', 'silent', silent, 'slowest', slow.toFixed(0));
for (const [k, v] of [...seen].sort()) console.log(k, '|', v);
console.log(quiet.slice(0, 40).join('\n'));
