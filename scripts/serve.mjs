/* Serves the built application. Options: --port N (default 4310), --host NAME (default 127.0.0.1). */
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { ROOT, say, stop } from './machine.mjs';

const portIsFree = (port, host) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

async function answers(address) {
  try {
    return (await fetch(address)).ok;
  } catch {
    return false;
  }
}

/** Starts the server and says its address when it answers; ends when the server ends. */
export async function serve(args) {
  const { values } = parseArgs({
    args,
    options: {
      port: { type: 'string', default: process.env.PORT ?? '4310' },
      host: { type: 'string', default: '127.0.0.1' },
    },
  });
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    stop(`--port ${values.port}: a port is a number from 1 to 65535.`);
  if (!(await portIsFree(port, values.host)))
    stop(`Port ${port} on ${values.host} is taken: is Pit Bell running already? Another port: --port ${port + 1}`);
  const next = path.join(ROOT, 'node_modules/next/dist/bin/next');
  const server = spawn(process.execPath, [next, 'start', '-H', values.host, '-p', String(port)], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
  const address = `http://${values.host === '0.0.0.0' ? '127.0.0.1' : values.host}:${port}`;
  while (!(await answers(address))) await new Promise((r) => setTimeout(r, 100));
  say(
    `\nPit Bell is ready: ${address}\n(stop it with Ctrl C; data in ${path.resolve(process.env.PITBELL_DATA ?? 'data')})`,
  );
}

if (process.argv[1] === path.join(ROOT, 'scripts/serve.mjs')) await serve(process.argv.slice(2));
