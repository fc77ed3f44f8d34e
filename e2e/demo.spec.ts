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

for (const [i, name] of STATIONS.entries()) {
  test(`${name}: every view of it opens and is whole`, async ({ page }) => {
    const errors: string[] = [];
    page.on('pageerror', (e) => errors.push(e.message));
    for (const view of ['survey', 'levels', 'prove', 'card']) {
      await page.goto(`/stations/${i + 1}/${view}`);
      await expect(page.getByRole('heading', { level: 1 })).toContainText(name);
      await expect(bellLine(page)).toContainText('rules hold');
      await page.waitForLoadState('networkidle');
      expect(await page.locator('svg path[d*="NaN"]').count()).toBe(0);
    }
    await page.goto(`/stations/${i + 1}/levels`);
    for (const sheet of ['tape list', 'water to each trip', 'plan view', 'cycle']) {
      await page.getByRole('tab', { name: sheet }).click();
      await expect(page.getByRole('tabpanel')).not.toBeEmpty();
    }
    expect(errors).toEqual([]);
  });
}
