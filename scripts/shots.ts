/* Takes the pictures in docs/screenshots from the demo data and the production build: all, or the one that is named. */
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import config from '../playwright.config';
import { ADDRESS, startServers } from './shots/servers';
import { peopleCome, SHEETS, takeSheet } from './shots/sheets';
import { SHOTS } from './shots/views';

const OUT = 'docs/screenshots';
const only = process.argv[2];
const wanted = <T extends { readonly name: string }>(all: readonly T[]): T[] =>
  all.filter((s) => only === undefined || s.name === only);

const first = await startServers();
mkdirSync(OUT, { recursive: true });
const browser = await chromium.launch(config.use!.launchOptions);
for (const { name, address, phone, theme, before } of wanted(SHOTS)) {
  const context = await browser.newContext({
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
  });
  if (theme) await context.addCookies([{ name: 'pb-theme', value: theme, url: ADDRESS }]);
  const page = await context.newPage();
  await page.goto(`${ADDRESS}${address}`);
  await page.waitForLoadState('networkidle');
  await before?.(page);
  await page.waitForLoadState('networkidle');
  await page.getByText(/^drawing the/).waitFor({ state: 'detached' });
  await page.screenshot({ path: path.join(OUT, `${name}.png`) });
  await context.close();
}
const sheets = wanted(SHEETS);
if (sheets.length > 0) {
  const state = await peopleCome(browser, first);
  for (const sheet of sheets) await takeSheet(browser, sheet, state, path.join(OUT, `${sheet.name}.png`));
}
await browser.close();
process.exit();
