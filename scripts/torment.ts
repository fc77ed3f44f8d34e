/*
 * npm run torment -- documents [how many] [from seed]: any document that the check lets pass, asked everything; what throws or is not a number,
 * with the seeds that show it, and how long the slowest of each question took.
 */
import { anyDocument, QUESTIONS, wrong } from '@/core/anyDocument.fixture';

const [what, many = '1000', from = '1'] = process.argv.slice(2);
if (what !== 'documents') {
  process.stderr.write('npm run torment -- documents [how many] [from seed]\n');
  process.exit(2);
}

const found = new Map<string, number[]>();
const slowest: Record<string, { ms: number; seed: number }> = {};
const first = Number(from);
for (let seed = first; seed < first + Number(many); seed++) {
  const station = anyDocument(seed);
  for (const question of Object.keys(QUESTIONS)) {
    // Proposals are the dear ones: one in ten is asked for them.
    if (question === 'proposals' && seed % 10 !== 0) continue;
    const began = performance.now();
    const says = wrong(station, question);
    const ms = Math.round(performance.now() - began);
    if (ms > (slowest[question]?.ms ?? -1)) slowest[question] = { ms, seed };
    if (says) found.set(says, [...(found.get(says) ?? []), seed]);
  }
}
process.stdout.write(
  `${JSON.stringify({ asked: Number(many), from: first, wrong: [...found].map(([says, seeds]) => ({ says, times: seeds.length, seeds: seeds.slice(0, 5) })), slowest }, null, 2)}\n`,
);
process.exitCode = found.size > 0 ? 1 : 0;
