import { main } from './main';

process.exitCode = await main(
  process.argv.slice(2),
  (text) => process.stdout.write(`${text}\n`),
  (text) => process.stderr.write(`${text}\n`),
);
