/* Takes the pictures in docs/screenshots from the demo data and the production build. */
import { chromium, type Page } from '@playwright/test';
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import config from '../playwright.config';

const ADDRESS = 'http://127.0.0.1:4397';
const OUT = 'docs/screenshots';

interface Shot {
  name: string;
  address: string;
  phone?: boolean;
  theme?: 'night' | 'daylight';
  before?(page: Page): Promise<void>;
}

const SHOTS: readonly Shot[] = [
  { name: 'round', address: '/' },
  { name: 'survey', address: '/stations/1/survey' },
  {
    name: 'survey-discharge',
    address: '/stations/4/survey',
    before: async (page) => {
      await page.getByRole('navigation', { name: 'groups of the survey' }).getByRole('link', { name: 'discharge' }).click();
    },
  },
  { name: 'levels', address: '/stations/1/levels' },
  { name: 'levels-stacked', address: '/stations/4/levels' },
  {
    name: 'levels-broken-night',
    address: '/stations/3/levels?rule=starts',
    theme: 'night',
    before: (page) => page.getByRole('tab', { name: 'tape list' }).click(),
  },
  { name: 'prove', address: '/stations/5/prove', before: (page) => page.getByRole('button', { name: /Fill until the pump starts/ }).click() },
  { name: 'prove-phone', address: '/stations/1/prove/1', phone: true },
  { name: 'card', address: '/stations/2/card' },
];

const data = mkdtempSync(path.join(tmpdir(), 'pitbell-shots-'));
const env = { ...process.env, PITBELL_DATA: data };
spawnSync(process.execPath, ['--import', 'tsx', 'scripts/seed.ts'], { env });
const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', '4397'], { env, stdio: 'ignore' });
while (!(await fetch(ADDRESS).then((r) => r.ok, () => false))) await new Promise((r) => setTimeout(r, 50));

mkdirSync(OUT, { recursive: true });
const browser = await chromium.launch(config.use!.launchOptions);
for (const { name, address, phone, theme, before } of SHOTS) {
  const context = await browser.newContext({ viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 } });
  if (theme) await context.addCookies([{ name: 'pb-theme', value: theme, url: ADDRESS }]);
  const page = await context.newPage();
  await page.goto(`${ADDRESS}${address}`);
  await page.waitForLoadState('networkidle');
  await before?.(page);
  await page.screenshot({ path: path.join(OUT, `${name}.png`) });
  await context.close();
}
await browser.close();
server.kill('SIGTERM');
rmSync(data, { recursive: true });
