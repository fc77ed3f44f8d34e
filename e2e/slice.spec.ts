import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { CURRENT_VERSION } from '../src/core/station';
import { bellLine, choose, float, save, saveState, type, test } from './station';

test('one simple job, from the tape measure to a proven pump', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('region', { name: 'Skerry Landing' }).getByRole('link')).toHaveCount(10);
  await expect(page.getByRole('img', { name: 'shaft of Crew-boat workshop sump' })).toBeVisible();

  await test.step('make a station', async () => {
    await page.getByRole('button', { name: 'new station' }).click();
    await page.getByRole('button', { name: 'make it' }).click();
    await expect(page.getByText('needs a name')).toBeVisible();
    await page.getByRole('textbox', { name: 'name' }).fill('Boiler room sump');
    await page.getByRole('combobox', { name: 'site' }).fill('Test Yard');
    await page.getByRole('button', { name: 'make it' }).click();
    await expect(page).toHaveURL(/\/stations\/\d+\/survey$/);
  });

  await test.step('survey, in inches and in millimetres', async () => {
    await choose(page, 'shape', 'box');
    await type(page, 'length', '1 m');
    await type(page, 'width', `2' 6"`);
    await type(page, 'depth', '42 1/2 in');
    await expect(page.getByRole('textbox', { name: 'width', exact: true })).toHaveValue('762');
    await expect(page.getByRole('textbox', { name: 'depth', exact: true })).toHaveValue('1079.5');
    await expect(page.getByRole('textbox', { name: 'overflow', exact: true })).toHaveAttribute('aria-invalid', 'true');
    await expect(bellLine(page)).toContainText('not judged');
    await type(page, 'overflow', '1050');
    await expect(bellLine(page)).toContainText('rules hold');
    await type(page, 'whom to call when the alarm acts', 'the caretaker, extension 3');
  });

  await test.step('levels', async () => {
    await page.getByRole('link', { name: 'Levels' }).click();
    await page.getByRole('tab', { name: 'tape list' }).click();
    const row = page.getByRole('table', { name: 'tape list' }).getByRole('row', { name: /1 pump/ });
    await expect(row).toContainText('450 mm');
    await float(page, 'pump').press('ArrowUp');
    await expect(row).toContainText('455 mm');
    await expect(row.getByRole('textbox', { name: 'clip' })).toHaveValue('624.5');
    await float(page, 'pump').press('Shift+ArrowUp');
    await expect(row).toContainText('505 mm');
    await page.keyboard.press('Control+z');
    await expect(row).toContainText('455 mm');
    await page.keyboard.press('Control+Shift+z');
    await expect(row).toContainText('505 mm');
    await page.keyboard.press('Control+z');
    await save(page);
  });

  await test.step('prove', async () => {
    await page.getByRole('link', { name: 'Prove' }).click();
    await page.getByRole('textbox', { name: 'tested by' }).fill('A. B.');
    await page.getByRole('button', { name: 'begin a run of revision 2' }).click();
    await expect(page).toHaveURL(/\/prove\/\d+$/);
    await expect(page.getByRole('heading', { name: 'Isolate, lock, prove dead' })).toBeVisible();
    await page.getByRole('textbox', { name: 'found: known source, before' }).fill('231');
    await page.getByRole('textbox', { name: 'found: outlet' }).fill('0.1');
    await page.getByRole('textbox', { name: 'found: known source, after' }).fill('230');
    await page.getByRole('button', { name: 'pass', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Bench test: pump float' })).toBeVisible();
    await page.getByRole('group', { name: 'found: hanging' }).getByRole('button', { name: 'not so' }).click();
    await page.getByRole('button', { name: 'pass', exact: true }).click();
    await expect(page.getByText('say why in the note')).toBeVisible();
    await page.getByRole('textbox', { name: 'note' }).fill('contact welded');
    await page.getByRole('button', { name: 'fail', exact: true }).click();
    await expect(page.getByRole('region', { name: 'entered' })).toContainText('“contact welded”');
    await page.reload();
    await page
      .getByRole('list', { name: 'steps' })
      .getByRole('button', { name: /Bench test: pump float/ })
      .click();
    await expect(page.getByRole('region', { name: 'entered' })).toContainText('fail');
    await page
      .getByRole('list', { name: 'steps' })
      .getByRole('button', { name: /Fill until the pump is called/ })
      .click();
    // 1 m × 762 mm of box between the trips of an arm of 200 mm at ±45°: 0.762 · 0.2828 m = 215.5 L
    await expect(page.getByRole('article')).toContainText('216 L, within 17%');
  });

  await test.step('door card, on the screen and as PDF', async () => {
    await page.getByRole('link', { name: 'Door card' }).click();
    const card = page.getByRole('article', { name: 'door card' });
    await expect(card).toContainText('the caretaker, extension 3');
    await expect(card).toContainText('revision 2');
    const pdf = await page.request.get((await page.getByRole('link', { name: 'PDF' }).getAttribute('href'))!);
    expect(pdf.headers()['content-type']).toBe('application/pdf');
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  });
});

test('a station goes out as a file and comes in elsewhere with the same numbers', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Washroom ejector pit/ }).click();
  const figures = page.getByRole('list', { name: 'rules, tightest first' });
  const before = await figures.innerText();
  await page.getByRole('link', { name: 'Door card' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'station file' }).click();
  const file = await (await download).path();
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({
    format: 'pit-bell/station',
    version: CURRENT_VERSION,
  });

  await page.goto('/');
  await page
    .getByLabel('station file')
    .setInputFiles({ name: 'pit.json', mimeType: 'application/json', buffer: readFileSync(file) });
  await expect(page).toHaveURL(/\/stations\/\d+\/levels$/);
  expect(await figures.innerText()).toBe(before);
});

test('floats are dragged on the tape; a drag is one step to undo, and Escape gives it up', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Crew-boat workshop sump/ }).click();
  const pump = float(page, 'pump');
  const start = Number(await pump.getAttribute('aria-valuenow'));
  const box = (await pump.locator('.float').boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const drag = async () => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 10; i++) await page.mouse.move(x, y - i * 6);
  };
  await drag();
  await page.mouse.up();
  const raised = Number(await pump.getAttribute('aria-valuenow'));
  expect(raised).toBeGreaterThan(start + 50);
  expect(raised % 5).toBe(0);
  await expect(saveState(page)).toHaveText('not yet saved');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(pump).toHaveAttribute('aria-valuenow', String(start));
  await expect(saveState(page)).toHaveText(/^saved/);
  await drag();
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(pump).toHaveAttribute('aria-valuenow', String(start));
});

test('a rule and the shaft answer each other', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Battery room sump/ }).click();
  await expect(bellLine(page)).toContainText('1 broken');
  await page.getByRole('button', { name: /water over the pump at stop/ }).hover();
  await expect(page.locator('g.pointed')).not.toHaveCount(0);
  await page.getByRole('button', { name: /water over the pump at stop/ }).click();
  await expect(page.getByText(/short by 2 11\/16"/)).toBeVisible();
  await float(page, 'pump').focus();
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(bellLine(page)).toContainText('0 broken');
});
