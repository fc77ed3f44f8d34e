/*
 * Serves the built application. Options: --port N (default 4310), --host NAME (default 127.0.0.1), --name NAME (another name it answers to; may be
 * said again), --cert FILE --key FILE (TLS; “npm run certificate” makes both), --people (people sign in on this machine as well), --invite (prints an
 * address for another owner, where nobody knows a passphrase any more), --proxy ADDRESS
 * (of a proxy before it that takes TLS and says truly who comes; may be said again), --plain (over a network without TLS, knowing what that means),
 * --copies N (copies of the night that are kept, default 7).
 */
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { ROOT, say, stop } from './machine.mjs';

const BUILT = path.join(ROOT, 'dist/serve.mjs');
const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

function options(args) {
  try {
    return parseArgs({
      args,
      options: {
        port: { type: 'string', default: process.env.PORT ?? '4310' },
        host: { type: 'string', default: '127.0.0.1' },
        name: { type: 'string', multiple: true, default: [] },
        cert: { type: 'string' },
        key: { type: 'string' },
        people: { type: 'boolean', default: false },
        invite: { type: 'boolean', default: false },
        proxy: { type: 'string', multiple: true, default: [] },
        plain: { type: 'boolean', default: false },
        copies: { type: 'string', default: '7' },
      },
    }).values;
  } catch (error) {
    return stop(
      `${error.message}. There are --port, --host, --name, --cert, --key, --people, --invite, --proxy, --plain and --copies.`,
    );
  }
}

/** The npm that started this, two steps up: it runs a shell, and that runs us. */
function starter() {
  if (!process.env.npm_lifecycle_event) return null;
  try {
    return Number(/^PPid:\s+(\d+)/m.exec(readFileSync(`/proc/${process.ppid}/status`, 'utf8'))?.[1]);
  } catch {
    return process.ppid;
  }
}

/** Ends the server when the one who started it is gone, though nobody could tell us. */
function endWith(pid) {
  if (!pid || pid === 1) return;
  setInterval(() => {
    try {
      process.kill(pid, 0);
    } catch {
      process.kill(process.pid, 'SIGTERM');
    }
  }, 1000).unref();
}

/** A file that is named after an option. */
function fileOf(option, file) {
  try {
    return readFileSync(file, 'utf8');
  } catch (error) {
    return stop(`--${option} ${file} cannot be read: ${error.message}`);
  }
}

/** Certificate and key, both or none. */
function tlsOf({ cert, key }) {
  if ((cert === undefined) !== (key === undefined))
    stop('--cert and --key belong together: “npm run certificate” makes both.');
  return cert === undefined ? null : { cert: fileOf('cert', cert), key: fileOf('key', key) };
}

/** Who comes in: on this machine alone nobody is asked; over a network everybody is, and passphrases go over TLS. */
function doorOf(values) {
  const tls = tlsOf(values);
  const near = LOOPBACK.includes(values.host);
  if (!near && !tls && values.proxy.length === 0 && !values.plain)
    stop(
      `--host ${values.host}: passphrases and stations would go over the network for everybody to read.\nMake a certificate with “npm run certificate”, then start with --cert and --key. (--plain: without, knowing that.)`,
    );
  return {
    tls,
    proxies: values.proxy,
    people: !near || values.people || values.proxy.length > 0,
    invite: values.invite,
  };
}

/** Says where it is, and what must be known of it. */
function announce(values, port, door, firstWord) {
  if (door.people && !door.tls && door.proxies.length === 0 && !LOOPBACK.includes(values.host))
    process.stderr.write(
      `\n*** --host ${values.host} --plain: nothing is encrypted. Whoever is in this network can read passphrases as they are typed. ***\n`,
    );
  const at = values.host === '0.0.0.0' || values.host === '::' ? '127.0.0.1' : values.host;
  const address = `${door.tls ? 'https' : 'http'}://${at.includes(':') ? `[${at}]` : at}:${port}`;
  if (firstWord !== null)
    say(
      `\nWhoever opens this address first becomes an owner; it is good once, for three days:\n  ${address}/join/${firstWord}`,
    );
  say(
    `\nPit Bell is ready: ${address}\n(stop it with Ctrl C; data in ${path.resolve(process.env.PITBELL_DATA ?? 'data')})`,
  );
}

/** Starts the server in this process and says its address when it answers. */
export async function serve(args) {
  const values = options(args);
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    stop(`--port ${values.port}: a port is a number from 1 to 65535.`);
  if (!existsSync(BUILT) || !existsSync(path.join(ROOT, '.next/BUILD_ID')))
    stop('Pit Bell is not built here yet: run “npm run demo” once, or “npm run build”.');
  const copies = Number(values.copies);
  if (!Number.isInteger(copies) || copies < 0 || copies > 400)
    stop(`--copies ${values.copies}: how many copies of the night are kept, from 0 (none are made) to 400.`);
  process.chdir(ROOT);
  process.env.NEXT_TELEMETRY_DISABLED = '1';
  process.env.NODE_ENV = 'production';
  const { serveBuilt, CannotStart } = await import(BUILT);
  const door = doorOf(values);
  let firstWord = null;
  try {
    ({ firstWord } = await serveBuilt({ folder: ROOT, port, host: values.host, names: values.name, copies, ...door }));
  } catch (error) {
    if (error instanceof CannotStart) stop(error.message);
    throw error;
  }
  endWith(starter());
  announce(values, port, door, firstWord);
}

if (process.argv[1] === path.join(ROOT, 'scripts/serve.mjs')) await serve(process.argv.slice(2));
