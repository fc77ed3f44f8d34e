import { expect } from '@playwright/test';
import { makeStation, save, test, type } from './station';

test('every figure of a new station is assumed until it is typed or confirmed; rules and papers say which matter most', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Assumed sump');
  await page.goto(`/stations/${id}/survey`);
  const vessel = page.getByRole('region', { name: 'Vessel' });
  await expect(vessel).toContainText('4 of 4 figures assumed');
  await expect(page.getByRole('note')).toContainText(
    /^60 of the 60 figures taken on site are assumed.*measured first:/,
  );
  // Typed: another value, or the same again.
  await type(page, 'overflow', '1160');
  await expect(vessel).toContainText('3 of 4 figures assumed');
  const depth = vessel.getByRole('textbox', { name: 'depth', exact: true });
  await expect(depth).toHaveAccessibleDescription(/^assumed/);
  await depth.press('Enter');
  await expect(vessel).toContainText('2 of 4 figures assumed');
  await expect(depth).not.toHaveAccessibleDescription(/assumed/);
  await page.getByRole('button', { name: 'all of it is as on site: Vessel' }).click();
  await expect(vessel).not.toContainText('assumed');
  await save(page);
  await page.getByRole('link', { name: 'Levels' }).click();
  await expect(page.getByRole('note')).toContainText('56 of the 60');
  await page.getByRole('button', { name: /^water over the pump at stop/ }).click();
  await expect(page.getByText(/Rests on figures that nobody confirmed.*tenth more or less/)).toBeVisible();
  await page.goto(`/stations/${id}/card`);
  await expect(page.getByRole('article', { name: 'door card' })).toContainText(/56 of the 60 figures.*measured first:/);
  await page.goto(`/stations/${id}/panel`);
  await page.getByRole('tab', { name: 'readings' }).click();
  await expect(page.getByRole('note')).toContainText('loop at the board');
});
