import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { bellLine, choose, makeStation, save, type, test } from './station';

test('every shape of vessel is surveyed, drawn and judged', async ({ page, request }) => {
  const id = await makeStation(request, 'Shape sump');
  await page.goto(`/stations/${id}/survey`);
  const holds = page.getByText('pit to the overflow').locator('..');
  for (const [choice, field, value] of [
    ['round, tapered', 'diameter at the rim', '1 m'],
    ['cylinder lying on its side', 'length', '2 m'],
    ['sections on one another', 'diameter 2', '1 m'],
  ] as const) {
    await choose(page, 'shape', choice);
    const before = await holds.innerText();
    await type(page, field, value);
    await expect(holds).not.toHaveText(before);
    await expect(bellLine(page)).toContainText('rules hold');
  }
  await page.getByRole('group', { name: 'shape of section 2' }).getByRole('button', { name: 'box' }).click();
  await expect(page.getByRole('textbox', { name: 'width 2' })).toHaveValue('1000');
  await page.getByRole('button', { name: 'add a section on top' }).click();
  await type(page, 'height 3', '300');
  await expect(page.getByRole('img', { name: 'the vessel from above and cut, to scale' })).toBeVisible();
  await page.getByRole('button', { name: 'add equipment that displaces water' }).click();
  await type(page, 'takes up', '900');
  await expect(page.getByText(/no room for water is left there/).first()).toBeVisible();
  await type(page, 'takes up', '12');
  await expect(bellLine(page)).toContainText('rules hold');
  await save(page);
  const kept = (await (await request.get(`/api/stations/${id}/file`)).json()) as {
    vessel: { shape: { sections: unknown[] }; displacement: { volume: number }[] };
  };
  expect(kept.vessel.shape.sections).toHaveLength(3);
  expect(kept.vessel.displacement[0]!.volume).toBeCloseTo(0.012, 9);
});

test('a depth table is read from CSV, written to CSV, and refused when it goes down', async ({ page, request }) => {
  const id = await makeStation(request, 'Pond');
  await page.goto(`/stations/${id}/survey`);
  await choose(page, 'shape', 'table of height and area');
  const csv = (text: string) =>
    page
      .getByLabel('depth table file')
      .setInputFiles({ name: 'pond.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await csv('area (m2),height (mm)\n0.4,0\n0.6,500\n1.1,1250\n');
  await expect(page.getByRole('textbox', { name: 'area 3' })).toHaveValue('1.1');
  await expect(page.getByRole('textbox', { name: 'at height 3' })).toHaveValue('1250');
  await expect(bellLine(page)).toContainText('rules hold');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'write the depths as CSV' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('pond-depths.csv');
  expect(readFileSync(await file.path(), 'utf8').split(/\r?\n/)).toEqual([
    'height (mm),area (m²)',
    '0,0.4',
    '500,0.6',
    '1250,1.1',
  ]);
  await csv('height,area\n0,1\n900,2\n600,2\n1300,2\n');
  await expect(page.getByText(/a depth table runs from the floor up/).first()).toBeVisible();
  await csv('depth,pressure\n1,2\n');
  await expect(page.getByText(/The depth table was not changed.*no column is headed “area”/)).toBeVisible();
});

test('pipe friction by either school, and a float’s range as it was measured', async ({ page, request }) => {
  const id = await makeStation(request, 'School sump');
  await page.goto(`/stations/${id}/survey`);
  const delivers = page.getByText('delivers, at start').locator('..');
  await expect(delivers).toContainText('2.86');
  await choose(page, 'friction by', 'Hazen–Williams');
  await expect(delivers).not.toContainText('2.86');
  await type(page, 'C', '70');
  await expect(delivers).toContainText(/2\.[0-6]/);
  await choose(page, 'as for', 'plastic, drawn');
  await expect(page.getByRole('textbox', { name: 'C', exact: true })).toHaveValue('150');
  await choose(page, 'friction by', 'Darcy–Weisbach');
  await expect(delivers).toContainText('2.86');
  await type(page, 'head, at most', '50');
  await expect(page.getByText(/its maker allows 50%/)).toBeVisible();

  await page
    .getByRole('region', { name: 'pump float' })
    .getByRole('checkbox', { name: /^range is measured/ })
    .check();
  await type(page, 'measured, below clip', '160');
  await expect(bellLine(page)).toContainText('1 broken');
  await page.getByRole('link', { name: 'Levels' }).click();
  await page.getByRole('tab', { name: 'tape list' }).click();
  await expect(page.getByRole('row', { name: /1 pump/ })).toContainText('measured');
  await expect(page.getByRole('row', { name: /2 alarm/ })).not.toContainText('measured');
});
