import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { demoStations } from '@/core/demo';
import type { Verb } from '../verb';

export const demo: Verb = {
  usage: 'pitbell demo [--out FOLDER]',
  about: 'Writes the demo stations, one a file.',
  options: { out: { type: 'string' } },
  files: 0,
  run(_, { out = '.' }) {
    mkdirSync(out, { recursive: true });
    return demoStations().map(({ file, station }) => {
      const target = path.join(out, file);
      writeFileSync(target, `${JSON.stringify(station, null, 2)}\n`);
      return { file: target, name: station.identity.name };
    });
  },
};
