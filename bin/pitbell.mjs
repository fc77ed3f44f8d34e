#!/usr/bin/env node
import { existsSync } from 'node:fs';

const built = new URL('../dist/pitbell.mjs', import.meta.url);
if (!existsSync(built)) {
  process.stderr.write(
    'pitbell: the command line is not built yet: run “npm run build:cli” (or “npm run demo” once)\n',
  );
  process.exit(2);
}
await import(built.href);
