import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import type { NextConfig } from 'next';

/** What the core is made from: where two builds agree in it, what one has worked out is true of the other. Empty while it is being developed. */
function coreOf(): string {
  if (process.env.NODE_ENV !== 'production') return '';
  const hash = createHash('sha256');
  const files = readdirSync('src/core', { recursive: true, withFileTypes: true }).filter(
    (f) => f.isFile() && !f.name.includes('.test.'),
  );
  for (const file of files.map((f) => path.join(f.parentPath, f.name)).sort())
    hash.update(file).update(readFileSync(file));
  return hash.digest('base64url');
}

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  env: { PITBELL_CORE: coreOf() },
  serverExternalPackages: ['better-sqlite3', '@react-pdf/renderer', 'piscina'],
  experimental: { optimizePackageImports: ['@mui/material'] },
};

export default config;
