import { defineConfig, globalIgnores } from 'eslint/config';
import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';

const LENGTH = { max: 80, skipBlankLines: true, skipComments: true };

export default defineConfig([
  ...nextVitals,
  ...nextTs,
  {
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      'max-lines': ['error', { max: 420, skipBlankLines: true }],
      'max-lines-per-function': ['error', LENGTH],
      complexity: ['error', 15],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  {
    // A test file holds the cases of one subject, however many.
    files: ['**/*.test.ts', 'e2e/**'],
    rules: { 'max-lines': ['error', { max: 660, skipBlankLines: true }], 'max-lines-per-function': 'off' },
  },
  {
    // One station is one literal, however much was surveyed of it.
    files: ['src/core/demo/*.ts'],
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    // A panel is read from the supply to the last lamp, as its ladder is.
    files: ['alarmChain', 'duplex', 'drive', 'cord'].map((name) => `src/core/schemes/${name}.ts`),
    rules: { 'max-lines-per-function': ['error', { ...LENGTH, max: 115 }], complexity: ['error', 20] },
  },
  {
    // One closure keeps one state: taken apart, its parts would have to hand it to one another.
    files: [
      'src/core/hydraulics/hydraulics.ts',
      'src/core/rehearsal/ledger.ts',
      'src/core/schemes/panelBuilder.ts',
      'src/ui/panel/panelStore.ts',
    ],
    rules: { 'max-lines-per-function': ['error', { ...LENGTH, max: 140 }] },
  },
  {
    // A drawing or a paper is set from its top to its bottom.
    files: [
      'src/core/papers/{doorCard,plan}.ts',
      'src/core/papers/ladder/layout.ts',
      'src/ui/card/DoorCardPaper.tsx',
      'src/ui/{levels/SawtoothChart,rehearse/TimeAxis,survey/CurveChart}.tsx',
    ],
    rules: { 'max-lines-per-function': ['error', { ...LENGTH, max: 140 }] },
  },
  {
    // A card is one list, read from its first step to its last.
    files: ['src/core/jobs/cards/*.ts'],
    rules: { 'max-lines-per-function': ['error', { ...LENGTH, max: 120 }], complexity: ['error', 26] },
  },
  {
    // Cases of one decision, each a line or two: numbers of a method, switchings of a device, kinds of an element.
    files: [
      'src/core/circuit/settle.ts',
      'src/core/faults/sensors.ts',
      'src/core/numeric/brent.ts',
      'src/core/papers/{doorCard,ladder/symbols}.ts',
      'src/core/proposals/search.ts',
      'src/core/rehearsal/{compare,ledger,pumping,whatIf,engine/horizon}.ts',
    ],
    rules: { complexity: ['error', 26] },
  },
  globalIgnores([
    '.next/**',
    'dist/**',
    'public/**',
    'node_modules/**',
    'next-env.d.ts',
    'test-results/**',
    'data/**',
    '.dependency-cruiser.cjs',
  ]),
]);
