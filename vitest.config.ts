import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

/** It puts a table of its own in place of the one that all others read. */
const ALONE = 'src/core/schemes/tenth.test.ts';

const common = {
  setupFiles: ['./scripts/chance.ts'],
  // A busy machine is no fault of a test, nor of what a test makes ready.
  testTimeout: 180_000,
  hookTimeout: 180_000,
};

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  test: {
    maxWorkers: availableParallelism(),
    projects: [
      // The core keeps nothing but what it has worked out: its tests share one copy of it in each thread.
      {
        extends: true,
        test: {
          ...common,
          name: 'core',
          include: ['src/core/**/*.test.ts'],
          exclude: [ALONE],
          pool: 'threads',
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          ...common,
          name: 'round it',
          include: ['src/!(core)/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts', ALONE],
        },
      },
    ],
  },
});
