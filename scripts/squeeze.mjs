/* Writes the compressed twins of the built scripts and styles beside them, as small as they get: done once, sent by the server as they are. */
import { readdirSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { ROOT } from './machine.mjs';

const FOLDER = path.join(ROOT, '.next/static');
const brotli = promisify(brotliCompress);
const zip = promisify(gzip);

const files = readdirSync(FOLDER, { recursive: true }).filter((f) => /\.(js|css|svg)$/.test(f));
await Promise.all(
  files.map(async (file) => {
    const whole = await readFile(path.join(FOLDER, file));
    const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: whole.length };
    await writeFile(path.join(FOLDER, `${file}.br`), await brotli(whole, { params }));
    await writeFile(path.join(FOLDER, `${file}.gz`), await zip(whole, { level: 9 }));
  }),
);
