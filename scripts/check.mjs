/* Every check and test, in the order in which they fail soonest. Installs what it needs. */
import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild, ensurePackages, isFile, needCommands, ROOT, run, runTogether, say } from './machine.mjs';

const REPORTS = path.join(ROOT, 'test-results');
const unitReport = path.join(REPORTS, 'unit.json');
const browserReport = path.join(REPORTS, 'browser.json');
const read = (file) => JSON.parse(readFileSync(file, 'utf8'));

ensurePackages();
rmSync(REPORTS, { recursive: true, force: true });
const steps = [
  ['types', () => run('npm', ['run', '--silent', 'types'])],
  // What only reads the sources goes side by side.
  [
    'lint, layers and dead code',
    () =>
      runTogether([
        ['npx', 'eslint', '.', '--max-warnings', '0'],
        ['npx', 'prettier', '--check', '.'],
        ['npm', 'run', '--silent', 'layers'],
      ]),
  ],
  [
    'unit tests',
    () => run('npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unitReport}`]),
  ],
  ['production build', ensureBuild],
  ['ill treatment in small', () => run('npm', ['run', '--silent', 'torment', '--', 'small'])],
  [
    'browser tests',
    () => {
      if (!isFile(process.env.PITBELL_CHROMIUM ?? '/usr/bin/chromium'))
        needCommands({ chromium: 'chromium' }, 'the browser tests drive Chromium');
      run('npx', ['playwright', 'test', '--reporter=list,json'], {
        env: { PLAYWRIGHT_JSON_OUTPUT_NAME: browserReport },
      });
    },
  ],
];
for (const [name, step] of steps) {
  const from = Date.now();
  say(`\n== ${name}`);
  await step();
  say(`== ${name}: ${((Date.now() - from) / 1000).toFixed(0)} s`);
}
const unit = read(unitReport);
const browser = read(browserReport);
say('\nevery check passed');
if (browser.stats.flaky > 0)
  say(`${browser.stats.flaky} browser tests needed a second try: they are named “flaky” above, and are to be mended`);
say(
  `${unit.numPassedTests + browser.stats.expected + browser.stats.flaky} passed, ${unit.numFailedTests + browser.stats.unexpected} failed`,
);
