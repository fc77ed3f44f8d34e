import { expect } from '@playwright/test';
import { makeStation, test } from './station';

test('what was saved before is opened beside today’s, had as a file, and taken into the editor to be saved anew', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Revised sump');
  const file = async (revision?: number) =>
    (await (await request.get(`/api/stations/${id}/file${revision ? `?revision=${revision}` : ''}`)).json()) as {
      identity: { name: string };
      vessel: { overflow: number };
    };
  const first = await file();
  const changed = { ...first, vessel: { ...first.vessel, overflow: first.vessel.overflow - 0.05 } };
  const saved = await request.put(`/api/stations/${id}`, { data: { base: 1, document: changed } });
  expect(saved.status()).toBe(200);
  await page.goto(`/stations/${id}/book`);
  await page.getByRole('link', { name: 'revisions of the station' }).click();
  const second = page.getByRole('listitem', { name: 'revision 2' });
  await expect(second).toContainText('as it is now');
  await expect(second.getByText(/overflow/)).toBeVisible();
  const old = page.getByRole('listitem', { name: 'revision 1' });
  await expect(old).toContainText('as it was first kept');
  await old.getByRole('button', { name: 'beside today’s' }).click();
  await expect(old.getByText(/overflow/)).toBeVisible();
  // Any two of them, whichever is picked first.
  await second.getByLabel('revision 2 beside').selectOption('1');
  await expect(second.getByText('from revision 1 to revision 2')).toBeVisible();
  expect((await file(1)).vessel.overflow).toBeCloseTo(first.vessel.overflow, 9);
  expect((await request.get(`/api/stations/${id}/file?revision=9`)).status()).toBe(404);
  expect((await request.get(`/api/stations/${id}/file?revision=x`)).status()).toBe(404);
  await old.getByRole('button', { name: 'take it into the editor' }).click();
  await expect(page).toHaveURL(/\/levels$/);
  await page.getByRole('button', { name: 'save', exact: true }).click();
  await expect.poll(async () => (await file()).vessel.overflow).toBeCloseTo(first.vessel.overflow, 9);
  expect((await file(2)).vessel.overflow).toBeCloseTo(changed.vessel.overflow, 9);
});

test('a station goes into the archive and the bin, is out of Round, and is brought back', async ({ page, request }) => {
  const id = await makeStation(request, 'Resting sump');
  await page.goto(`/stations/${id}/survey`);
  await page.getByRole('button', { name: 'put it into the archive' }).click();
  const bar = page.getByRole('note', { name: 'where this station rests' });
  await expect(bar).toContainText('In the archive since');
  await page.getByRole('button', { name: 'delete this station' }).click();
  await expect(bar).toContainText('In the archive');
  await page.getByRole('button', { name: /delete it: thirty days in the bin/ }).click();
  await expect(bar).toContainText('then gone for good');
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Archive and bin' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Resting sump' })).toBeHidden();
  await page.getByRole('link', { name: 'Archive and bin' }).click();
  await page.getByRole('button', { name: 'bring Resting sump back' }).click();
  await expect(page.getByRole('button', { name: 'bring Resting sump back' })).toBeHidden();
  await page.goto(`/stations/${id}/levels`);
  await expect(bar).toBeHidden();
});
