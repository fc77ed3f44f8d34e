import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

const rows = readFileSync('docs/glossary.md', 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('| ') && !line.startsWith('| word'))
  .map((line) => line.split('|').slice(1, -1));

it('every name of the code that the glossary gives is a name of the code', () => {
  const words = new Set(
    readdirSync('src', { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.tsx?$/.test(file) && !/\.test\./.test(file))
      .flatMap((file) => readFileSync(`src/${file}`, 'utf8').match(/[\w$-]+/g) ?? [])
      // A name with a hyphen is a string; what it is put together of counts too.
      .flatMap((word) => [word, ...word.split('-')]),
  );
  const named = rows.flatMap((r) => [...(r[2] ?? '').matchAll(/`([^`]+)`/g)].flatMap((m) => m[1]!.split('.')));
  expect(named.length).toBeGreaterThan(80);
  expect(named.filter((name) => !words.has(name))).toEqual([]);
});

it('one word stands for one thing', () => {
  const words = rows.flatMap((r) => r[0]!.split(',').map((w) => w.trim()));
  expect(words.filter((w, i) => words.indexOf(w) !== i)).toEqual([]);
});
