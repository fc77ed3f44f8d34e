/* For developers: the demo data and the development server, which follows every change. */
import { ensurePackages, run } from './machine.mjs';

ensurePackages();
run(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], { what: 'filling the demo data' });
run('npx', ['next', 'dev', '-H', '127.0.0.1', '-p', process.env.PORT ?? '4310', ...process.argv.slice(2)]);
