/* One command on a fresh machine: installs, builds, fills an empty data folder with the demo stations, serves. */
import { ensureBuild, ensurePackages, run } from './machine.mjs';
import { serve } from './serve.mjs';

ensurePackages();
ensureBuild();
run(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], { what: 'filling the demo data' });
await serve(process.argv.slice(2));
