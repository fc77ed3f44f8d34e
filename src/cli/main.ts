import { parseArgs } from 'node:util';
import { FORMATS, siUnitOf, type Format } from '@/core/units';
import { Complaint } from './io';
import type { Verb } from './verb';
import { backup } from './verbs/backup';
import { restore } from './verbs/restore';
import { book } from './verbs/book';
import { check } from './verbs/check';
import { demo } from './verbs/demo';
import { levels } from './verbs/levels';
import { meter } from './verbs/meter';
import { prove } from './verbs/prove';
import { rehearse } from './verbs/rehearse';
import { trace } from './verbs/trace';
import { verify } from './verbs/verify';
import { wires } from './verbs/wires';

const VERBS: Readonly<Record<string, Verb>> = {
  check,
  levels,
  wires,
  meter,
  rehearse,
  prove,
  book,
  trace,
  demo,
  backup,
  restore,
  verify,
};

const HELP = `pitbell <verb> STATION.json [options]
Prints JSON on standard output. Problems go to standard error as “file: path: what is wrong”, with exit status 2.

${Object.entries(VERBS)
  .map(([name, v]) => `  ${name.padEnd(8)} ${v.about}`)
  .join('\n')}

pitbell <verb> --help tells its options. The formats are in docs/cli.md.
Pit Bell plans and checks; it certifies nothing. Local codes and licensed practice decide.`;

/** Quantities as other programs want them: the number, and the SI unit that it is in. */
function siQuantities(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('format' in value) || !('value' in value)) return value;
  const { format, value: number, ...more } = value as { format: Format; value: number };
  return Object.keys(more).length === 0 && format in FORMATS ? { value: number, unit: siUnitOf(format) } : value;
}

/** Runs one command line. @returns the exit status: 0, or 2 when something in the request or a file is wrong */
export async function main(
  args: readonly string[],
  out: (text: string) => void,
  complain: (text: string) => void,
): Promise<number> {
  const [name, ...rest] = args;
  if (name === undefined || name === '--help' || name === 'help') {
    out(HELP);
    return name === undefined ? 2 : 0;
  }
  const verb = Object.hasOwn(VERBS, name) ? VERBS[name] : undefined;
  try {
    if (!verb) throw new Complaint([`“${name}” is not a verb; there are ${Object.keys(VERBS).join(', ')}`]);
    const { values, positionals } = parse(verb, rest);
    if (values.help) {
      out(`${verb.usage}\n${verb.about}`);
      return 0;
    }
    if (positionals.length < (verb.files ?? 1)) throw new Complaint([`which station file? ${verb.usage}`]);
    const answer = await verb.run(positionals, values as Record<string, string | undefined>);
    out(typeof answer === 'string' ? answer : JSON.stringify(answer, siQuantities, 2));
    return 0;
  } catch (error) {
    if (!(error instanceof Complaint)) throw error;
    error.lines.forEach(complain);
    return 2;
  }
}

function parse(verb: Verb, args: string[]) {
  try {
    return parseArgs({
      args,
      options: { ...verb.options, help: { type: 'boolean' } },
      allowPositionals: true,
      strict: true,
    });
  } catch (error) {
    throw new Complaint([`${error instanceof Error ? error.message : String(error)}; ${verb.usage}`]);
  }
}
