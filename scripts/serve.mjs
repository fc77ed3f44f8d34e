/* Serves the built application. Options: --port N (default 4310), --host NAME (default 127.0.0.1), --name NAME (another name it answers to; may be said again). */
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
      },
    }).values;
  } catch (error) {
    return stop(`${error.message}. There are --port, --host and --name.`);
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

/** Starts the server in this process and says its address when it answers. */
export async function serve(args) {
  const values = options(args);
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    stop(`--port ${values.port}: a port is a number from 1 to 65535.`);
  if (!existsSync(BUILT) || !existsSync(path.join(ROOT, '.next/BUILD_ID')))
    stop('Pit Bell is not built here yet: run “npm run demo” once, or “npm run build”.');
  process.chdir(ROOT);
  process.env.NEXT_TELEMETRY_DISABLED = '1';
  process.env.NODE_ENV = 'production';
  const { serveBuilt, CannotStart } = await import(BUILT);
  try {
    await serveBuilt({ folder: ROOT, port, host: values.host, names: values.name });
  } catch (error) {
    if (error instanceof CannotStart) stop(error.message);
    throw error;
  }
  endWith(starter());
  if (!LOOPBACK.includes(values.host))
    process.stderr.write(
      `\n*** --host ${values.host}: EVERYBODY who reaches this machine over the network can read and change every station. ***\n*** There is no signing in yet, and nothing is encrypted. Use it only in a network whose every user you trust. ***\n`,
    );
  const at = values.host === '0.0.0.0' || values.host === '::' ? '127.0.0.1' : values.host;
  say(
    `\nPit Bell is ready: http://${at.includes(':') ? `[${at}]` : at}:${port}\n(stop it with Ctrl C; data in ${path.resolve(process.env.PITBELL_DATA ?? 'data')})`,
  );
}

if (process.argv[1] === path.join(ROOT, 'scripts/serve.mjs')) await serve(process.argv.slice(2));
