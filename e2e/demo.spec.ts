import { expect } from '@playwright/test';
import { bellLine, test } from './station';

const STATIONS = [
  'Crew-boat workshop sump',
  'Washroom ejector pit',
  'Ticket office cellar',
  'Slip gully chamber',
  'Underpass storm sump',
  'Lodge grinder well',
  'Sand bed dosing tank',
  'Rain cistern',
  'Workshop header tank',
  'Slipway drainage pit',
  'Wash bay pit',
  'Battery room sump',
  'Cold store condensate',
  'Wash-down basin',
];

test('every demo station stands on the wall with its bell and one line of why', async ({ page }) => {
  await page.goto('/');
  for (const name of STATIONS) {
    const gauge = page.getByRole('link', { name: new RegExp(name) });
    await expect(gauge).toContainText(/all rules hold|tight: |broken: /);
    await expect(gauge.getByRole('img', { name: /^bell/ })).toBeVisible();
  }
  await expect(page.getByRole('link', { name: /Battery room sump/ })).toContainText(
    'broken: water over the pump at stop',
  );
  await expect(page.getByRole('link', { name: /Underpass storm sump/ })).toContainText('all rules hold');
});

/** Stations one after the other in one browser that keeps what it has loaded, as somebody does who goes round. */
for (const half of [0, 1]) {
  const own = STATIONS.map((name, i) => ({ name, at: `/stations/${i + 1}` })).filter((_, i) => i % 2 === half);
  test(`every view of ${own.map((s) => s.name).join(', ')} opens and is whole`, async ({ page }) => {
    test.slow();
    const errors: string[] = [];
    page.on('pageerror', (e) => errors.push(e.message));
    for (const { name, at } of own) {
      for (const view of ['survey', 'prove', 'card', 'levels']) {
        await page.goto(`${at}/${view}`);
        await expect(page.getByRole('heading', { level: 1 })).toContainText(name);
        await expect(bellLine(page)).toContainText('rules hold');
        await page.waitForLoadState('networkidle');
        expect(await page.locator('svg path[d*="NaN"]').count()).toBe(0);
      }
      for (const sheet of ['tape list', 'water to each trip', 'plan view', 'cycle']) {
        await page.getByRole('tab', { name: sheet }).click();
        await expect(page.getByRole('tabpanel')).not.toBeEmpty();
      }
      expect([name, errors]).toEqual([name, []]);
    }
  });
}
