import { spawnSync } from 'node:child_process';
import type { Torment } from './torment';

/** The browser tests of what a page keeps: full, forbidden, damaged, two tabs, lost answers. */
const TESTS = 'never lost|two tabs|storage is full|set aside|false “saved elsewhere”|outlives';

export const storage: Torment = {
  about: 'runs the browser tests of what a page keeps (size: times)',
  usual: 3,
  small: 0,
  run(size) {
    if (size === 0)
      return Promise.resolve({ figures: { times: 0, note: 'the browser tests of the check are these' }, broken: [] });
    const { status } = spawnSync(
      'npx',
      ['playwright', 'test', '-g', TESTS, `--repeat-each=${size}`, '--reporter=line'],
      { stdio: 'inherit' },
    );
    return Promise.resolve({
      figures: { times: size },
      broken: status === 0 ? [] : [`the browser tests ended with ${status}`],
    });
  },
};
