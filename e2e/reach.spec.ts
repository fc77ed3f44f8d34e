import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { float, makeStation, test } from './station';

/** Every view once, the themes in turn: what a theme changes is its colours, whose contrast the palettes’ own tests hold. */
const views = [
  ['/', 'chalk'],
  ['/stations/1/survey', 'night'],
  ['/stations/7/survey', 'daylight'],
  ['/stations/1/levels', 'daylight'],
  ['/stations/5/levels', 'chalk'],
  ['/stations/1/prove', 'chalk'],
  ['/stations/1/prove/1', 'night'],
  ['/stations/1/card', 'daylight'],
] as const;

async function violations(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'])
    .analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
}

for (const [view, theme] of views)
  test(`${view} can be read by everyone (${theme})`, async ({ page, context, baseURL }) => {
    await context.addCookies([{ name: 'pb-theme', value: theme, url: baseURL! }]);
    await page.goto(view);
    await page.waitForLoadState('networkidle');
    expect(await violations(page)).toEqual([]);
  });

for (const sheet of ['tape list', 'plan view', 'set levels for me']) {
  test(`the sheet “${sheet}” can be read by everyone`, async ({ page }) => {
    await page.goto('/stations/5/levels');
    await page.getByRole('tab', { name: sheet }).click();
    if (sheet === 'set levels for me')
      await expect(page.getByRole('button', { name: 'take it whole' })).toBeVisible({ timeout: 30_000 });
    expect(await violations(page)).toEqual([]);
  });
}

test('keys go everywhere', async ({ page }) => {
  await page.goto('/stations/1/levels');
  await expect(float(page, 'pump')).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page).toHaveURL(/\/survey$/);
  await page.keyboard.press('g');
  await page.keyboard.press('d');
  await expect(page).toHaveURL(/\/card$/);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await page.getByPlaceholder('station, view or action').fill('battery');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /Battery room sump/ })).toBeVisible();
  await page.keyboard.press(']');
  await expect(page.getByRole('heading', { name: /Cold store condensate/ })).toBeVisible();
  await page.keyboard.press('[');
  await expect(page.getByRole('heading', { name: /Battery room sump/ })).toBeVisible();
});

test('units change at once, everywhere, and are remembered', async ({ page }) => {
  await page.goto('/stations/1/levels');
  await expect(page.getByText('616 mm', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'in·gal' }).click();
  await expect(page.getByText(`2' 1/4"`, { exact: true }).first()).toBeVisible();
  await page.goto('/stations/1/survey');
  await expect(page.getByRole('textbox', { name: 'diameter', exact: true })).toHaveValue('35.4331"');
});

test('the water is raised by keys, and the float leans and closes', async ({ page }) => {
  await page.goto('/stations/1/levels');
  const water = page.getByRole('slider', { name: 'water level' });
  await expect(float(page, 'pump').locator('.eye-open').first()).toBeVisible();
  await water.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowUp');
  await expect(float(page, 'pump').locator('.eye-closed')).toBeVisible();
});

test('a test run works on a phone, and what is typed outlives a reload and a lost signal', async ({
  browser,
  request,
}) => {
  const id = await makeStation(request, 'Phone sump');
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  await page.goto(`/stations/${id}/prove`);
  await page.getByRole('textbox', { name: 'tested by' }).fill('A. B.');
  await page.getByRole('button', { name: /begin a run/ }).tap();
  await expect(page).toHaveURL(/\/prove\/\d+$/);
  await expect(page.getByRole('heading', { name: 'Isolate, lock, prove dead' })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  for (const name of ['pass', 'fail']) {
    const box = (await page.getByRole('button', { name, exact: true }).boundingBox())!;
    expect(box.height).toBeGreaterThanOrEqual(44);
  }
  await page.getByRole('textbox', { name: 'found: known source, before' }).fill('229');
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'found: known source, before' })).toHaveValue('229');
  await page.getByRole('textbox', { name: 'note' }).fill('outlet not tested yet');
  await page.route('**/api/runs/**', (route) => route.abort());
  await page.getByRole('button', { name: 'pass', exact: true }).tap();
  await expect(page.getByRole('heading', { name: 'Bench test: pump float' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'outbox: 1 on this device only' })).toBeVisible();
  await page.unroute('**/api/runs/**');
  await page.reload();
  await expect(page.getByRole('link', { name: 'outbox: sent' })).toBeVisible();
  await page.getByRole('button', { name: '◂ step before' }).tap();
  await expect(page.getByRole('article')).toContainText('outlet not tested yet');
});

test('charts and PDF code are sent only where they are used', async ({ page }) => {
  const scripts: string[] = [];
  const packed = new Set<string | undefined>();
  page.on('response', async (r) => {
    if (r.request().resourceType() !== 'script') return;
    if (r.url().includes('/static/chunks/')) packed.add(r.headers()['content-encoding']);
    scripts.push(await r.text().catch(() => ''));
  });
  await page.goto('/stations/1/prove');
  await page.waitForLoadState('networkidle');
  expect(scripts.length).toBeGreaterThan(3);
  // As the build packed them, not packed anew for each browser.
  expect(packed).toContain('br');
  expect(packed).not.toContain('gzip');
  expect(scripts.filter((s) => s.includes('recharts-'))).toEqual([]);
  expect(scripts.filter((s) => s.includes('/FlateDecode'))).toEqual([]);
  scripts.length = 0;
  await page.goto('/stations/1/survey');
  await expect(page.locator('.recharts-surface').first()).toBeVisible({ timeout: 20_000 });
  expect(scripts.some((s) => s.includes('recharts-'))).toBe(true);
});
