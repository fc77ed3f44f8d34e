import { expect, type APIRequestContext, type BrowserContext, type Page } from '@playwright/test';
import type { Station } from '../src/core/station';
import { makeStation, saveState, test, type } from './station';

/* At a pit without signal: what was taken along opens, what is written is kept on the device, and goes when the server answers. */

const outbox = (page: Page, state: string | RegExp) => page.getByRole('link', { name: state });
/** Names of this try’s own: a test that is tried again makes its station anew. */
const FAR = `Far sump ${process.pid}`;
const UNKNOWN = `Unknown pit ${process.pid}`;
const CARD = `Card sump ${process.pid}`;
const TWICE = `Twice sump ${process.pid}`;
const phoneSize = { viewport: { width: 390, height: 844 }, hasTouch: true };

async function takeAlong(page: Page, name: string): Promise<void> {
  await page.goto('/along');
  await page.getByRole('checkbox', { name: `take along: ${name}, Test Yard` }).check();
  await page.getByRole('button', { name: /^take along, about/ }).click();
  await expect(page.getByRole('button', { name: `leave ${name} behind` })).toBeVisible({ timeout: 60_000 });
}

/** Another page of the same device, the one before being closed. */
async function reopened(context: BrowserContext, before: Page, address: string): Promise<Page> {
  await before.close();
  const page = await context.newPage();
  await page.goto(address);
  return page;
}

const documentOf = async (request: APIRequestContext, id: number) =>
  (await (await request.get(`/api/stations/${id}/file`)).json()) as Station;

test('a phone at a pit without signal: taken along, worked, closed, opened again, sent', async ({
  browser,
  request,
}) => {
  test.setTimeout(300_000);
  const id = await makeStation(request, FAR);
  const context = await browser.newContext(phoneSize);
  let page = await context.newPage();
  await takeAlong(page, FAR);
  // The suspects are asked before anybody stands there.
  await expect(page.getByRole('listitem').filter({ hasText: FAR })).toContainText('Trace has its suspects', {
    timeout: 120_000,
  });
  await context.setOffline(true);

  // Every view opens on the device, and works.
  page = await reopened(context, page, `/stations/${id}/levels`);
  await expect(page.getByRole('link', { name: 'outbox: no signal' })).toBeVisible();
  for (const view of ['panel', 'rehearse', 'prove', 'trace', 'drill', 'book', 'card', 'survey']) {
    await page.goto(`/stations/${id}/${view}`);
    await expect(page.getByRole('navigation', { name: 'views' }).locator('[aria-current]')).toBeVisible();
  }
  // So does the course, and its benches.
  await page.goto('/learn?lesson=hums');
  await page.getByRole('button', { name: 'to the bench' }).tap();
  await page.getByRole('button', { name: /^ask the owner/ }).tap({ timeout: 30_000 });
  await expect(page.getByRole('list', { name: 'what it showed' })).toContainText('a pump hums');
  await page.goto(`/stations/${id}/survey`);
  await type(page, 'test hose', '0.42 L/s');
  await page.getByRole('button', { name: 'save' }).tap();
  await expect(outbox(page, 'outbox: no signal, 1 on this device only')).toBeVisible();

  // A run is begun and a finding entered.
  await page.goto(`/stations/${id}/prove`);
  await page.getByRole('textbox', { name: 'tested by' }).fill('R. T.');
  await page.getByRole('button', { name: /begin a run/ }).tap();
  await expect(page.getByRole('heading', { name: 'Isolate, lock, prove dead' })).toBeVisible({ timeout: 20_000 });
  await page.getByRole('textbox', { name: 'note' }).fill('lock box is empty');
  await page.getByRole('button', { name: 'not done', exact: true }).tap();
  await expect(page.getByRole('heading', { name: 'Bench test: pump float' })).toBeVisible();
  const begun = page.url();

  // A page of the book.
  await page.goto(`/stations/${id}/book`);
  await page.getByRole('textbox', { name: 'who', exact: true }).fill('R. T.');
  await page.getByRole('textbox', { name: 'seen, done, decided, used' }).fill('no signal down here');
  await page.getByRole('button', { name: 'write it in the book' }).tap();
  await expect(page.getByRole('list', { name: 'on this device only' })).toContainText('no signal down here');

  // The phone is switched off and on: nothing is gone.
  page = await reopened(context, page, begun);
  await page.getByRole('button', { name: '◂ step before' }).tap();
  await expect(page.getByRole('article')).toContainText('lock box is empty');
  await page.goto('/along');
  const acts = page.getByRole('list', { name: 'acts' }).getByRole('listitem');
  await expect(acts).toHaveCount(4);
  await expect(acts.first()).toContainText('on this device only');
  // A page that was not taken along says so, and leads on.
  await page.goto(`/stations/1/levels`, { waitUntil: 'commit' });
  await expect(page.getByRole('heading', { name: 'This page was not taken along' })).toBeVisible();

  // A pump that fails somewhere else: six taps make a station on the device, and its trace begins.
  await page.goto('/trace');
  await page.getByRole('textbox', { name: 'what the site is called' }).fill(UNKNOWN);
  await page.getByRole('button', { name: 'begin the trace' }).tap();
  await expect(page.getByRole('status', { name: 'save state' })).toHaveText('on this device only', { timeout: 20_000 });
  await page.getByRole('button', { name: 'Survey' }).tap();
  await type(page, 'note', 'drawn by eye');
  await page.getByRole('button', { name: 'Levels' }).tap();
  await expect(page.getByRole('status', { name: 'save state' })).toHaveText('on this device only');
  await page.goto('/');
  await page.getByRole('region', { name: 'on this device only' }).getByRole('link', { name: UNKNOWN }).tap();
  await page.getByRole('button', { name: 'Survey' }).tap();
  await expect(page.getByRole('textbox', { name: 'note' })).toHaveValue(/drawn by eye/);

  // Signal: all of it goes, in order, and what was begun is a run like any other.
  await page.goto(begun);
  await context.setOffline(false);
  await expect(page).toHaveURL(/\/prove\/\d+$/, { timeout: 30_000 });
  await expect(outbox(page, 'outbox: sent')).toBeVisible();
  await page.getByRole('button', { name: '◂ step before' }).tap();
  await expect(page.getByRole('article')).toContainText('lock box is empty');
  expect((await documentOf(request, id)).settings.hoseFlow).toBeCloseTo(0.00042, 9);
  const { pages } = (await (await request.get(`/api/stations/${id}/book`)).json()) as { pages: { page: object }[] };
  expect(pages.filter((p) => JSON.stringify(p.page).includes('no signal down here'))).toHaveLength(1);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const { stations } = (await (await request.get('/api/stations')).json()) as {
    stations: { id: number; name: string }[];
  };
  const unknown = stations.filter((s) => s.name === UNKNOWN);
  expect(unknown).toHaveLength(1);
  expect((await documentOf(request, unknown[0]!.id)).identity.note).toMatch(/drawn by eye/);
  await context.close();
});

test('a station edited on two devices without signal: both versions are told, and picked from field by field', async ({
  browser,
  request,
}) => {
  test.setTimeout(300_000);
  const id = await makeStation(request, TWICE);
  const contexts = [await browser.newContext(phoneSize), await browser.newContext()];
  const [first, second] = [await contexts[0]!.newPage(), await contexts[1]!.newPage()];
  for (const page of [first, second]) {
    await takeAlong(page, TWICE);
    await page.goto(`/stations/${id}/survey`);
  }
  for (const context of contexts) await context.setOffline(true);
  await type(first, 'test hose', '0.4 L/s');
  await type(first, 'note', 'first device');
  await type(second, 'test hose', '0.5 L/s');
  await type(second, 'least gap of trips', '90 mm');
  for (const page of [first, second]) {
    await page.getByRole('button', { name: 'save' }).click();
    await expect(outbox(page, 'outbox: no signal, 1 on this device only')).toBeVisible();
  }
  await contexts[1]!.setOffline(false);
  await expect(outbox(second, 'outbox: sent')).toBeVisible({ timeout: 20_000 });
  await expect(saveState(second)).toHaveText(/^saved/);
  await contexts[0]!.setOffline(false);
  const dialog = first.getByRole('dialog', { name: /saved elsewhere/ });
  await expect(dialog).toBeVisible({ timeout: 20_000 });
  // The dialog hides what is behind it from those who listen.
  await expect(first.locator('a[aria-label="outbox: 1 to look at"]')).toBeVisible();
  await expect(dialog.getByRole('button', { name: '3 to pick' })).toBeDisabled();
  await dialog
    .getByRole('group', { name: /^test hose/ })
    .getByRole('button', { name: 'mine' })
    .tap();
  await dialog.getByRole('group', { name: /^note/ }).getByRole('button', { name: 'mine' }).tap();
  await dialog
    .getByRole('group', { name: /^least gap/ })
    .getByRole('button', { name: 'theirs' })
    .tap();
  await dialog.getByRole('button', { name: 'save it so' }).tap();
  await expect(outbox(first, 'outbox: sent')).toBeVisible({ timeout: 20_000 });
  const { settings, identity } = await documentOf(request, id);
  expect([settings.hoseFlow, settings.minimumGap, identity.note.trim()]).toEqual([
    expect.closeTo(0.0004, 9),
    expect.closeTo(0.09, 9),
    'first device',
  ]);
  for (const context of contexts) await context.close();
});

test('a card that two devices work at without signal: both findings stand, and each is told of the other’s', async ({
  browser,
  request,
}) => {
  test.setTimeout(300_000);
  const id = await makeStation(request, CARD);
  const begun = await request.post(`/api/stations/${id}/runs`, { data: { tester: 'R. T.' } });
  const { run } = (await begun.json()) as { run: { id: number } };
  const contexts = [await browser.newContext(phoneSize), await browser.newContext()];
  const pages: Page[] = [];
  for (const context of contexts) {
    const page = await context.newPage();
    pages.push(page);
    await takeAlong(page, CARD);
    await page.goto(`/stations/${id}/prove/${run.id}`);
    await expect(page.getByRole('heading', { name: 'Isolate, lock, prove dead' })).toBeVisible();
    await context.setOffline(true);
  }
  for (const [n, page] of pages.entries()) {
    await page.getByRole('textbox', { name: 'note' }).fill(`seen by device ${n + 1}`);
    await page.getByRole('button', { name: 'not done', exact: true }).click();
    await expect(outbox(page, 'outbox: no signal, 1 on this device only')).toBeVisible();
  }
  for (const context of contexts) await context.setOffline(false);
  for (const page of pages) {
    await expect(outbox(page, 'outbox: sent')).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: '◂ step before' }).click();
    for (const n of [1, 2])
      await expect(page.getByRole('article')).toContainText(`seen by device ${n}`, { timeout: 30_000 });
  }
  for (const context of contexts) await context.close();
});
