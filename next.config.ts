import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { NextConfig } from 'next';
import { PHASE_PRODUCTION_BUILD } from 'next/constants';

/** What the core is made from: where two builds agree in it, what one has worked out is true of the other. */
function coreOf(): string {
  const hash = createHash('sha256');
  const files = readdirSync('src/core', { recursive: true, withFileTypes: true }).filter(
    (f) => f.isFile() && !f.name.includes('.test.'),
  );
  for (const file of files.map((f) => path.join(f.parentPath, f.name)).sort())
    hash.update(file).update(readFileSync(file));
  return hash.digest('base64url');
}

const config = (phase: string): NextConfig => ({
  reactStrictMode: true,
  poweredByHeader: false,
  // Written into what is built; empty while it is being developed.
  env: { PITBELL_CORE: phase === PHASE_PRODUCTION_BUILD ? coreOf() : '' },
  serverExternalPackages: ['better-sqlite3', '@react-pdf/renderer', 'piscina'],
  experimental: { optimizePackageImports: ['@mui/material'] },
});

export default config;
