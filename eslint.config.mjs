import { defineConfig, globalIgnores } from 'eslint/config';
import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';

export default defineConfig([
  ...nextVitals,
  ...nextTs,
  {
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      'max-lines': ['error', { max: 420, skipBlankLines: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  {
    // A test file holds the cases of one subject, however many.
    files: ['**/*.test.ts'],
    rules: { 'max-lines': ['error', { max: 660, skipBlankLines: true }] },
  },
  globalIgnores([
    '.next/**',
    'dist/**',
    'node_modules/**',
    'next-env.d.ts',
    'test-results/**',
    'data/**',
    '.dependency-cruiser.cjs',
  ]),
]);
