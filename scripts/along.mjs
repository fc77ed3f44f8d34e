/* Writes what makes the application installable and lets it open without signal into public/: the service worker, and the icons that phones want as pictures. */
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';
import sharp from 'sharp';
import { ROOT } from './machine.mjs';

const PUBLIC = path.join(ROOT, 'public');
mkdirSync(PUBLIC, { recursive: true });
await build({
  entryPoints: [path.join(ROOT, 'src/workers/along.ts')],
  outfile: path.join(PUBLIC, 'along.js'),
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { 'process.env.NODE_ENV': '"production"' },
  logLevel: 'warning',
});
for (const size of [192, 512])
  await sharp(path.join(ROOT, 'src/app/icon.svg'), { density: 1200 })
    .resize(size, size)
    .png({ compressionLevel: 9 })
    .toFile(path.join(PUBLIC, `icon-${size}.png`));
