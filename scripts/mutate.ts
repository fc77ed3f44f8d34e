/*
 * Changes the core by one character at random, runs the tests that reach the changed file, and prints the share of changes that they catch:
 * `npm run mutate -- [how many] [seed] [path below src/core]`. Works on a copy; what slips is listed with its line.
 */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { randomFrom } from '@/core/numeric';

const ROOT = path.resolve(import.meta.dirname, '..');
const [many = '40', seed = '1', below = ''] = process.argv.slice(2);
const { even } = randomFrom(Number(seed));
const some = <T>(list: readonly T[]): T => list[Math.floor(even() * list.length)]!;

/** What is changed, and into what. */
const CHANGES: readonly (readonly [pattern: RegExp, into: (was: string) => string])[] = [
  [/ [<>] (?!$)/g, (was) => (was === ' < ' ? ' > ' : ' < ')],
  [/ (<=|>=) /g, (was) => (was === ' <= ' ? ' < ' : ' > ')],
  [/ [+-] /g, (was) => (was === ' + ' ? ' - ' : ' + ')],
  [/ [*/] /g, (was) => (was === ' * ' ? ' / ' : ' * ')],
  [/ (&&|\|\|) /g, (was) => (was === ' && ' ? ' || ' : ' && ')],
  [/ (===|!==) /g, (was) => (was === ' === ' ? ' !== ' : ' === ')],
  [/Math\.(min|max)\(/g, (was) => (was === 'Math.min(' ? 'Math.max(' : 'Math.min(')],
  [/(?<![\w.#'])\d(?![\w'])/g, (was) => String((Number(was) + 1) % 10)],
  [/\b(true|false)\b/g, (was) => (was === 'true' ? 'false' : 'true')],
];

interface Place {
  readonly file: string;
  readonly line: number;
  readonly at: number;
  readonly was: string;
  readonly now: string;
}

/** Everything in a file that can be changed: code alone, neither comments nor imports nor types nor what is only drawn or said. */
function placesOf(file: string): Place[] {
  const lines = readFileSync(path.join(ROOT, file), 'utf8').split('\n');
  return lines.flatMap((text, line) =>
    /^\s*(\*|\/\*|\/\/|import |export \* |export \{|type |interface |readonly )/.test(text) ||
    /=> void|: \w+\[\];$/.test(text)
      ? []
      : CHANGES.flatMap(([pattern, into]) =>
          [...text.matchAll(pattern)]
            // Not within words that are said: between quotes, or in a template outside its holes.
            .filter((m) => {
              const before = text.slice(0, m.index).replace(/\$\{[^}]*\}/g, '');
              return ["'", '`'].every((q) => (before.split(q).length - 1) % 2 === 0);
            })
            .map((m) => ({ file, line, at: m.index, was: m[0], now: into(m[0]) })),
        ),
  );
}

const files = readdirSync(path.join(ROOT, 'src/core', below), { recursive: true, encoding: 'utf8' })
  .map((f) => path.join('src/core', below, f))
  // Demo data, starting figures, words and the strokes of drawings are checked by eye.
  .filter((f) => /\.ts$/.test(f) && !/\.(test|fixture)\.ts$|\/demo\/|\/newStation\.ts$|\/index\.ts$/.test(f));
const places = files.flatMap(placesOf);

const copy = mkdtempSync(path.join(tmpdir(), 'pitbell-mutate-'));
process.on('exit', () => rmSync(copy, { recursive: true, force: true }));
for (const name of ['src', 'docs', 'package.json', 'tsconfig.json', 'vitest.config.ts', 'scripts'])
  cpSync(path.join(ROOT, name), path.join(copy, name), { recursive: true });
symlinkSync(path.join(ROOT, 'node_modules'), path.join(copy, 'node_modules'));

/** Whether the tests that reach the file fail with the change in it; a change that runs without end is caught too. */
function caught({ file, line, at, was, now }: Place): boolean {
  const target = path.join(copy, file);
  const text = readFileSync(target, 'utf8');
  const lines = text.split('\n');
  lines[line] = lines[line]!.slice(0, at) + now + lines[line]!.slice(at + was.length);
  writeFileSync(target, lines.join('\n'));
  const fails = (...args: readonly string[]) =>
    // The program itself, not what starts it: one that runs without end must be gone when its time is over.
    spawnSync(
      process.execPath,
      ['node_modules/vitest/vitest.mjs', ...args, '--run', '--bail', '1', '--reporter', 'dot'],
      { cwd: copy, timeout: 300_000, killSignal: 'SIGKILL', stdio: 'ignore' },
    ).status !== 0;
  // What stands beside it first: most changes are caught there, in a tenth of the time.
  const held = fails('--passWithNoTests', path.dirname(file)) || fails('related', file);
  writeFileSync(target, text);
  return held;
}

const slipped: string[] = [];
const count = Number(many);
for (let n = 1; n <= count; n++) {
  const place = some(places);
  const held = caught(place);
  const told = `${place.file}:${place.line + 1}:${place.at + 1} “${place.was.trim()}” into “${place.now.trim()}”`;
  process.stderr.write(`${n}/${count} ${held ? 'caught ' : 'SLIPPED'} ${told}\n`);
  if (!held) slipped.push(told);
}
process.stdout.write(
  `${JSON.stringify({ places: places.length, changed: count, caught: count - slipped.length, share: (count - slipped.length) / count, slipped }, null, 2)}\n`,
);
