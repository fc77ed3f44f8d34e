/*
 * npm run torment -- what [size] [seed]: ill-treats the program in one way and prints what it found as a table; `npm run torment -- small` does
 * each in small, as the check does. Everything but `documents` needs the build. Ends with 1 where something broke.
 */
import { disk } from './torment/disk';
import { documents } from './torment/documents';
import { fuzz, intruders } from './torment/fuzz';
import { kill } from './torment/kill';
import { load, people } from './torment/load';
import { outbox } from './torment/outbox';
import { storage } from './torment/storage';
import type { Torment } from './torment/torment';

const TORMENTS: Readonly<Record<string, Torment>> = {
  documents,
  fuzz,
  intruders,
  kill,
  outbox,
  disk,
  load,
  people,
  storage,
};

const [what = '', size, seed = '1'] = process.argv.slice(2);
const chosen = what === 'small' ? Object.keys(TORMENTS) : Object.hasOwn(TORMENTS, what) ? [what] : [];
if (chosen.length === 0) {
  process.stderr.write(
    `npm run torment -- what [size] [seed], or: npm run torment -- small\n${Object.entries(TORMENTS)
      .map(([name, t]) => `  ${name.padEnd(10)} ${t.about}, usually ${t.usual}`)
      .join('\n')}\n`,
  );
  process.exit(2);
}
for (const name of chosen) {
  const torment = TORMENTS[name]!;
  const began = Date.now();
  const { figures, broken } = await torment.run(
    Number(size ?? (what === 'small' ? torment.small : torment.usual)),
    Number(seed),
  );
  const rows = Object.entries({ ...figures, seconds: Math.round((Date.now() - began) / 1000) });
  const table = rows.map(([k, v]) => `  ${k.padEnd(36)} ${v}`).join('\n');
  process.stdout.write(
    `${name}: ${broken.length === 0 ? 'held' : 'BROKE'}\n${table}\n${broken.map((b) => `  ! ${b}\n`).join('')}`,
  );
  if (broken.length > 0) process.exitCode = 1;
}
process.exit();
