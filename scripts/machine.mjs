/* What the commands need of the machine, with Node's own modules only: they run before anything is installed. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname ?? path.dirname(new URL(import.meta.url).pathname), '..');

export const say = (text) => process.stdout.write(`${text}\n`);

export function stop(text) {
  process.stderr.write(`\n${text}\n`);
  process.exit(1);
}

/** Runs a command in the project's folder; stops with its name when it fails. */
export function run(command, args, { env = {}, what = [command, ...args].join(' ') } = {}) {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
  });
  if (done.error) stop(`${what}: ${done.error.message}`);
  if (done.status !== 0) stop(`${what} failed (status ${done.status}).`);
}

/** Runs commands beside each other in the project's folder; what each says is shown when it has ended. Stops with the name of one that fails. */
export async function runTogether(commands) {
  const one = ([command, ...args]) =>
    new Promise((done) => {
      const what = [command, ...args].join(' ');
      const child = spawn(command, args, { cwd: ROOT, env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } });
      const said = [];
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (words) => said.push(words));
      child.on('error', (error) => stop(`${what}: ${error.message}`));
      child.on('close', (status) => {
        process.stdout.write(Buffer.concat(said));
        if (status !== 0) stop(`${what} failed (status ${status}).`);
        done();
      });
    });
  await Promise.all(commands.map(one));
}

const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;

/** Sees that commands of Debian's packages are there: installs what is missing as root, says what to do otherwise. */
export function needCommands(wanted, why) {
  const missing = Object.entries(wanted).flatMap(([command, packageName]) => (has(command) ? [] : [packageName]));
  if (missing.length === 0) return;
  const packages = [...new Set(missing)].join(' ');
  if (!has('apt-get'))
    stop(
      `${why}: needed are ${packages} (the names of Debian's packages). Install what your system calls them, then run this again.`,
    );
  if (process.getuid?.() !== 0)
    stop(
      `${why}: needed are ${packages}. You are not root, so run\n\n    sudo apt-get update && sudo apt-get install -y ${packages}\n\nand then this again.`,
    );
  say(`installing ${packages} (${why})`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages.split(' ')], { env });
}

function fileHash(files) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(path.relative(ROOT, file)).update('\0').update(readFileSync(file));
  return hash.digest('hex');
}

function filesBelow(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .flatMap((entry) =>
      entry.isDirectory() ? filesBelow(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
    )
    .sort();
}

const stampMatches = (stamp, value) => existsSync(stamp) && readFileSync(stamp, 'utf8') === value;

/** Installs the packages of package-lock.json, unless exactly these are there. */
export function ensurePackages() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) stop(`Pit Bell needs Node 20 or newer; this is ${process.version}.`);
  const stamp = path.join(ROOT, 'node_modules/.pitbell-installed');
  const wanted = fileHash([path.join(ROOT, 'package-lock.json')]) + process.version;
  if (stampMatches(stamp, wanted)) return;
  needCommands({ python3: 'python3', make: 'make', 'g++': 'g++' }, 'the database driver is compiled here');
  const prefix = path.dirname(path.dirname(process.execPath));
  const headers = [prefix, '/usr'].find((p) => existsSync(path.join(p, 'include/node/node.h')));
  say('installing packages (a few minutes the first time)');
  // Not “npm ci”: it wants every platform's optional packages in the lock file, and a registry mirror may carry only some. This keeps to the lock file too, and does not write it.
  run('npm', ['install', '--no-save', '--no-fund', '--no-audit'], {
    env: { npm_config_build_from_source: 'true', ...(headers && { npm_config_nodedir: headers }) },
  });
  writeFileSync(stamp, wanted);
}

/** Builds application and command line, unless they were built from exactly these sources. */
export function ensureBuild() {
  const stamp = path.join(ROOT, '.next/pitbell-built');
  const sources = [
    ...filesBelow(path.join(ROOT, 'src')).filter((f) => !/\.test\.tsx?$/.test(f)),
    ...['package-lock.json', 'next.config.ts', 'tsconfig.json', 'scripts/squeeze.mjs', 'scripts/along.mjs'].map((f) =>
      path.join(ROOT, f),
    ),
  ];
  const wanted = fileHash(sources);
  if (stampMatches(stamp, wanted) && existsSync(path.join(ROOT, 'dist/pitbell.mjs'))) return;
  say('building');
  run('npm', ['run', '--silent', 'build']);
  writeFileSync(stamp, wanted);
}

export const isFile = (file) => existsSync(file) && statSync(file).isFile();
