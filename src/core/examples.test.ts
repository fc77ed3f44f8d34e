import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import * as book from './book';
import * as circuit from './circuit';
import * as dependence from './dependence';
import * as editing from './editing';
import * as feeds from './feeds';
import * as faults from './faults';
import * as hydraulics from './hydraulics';
import * as jobs from './jobs';
import * as levels from './levels';
import * as proposals from './proposals';
import * as proving from './proving';
import * as rehearsal from './rehearsal';
import * as schemes from './schemes';
import * as starting from './starting';
import * as station from './station';
import * as surveyed from './surveyed';
import * as vessel from './vessel';
import * as wiring from './wiring';

const scope = {
  ...book,
  ...circuit,
  ...dependence,
  ...editing,
  ...faults,
  ...feeds,
  ...hydraulics,
  ...jobs,
  ...levels,
  ...proposals,
  ...proving,
  ...rehearsal,
  ...schemes,
  ...starting,
  ...station,
  ...surveyed,
  ...vessel,
  ...wiring,
};

/** Every `@example` of the core: lines of code, those with an arrow saying what they are. */
const examples = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.includes('.test.'))
  .flatMap((file) =>
    [...readFileSync(`src/core/${file}`, 'utf8').matchAll(/ \* @example\n((?: \* .*\n)+)/g)].map(
      (m) => [file, m[1]!.split('\n').flatMap((line) => (line.startsWith(' * @') ? [] : [line.slice(3)]))] as const,
    ),
  );

describe('what the docstrings show is so', () => {
  it('there is one for each of the main entry points', () => expect(examples.length).toBeGreaterThanOrEqual(16));
  it.each(examples)('%s', (_, lines) => {
    const said: string[] = [];
    const code = lines.map((line) => {
      const [expression, value] = line.split(' // → ');
      if (value === undefined) return line;
      said.push(value);
      return `answers.push(${expression});`;
    });
    const answers: unknown[] = [];
    new Function('answers', ...Object.keys(scope), code.join('\n'))(answers, ...Object.values(scope));
    expect(said.length).toBeGreaterThan(0);
    expect(answers).toEqual(said.map((value) => new Function(`return ${value}`)() as unknown));
  });
});
