import { expect } from '@playwright/test';
import { bellLine, choose, makeStation, type, test } from './station';

test('the line warns of frost and of a siphon, and says what each length of it does', async ({ page, request }) => {
  const id = await makeStation(request, 'Line sump', (s) => Object.assign(s.inflow.source, { low: 1e-6 }));
  await page.goto(`/stations/${id}/survey`);
  await type(page, 'in the open', '4 m');
  await expect(page.getByText(/freezes through/)).toBeVisible();
  await type(page, 'lasting frost', '2');
  await expect(page.getByText(/freezes through/)).toHaveCount(0);
  await page.getByRole('checkbox', { name: /high point above its outlet/ }).check();
  await type(page, 'high point', '4 m');
  await expect(page.getByText('static head, from start').locator('..')).toContainText('3.41');
  await page.getByRole('checkbox', { name: /vented there/ }).uncheck();
  await expect(page.getByText('static head, from start').locator('..')).toContainText('1.81');
  await type(page, 'outlet height', '0.1 m');
  await expect(page.getByText(/siphons on after the stop/)).toBeVisible();
  const line = page.getByRole('table', { name: 'the line' });
  await expect(line.getByRole('row', { name: /riser and run/ })).toContainText('12.00 m');
  await page.getByRole('button', { name: 'give it a riser of its own' }).click();
  await expect(line.getByRole('row', { name: /all of it/ })).toContainText('14.00 m');
  await expect(page.locator('.recharts-legend-item-text', { hasText: 'as printed' })).toBeVisible();
});

test('what stands in the pit is drawn from above and told when a float meets it', async ({ page, request }) => {
  const id = await makeStation(request, 'Plan sump');
  await page.goto(`/stations/${id}/survey`);
  const plan = page.getByRole('img', { name: 'the pit from above, to scale' });
  await expect(plan).toBeVisible();
  const shapes = await plan.locator('path').count();
  await page.getByRole('button', { name: 'add a post or pipe' }).click();
  await expect(plan.locator('path')).toHaveCount(shapes + 1);
  await type(page, 'post or pipe', 'guide rail');
  const post = page.locator('#plan');
  await post.getByRole('textbox', { name: 'at', exact: true }).fill('10');
  await post.getByRole('textbox', { name: 'at', exact: true }).press('Enter');
  await page.getByRole('link', { name: 'Levels' }).click();
  await expect(page.getByRole('button', { name: /floats swing free/ })).toContainText('broken');
  await page.getByRole('button', { name: /floats swing free/ }).click();
  await expect(page.getByText(/touches guide rail/)).toBeVisible();
  await page.getByRole('link', { name: 'Survey' }).click();
  await page.getByRole('button', { name: 'remove guide rail' }).click();
  await page.getByRole('checkbox', { name: 'the inlet falls free into the pit' }).check();
  await expect(page.getByRole('textbox', { name: 'stream, across' })).toHaveValue('100');
  await expect(bellLine(page)).toContainText('rules hold');
});

test('floats of the same trips, and contacts the wrong way, are told before anything is wired', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Crossed sump');
  await page.goto(`/stations/${id}/survey`);
  await page
    .getByRole('group', { name: 'floats that run the pump' })
    .getByRole('button', { name: 'stop and lead floats' })
    .click();
  const lead = page.getByRole('region', { name: 'lead float' });
  const stop = page.getByRole('region', { name: 'stop float' });
  const clip = await stop.getByRole('textbox', { name: 'clip, floor up' }).inputValue();
  await lead.getByRole('textbox', { name: 'clip, floor up' }).fill(clip);
  await lead.getByRole('textbox', { name: 'clip, floor up' }).press('Enter');
  await choose(page, 'duty', 'to be kept full: header or storage tank');
  await choose(page, 'duty', 'to be kept empty: sump, ejector, grinder');
  await choose(lead, 'contact', 'opens on rise (NC hanging)');
  await expect(page.getByText(/would run the pump dry and stop it as the water comes/).first()).toBeVisible();
});

test('the firm’s own figures are kept from a station, begun with by a new one, and taken by an old one', async ({
  page,
  request,
}) => {
  const [id, older] = [await makeStation(request, 'Firm sump'), await makeStation(request, 'Older firm sump')];
  await page.goto(`/stations/${id}/survey`);
  await type(page, 'test hose', '0.42 L/s');
  // Its own table of what copper carries goes with them.
  await page.getByRole('link', { name: 'Panel' }).click();
  await page.getByRole('tab', { name: 'checks' }).click();
  const copper = page.getByRole('region', { name: 'what copper carries' });
  await copper.getByRole('button', { name: 'a table of the firm’s own' }).click();
  await type(page, '2.5 mm²', '17 A');
  await copper.getByRole('button', { name: 'let the runs carry what the table says' }).click();
  await expect(page.getByRole('textbox', { name: 'feeder carries' })).toHaveValue('17');
  await expect(page.getByText(/the firm’s own, 70 °C, at 30 °C: typical; your code governs/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Survey' }).click();
  await page.getByRole('button', { name: 'make these the firm’s' }).click();
  await expect(page.getByText(/These are the firm’s figures/)).toBeVisible();
  await page.goto('/');
  await page.getByRole('button', { name: 'new station' }).click();
  await page.getByRole('textbox', { name: 'name' }).fill('Newer firm sump');
  await page.getByRole('combobox', { name: 'site' }).fill('Test Yard');
  await page.getByRole('button', { name: 'make it' }).click();
  const hose = page.getByRole('textbox', { name: 'test hose', exact: true });
  await expect(hose).toHaveValue('0.42');
  await page.getByRole('link', { name: 'Panel' }).click();
  await page.getByRole('tab', { name: 'checks' }).click();
  await expect(page.getByRole('textbox', { name: '2.5 mm²' })).toHaveValue('17');
  await page.goto(`/stations/${older}/survey`);
  await expect(hose).toHaveValue('0.3');
  await page.getByRole('button', { name: 'take the firm’s' }).click();
  await expect(hose).toHaveValue('0.42');
});
