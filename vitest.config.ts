import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': new URL('./src', import.meta.url).pathname } },
  // A busy machine is no fault of a test, nor of what a test makes ready.
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts'],
    setupFiles: ['./scripts/chance.ts'],
    testTimeout: 180_000,
    hookTimeout: 180_000,
  },
});
