/*
 * Every single and paired wrong landing of every demo station with every scheme that fits it: what the check tells of it, against a judgement
 * of its own. `npm run miswirings -- [one in how many]` prints the score as JSON.
 */
import { judgeOf, miswiringsOf, panelsToTry, told } from '@/core/wiring/miswiring.fixture';

const every = Number(process.argv[2] ?? 1);
const score: Record<string, number> = {};
const wrong: string[] = [];
let n = 0;
for (const { station, panel, name } of panelsToTry()) {
  const judge = judgeOf(station, panel);
  for (const { what, landings } of miswiringsOf(panel)) {
    if (n++ % every !== 0) continue;
    const [is, says] = [judge(landings), told(station, panel, landings)];
    score[`${is} told as ${says}`] = (score[`${is} told as ${says}`] ?? 0) + 1;
    if (is !== says) wrong.push(`${name}: ${what}: is ${is}, told as ${says}`);
  }
  process.stderr.write(`${name}: ${n} so far, ${wrong.length} not alike\n`);
}
const all = Object.values(score).reduce((a, b) => a + b, 0);
process.stdout.write(
  `${JSON.stringify({ tried: all, alike: (all - wrong.length) / all, untoldDangers: wrong.filter((w) => w.includes('is danger')).length, score, wrong }, null, 2)}\n`,
);
