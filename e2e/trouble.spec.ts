import { expect } from '@playwright/test';
import { exampleStation } from '../src/core/starting';
import { newStation, type Station } from '../src/core/station';
import { float, makeStation, save, saveState, type, test } from './station';

test('a save made from an old revision is refused with both versions, and nothing is overwritten', async ({
  browser,
  request,
}) => {
  const id = await makeStation(request, 'Stale sump');
  const [mine, theirs] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  for (const page of [mine, theirs]) await page.goto(`/stations/${id}/levels`);
  await float(theirs, 'pump').press('ArrowUp');
  await save(theirs);
  await float(mine, 'alarm').press('ArrowUp');
  await mine.keyboard.press('Control+s');
  const dialog = mine.getByRole('dialog', { name: /saved elsewhere/ });
  await expect(dialog).toContainText(/pump float: .*450 mm → 455 mm/);
  await expect(dialog).toContainText(/alarm float: .*755 mm → 750 mm/);
  await dialog.getByRole('button', { name: 'decide later' }).click();
  await expect(saveState(mine)).toHaveText('not yet saved');
  await mine.keyboard.press('Control+s');
  const download = mine.waitForEvent('download');
  await dialog.getByRole('button', { name: 'take theirs, download mine' }).click();
  expect((await download).suggestedFilename()).toBe('stale-sump-mine.json');
  await expect(float(mine, 'pump')).toHaveAttribute('aria-valuenow', '455');
  await expect(float(mine, 'alarm')).toHaveAttribute('aria-valuenow', '750');
  await expect(saveState(mine)).toHaveText(/^saved/);
});

test('unsaved work outlives a closed tab, and a server that does not answer', async ({ page, request }) => {
  const id = await makeStation(request, 'Draft sump');
  await page.goto(`/stations/${id}/levels`);
  await float(page, 'pump').press('ArrowUp');
  await page.route('**/api/stations/*', (route) => route.abort());
  await page.keyboard.press('Control+s');
  await expect(page.getByText(/Saved on this device only: the server does not answer/)).toBeVisible();
  await page.reload();
  await expect(float(page, 'pump')).toHaveAttribute('aria-valuenow', '455');
  await expect(saveState(page)).toHaveText('on this device only');
  await expect(page.getByRole('link', { name: 'outbox: 1 on this device only' })).toBeVisible();
  // It goes by itself when the server answers.
  await page.unroute('**/api/stations/*');
  await page.reload();
  await expect(saveState(page)).toHaveText(/^saved/);
  await page.reload();
  await expect(float(page, 'pump')).toHaveAttribute('aria-valuenow', '455');
  await expect(saveState(page)).toHaveText(/^saved/);
});

test('what stands in a field is never lost: reload, another view, Back; saving enters it, or says which field it is', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Typed sump');
  await page.goto(`/stations/${id}/survey`);
  const field = (name: string) => page.getByRole('textbox', { name, exact: true }).first();
  await field('diameter').fill('950');
  await field('overflow').fill('1,250');
  await page.reload();
  await expect(field('diameter')).toHaveValue('950');
  await expect(field('overflow')).toHaveValue('1,250');
  await expect(page.getByText(/could be 1\.250 or 1250/)).toBeVisible();
  await page.getByRole('link', { name: 'Levels' }).click();
  await expect(page.getByText(/“1,250” is not in the document yet/)).toBeVisible();
  await page.keyboard.press('Control+s');
  await expect(page.getByText(/Not saved: vessel.overflow: “1,250” could not be entered/)).toBeVisible();
  await page.goBack();
  await expect(field('overflow')).toHaveValue('1,250');
  await field('overflow').fill('1100');
  await page.keyboard.press('Control+s');
  await expect(saveState(page)).toHaveText(/^saved/);
  const kept = (await (await request.get(`/api/stations/${id}/file`)).json()) as Station;
  expect([kept.vessel.overflow, (kept.vessel.shape as { diameter: number }).diameter]).toEqual([1.1, 0.95]);
});

test('two tabs know of each other: neither drops the other’s work, and a clean one follows what is saved', async ({
  page,
  context,
  request,
}) => {
  const id = await makeStation(request, 'Shared sump');
  await page.goto(`/stations/${id}/levels`);
  const other = await context.newPage();
  await other.goto(`/stations/${id}/levels`);
  await expect(other.getByText('open in another tab too')).toBeVisible();
  await float(page, 'pump').press('ArrowUp');
  await save(page);
  await expect(float(other, 'pump')).toHaveAttribute('aria-valuenow', '455');
  await float(page, 'pump').press('ArrowUp');
  await float(other, 'alarm').press('ArrowUp');
  await save(page);
  await expect(other.getByText(/was saved in another tab/)).toBeVisible();
  await expect(float(other, 'alarm')).toHaveAttribute('aria-valuenow', '755');
  await expect(saveState(other)).toHaveText('not yet saved');
  await other.reload();
  await expect(float(other, 'alarm')).toHaveAttribute('aria-valuenow', '755');
  await other.keyboard.press('Control+s');
  await expect(other.getByRole('dialog', { name: /saved elsewhere/ })).toBeVisible();
});

test('a browser whose storage is full goes on, and says that nothing is kept', async ({ page, request }) => {
  const id = await makeStation(request, 'Full sump');
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await page.goto(`/stations/${id}/levels`);
  await float(page, 'pump').press('ArrowUp');
  await expect(saveState(page)).toHaveText(/not kept in this browser, whose storage is full/);
  await save(page);
});

test('what cannot be read of what was kept is set aside and offered', async ({ page, request }) => {
  const id = await makeStation(request, 'Aside sump');
  await page.goto(`/stations/${id}/levels`);
  await page.evaluate(
    (n) => localStorage.setItem(`pitbell.draft.${n}`, '{"base": 1, "document": {"version": 99}}'),
    id,
  );
  await page.reload();
  const aside = page.getByText(/cannot be read by this version; it is set aside/);
  await expect(aside).toBeVisible();
  await float(page, 'pump').press('ArrowUp');
  await expect(saveState(page)).toHaveText('not yet saved');
  await page.reload();
  await expect(aside).toBeVisible();
  await page.getByRole('button', { name: 'throw it away' }).click();
  await expect(aside).toHaveCount(0);
});

test('no false “saved elsewhere” against oneself: twice at once, after a lost answer, and after Back', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Once sump');
  await page.goto(`/stations/${id}/levels`);
  await float(page, 'pump').press('ArrowUp');
  await page.keyboard.press('Control+s');
  await page.keyboard.press('Control+s');
  await expect(page.getByText('Saved as revision 2')).toBeVisible();
  // The server saves, and its answer is lost on the way; then something more is typed.
  let lose = true;
  await page.route('**/api/stations/*', async (route) => {
    if (!lose) return route.continue();
    lose = false;
    await route.fetch();
    await route.abort();
  });
  await float(page, 'pump').press('ArrowUp');
  await page.keyboard.press('Control+s');
  await expect(page.getByText(/Saved on this device only: the server does not answer/)).toBeVisible();
  await float(page, 'pump').press('ArrowUp');
  await save(page);
  await expect(page.getByText('Saved as revision 4')).toBeVisible();
  await page.getByRole('link', { name: 'Pit Bell' }).click();
  await expect(page.getByRole('region', { name: 'Test Yard' })).toBeVisible();
  await page.goBack();
  await expect(float(page, 'pump')).toHaveAttribute('aria-valuenow', '465');
  await float(page, 'pump').press('ArrowUp');
  await save(page);
  await expect(page.getByText('Saved as revision 5')).toBeVisible();
});

test('what cannot be read or contradicts itself is said at its field, and is not saved', async ({ page, request }) => {
  const id = await makeStation(request, 'Wrong sump');
  await page.goto(`/stations/${id}/survey`);
  await type(page, 'diameter', '0');
  await expect(page.getByText('the diameter must be more than zero').first()).toBeVisible();
  await type(page, 'diameter', '1,250');
  await expect(page.getByText(/could be 1\.250 or 1250/)).toBeVisible();
  await type(page, 'diameter', '800 mm');
  await type(page, 'tether', '3 m');
  await page.keyboard.press('Control+s');
  await expect(page.getByText(/Not saved: sensors/)).toBeVisible();
  await expect(page.getByText(/longer than the pit/).first()).toBeVisible();
  await expect(saveState(page)).toHaveText('not yet saved');
  const kept = (await (await request.get(`/api/stations/${id}/file`)).json()) as Station;
  expect(kept).toEqual(exampleStation('Wrong sump', 'Test Yard', 'metric-230', 'empty'));
});

test('a pump curve is read from CSV in any order of columns, pasted, or refused row by row', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Curve sump');
  await page.goto(`/stations/${id}/survey`);
  const csv = (text: string) =>
    page.getByLabel('curve file').setInputFiles({ name: 'curve.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const head = (n: number) => page.getByRole('textbox', { name: `head ${n}`, exact: true });
  await csv('Head (ft);Flow (gpm)\n30;0\n20;30\n5;60\n');
  await expect(head(3)).toHaveValue('1.524');
  await expect(head(4)).toHaveCount(0);
  await csv('flow,head\n0,9\n1,x\n');
  await expect(page.getByText(/The curve was not changed.*row 3/)).toBeVisible();
  await expect(head(3)).toHaveValue('1.524');
  await csv('flow,head\n0,9\n1,7\n2,8\n');
  await expect(page.getByText(/rises or crosses at point 3/).first()).toBeVisible();
  await head(1).focus();
  await page.evaluate(() => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', '0\t10\n2\t8\n4\t5\n5\t2\n');
    document.activeElement!.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
    );
  });
  await expect(head(4)).toHaveValue('2');
  await page
    .getByLabel('curve file')
    .setInputFiles({ name: 'big.csv', mimeType: 'text/csv', buffer: Buffer.alloc(2 * 1024 * 1024, '1') });
  await expect(page.getByText(/big\.csv is 2 MB/)).toBeVisible();
});

test('a broken, foreign or huge file is refused with every problem by path, and nothing changes', async ({
  page,
  request,
}) => {
  await page.goto('/');
  const bring = (name: string, content: string | Buffer) =>
    page.getByLabel('station file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  const refused = page.getByRole('dialog', { name: /was not imported/ });
  const spoilt = newStation('Spoilt', 'Test Yard', 'metric-230');
  spoilt.vessel.overflow = 4;
  Object.assign(spoilt.inflow.source, { low: 1 });
  await bring('spoilt.json', JSON.stringify(spoilt));
  await expect(refused.getByRole('listitem')).toHaveText([
    /vessel\.overflow: .*above the rim/,
    /inflow\.source\.design: .*less than the low/,
  ]);
  await refused.getByRole('button', { name: 'close' }).click();
  await bring('other.json', '{"hello": "world"}');
  await expect(refused).toContainText('format: this is not a Pit Bell station file');
  await refused.getByRole('button', { name: 'close' }).click();
  await bring('huge.json', Buffer.alloc(3 * 1024 * 1024, ' '));
  await expect(refused).toContainText('is 3 MB');
  await page.reload();
  await expect(page.getByRole('region', { name: 'Skerry Landing' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Spoilt' })).toHaveCount(0);
  const answer = await request.post('/api/stations', {
    data: Buffer.alloc(2 * 1024 * 1024 + 1, ' '),
    headers: { 'content-type': 'application/json' },
  });
  expect(answer.status()).toBe(413);
});

for (const address of [
  '/stations/999',
  '/stations/abc/levels',
  '/stations/1e1',
  '/stations/1/prove/77',
  '/stations/1/nowhere',
  '/stations/-1/survey',
]) {
  test(`a hand-edited address says so and leads back: ${address}`, async ({ page }) => {
    const answer = await page.goto(address);
    expect(answer!.status()).toBe(404);
    await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
    await page.getByRole('link', { name: 'Back to Round' }).click();
    await expect(page.getByRole('region', { name: 'Skerry Landing' })).toBeVisible();
  });
}

test('what was found stays, though the run is sent to again by hand', async ({ request }) => {
  const id = await makeStation(request, 'Kept sump');
  const { run } = (await (await request.post(`/api/stations/${id}/runs`, { data: { tester: 'A. B.' } })).json()) as {
    run: { id: number };
  };
  const entry = { stepId: 'bench-pump', verdict: 'fail', found: { hanging: false }, note: 'welded' };
  expect((await request.post(`/api/runs/${run.id}/entries`, { data: entry })).status()).toBe(201);
  expect((await request.put(`/api/runs/${run.id}/entries`, { data: entry })).status()).toBe(405);
  expect((await request.post(`/api/runs/${run.id}/entries`, { data: { ...entry, verdict: 'maybe' } })).status()).toBe(
    422,
  );
  expect((await request.post(`/api/stations/${id}/runs`, { data: { tester: '' } })).status()).toBe(422);
});
