import { expect, type Page } from '@playwright/test';
import { choose, makeStation, test } from './station';

/** The page as the browser would print it: how many sheets, and what was on the page while it was printed. */
async function printed(page: Page): Promise<number> {
  const pdf = (await page.pdf({ format: 'A4', preferCSSPageSize: true })).toString('latin1');
  return pdf.match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;
}

test('the door card is printed on one sheet, without the frame', async ({ page }) => {
  for (const id of [1, 3, 5]) {
    await page.goto(`/stations/${id}/card`);
    await expect(page.getByRole('article', { name: 'door card' })).toBeVisible();
    await page.waitForLoadState('networkidle');
    expect(await printed(page)).toBe(1);
  }
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('banner')).toBeHidden();
  await expect(page.getByRole('contentinfo')).toBeHidden();
  await expect(page.getByRole('button', { name: 'print the card' })).toBeHidden();
});

test('the tape list is printed with the shaft and a box to tick for each float', async ({ page, request }) => {
  const id = await makeStation(request, 'Tape sump');
  await page.goto(`/stations/${id}/levels`);
  await page.getByRole('tab', { name: 'tape list' }).click();
  await expect(page.getByRole('button', { name: 'print the tape list' })).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('Test Yard, Tape sump: tape list')).toBeVisible();
  await expect(page.getByText('☐')).toHaveCount(2);
  // pump clip at 450 mm in a pit of 1200 mm, rim down; alarm clip at 750 mm, floor up
  await expect(page.locator('td', { hasText: /^750 mm$/ }).filter({ visible: true })).toHaveCount(1);
  await expect(page.locator('td', { hasText: /^clip 750 mm\s*tether 150 mm$/ }).filter({ visible: true })).toHaveCount(
    1,
  );
  expect(await printed(page)).toBe(1);
  await page.emulateMedia({ media: 'screen' });
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(page.getByText('Test Yard, Tape sump: tape list')).toHaveCount(0);
});

test('a rod float is set by its stops, in Survey and on the tape', async ({ page, request }) => {
  const id = await makeStation(request, 'Rod sump');
  await page.goto(`/stations/${id}/survey`);
  await choose(page, 'kind of pump float', 'slides on a rod');
  await expect(page.getByRole('textbox', { name: 'upper stop, floor up' })).toHaveValue('590');
  await expect(page.getByRole('textbox', { name: 'lower stop, floor up' })).toHaveValue('310');
  await page.getByRole('checkbox', { name: 'alarm float fitted' }).uncheck();
  await page.getByRole('link', { name: 'Levels' }).click();
  await expect(page.getByRole('button', { name: /time from alarm to overflow/ })).toContainText('not asked');
  const rod = page.getByRole('slider', { name: /float 1, pump/ });
  await rod.press('ArrowRight');
  await page.getByRole('tab', { name: 'tape list' }).click();
  await expect(page.getByRole('textbox', { name: 'upper stop' })).toHaveValue('605');
  await expect(page.getByRole('textbox', { name: 'lower stop' })).toHaveValue('890');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('textbox', { name: 'upper stop' })).toHaveValue('610');
});

test('another supply profile brings its voltage, and the plan expects it', async ({ page, request }) => {
  const id = await makeStation(request, 'Profile sump');
  await page.goto(`/stations/${id}/survey`);
  await choose(page, 'profile', '120 V 60 Hz, in');
  await expect(page.getByRole('textbox', { name: 'voltage', exact: true })).toHaveValue('120');
  await expect(page.getByRole('textbox', { name: 'depth', exact: true })).toHaveValue('47.2441"');
  await page.getByRole('link', { name: 'Prove' }).click();
  await expect(page.getByRole('article')).toContainText('120 V, within 10%');
});
