import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { choose, makeStation, taken } from './station';

const open = (page: Page, id: number) => page.goto(`/stations/${id}/rehearse`);
const time = (page: Page) => page.getByRole('slider', { name: 'time', exact: true });
const events = (page: Page) => page.getByRole('list', { name: 'events' });
const learnt = (page: Page) => page.getByRole('group', { name: 'what it comes to' });

test('a day runs by itself: starts, why, and the cursor moves the water in the shaft', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Rehearsed sump'));
  await expect(events(page)).toContainText('pump 1 starts: pump float lifted at 591 mm; inflow', { timeout: 20_000 });
  await expect(learnt(page)).toContainText('rules say at most');
  await time(page).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(time(page)).not.toHaveAttribute('aria-valuenow', '0');
  await events(page).getByRole('button').nth(2).click();
  await expect(time(page)).not.toHaveAttribute('aria-valuenow', String(Math.round(86400 / 20)));
});

test('the rehearsal can be read by everyone', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Read rehearsal'));
  await expect(time(page)).toBeVisible({ timeout: 20_000 });
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']).analyze();
  expect(violations.map((v) => `${v.id} ${v.nodes[0]?.target}`)).toEqual([]);
});

test('a power cut is dragged onto the axis: the bell rings, water runs over, and it is taken away again', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Cut sump'));
  await expect(time(page)).toBeVisible({ timeout: 20_000 });
  const lane = (await page.locator('[data-lane="power"]').boundingBox())!;
  await page.mouse.move(lane.x + lane.width * 0.2, lane.y + lane.height / 2);
  await page.mouse.down();
  await page.mouse.move(lane.x + lane.width * 0.6, lane.y + lane.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(events(page)).toContainText('power fails');
  await expect(events(page)).toContainText('overflow:');
  await page.getByRole('button', { name: 'remove power cut 1' }).click();
  await expect(events(page)).not.toContainText('power fails');
  await page.getByRole('button', { name: 'cut power for an hour' }).click();
  await expect(events(page)).toContainText('power is back');
  await page.getByRole('button', { name: 'remove power cut 1' }).click();
  await expect(events(page)).not.toContainText('power fails');
});

test('a fault is put in at the cursor; scenario and events go out; a bad scenario is refused and nothing is lost', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Faulty sump'));
  await expect(time(page)).toBeVisible({ timeout: 20_000 });
  await choose(page, 'add a fault', 'pump float stuck down');
  await expect(events(page)).toContainText('fault: pump float stuck down');
  await expect(events(page)).toContainText('the horn sounds');
  const scenario = await taken(page, 'take out');
  expect(JSON.parse(scenario.text)).toMatchObject({ format: 'pit-bell/scenario', faults: [{ id: 'pump-stuck-down' }] });
  const rows = await taken(page, 'events CSV');
  expect(rows.text).toContain('fault: pump float stuck down');
  const bring = (text: string) => page.getByLabel('scenario file').setInputFiles({ name: 'flood.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await bring(JSON.stringify({ ...JSON.parse(scenario.text), duty: 'fill' }));
  await expect(page.getByRole('alert').filter({ hasText: 'the scenario is for another duty' })).toContainText('left as it was');
  await expect(events(page)).toContainText('fault: pump float stuck down');
  await bring(JSON.stringify({ ...JSON.parse(scenario.text), name: 'mended', faults: [] }));
  await expect(events(page)).not.toContainText('fault:');
});

test('what if: every single fault, ranked by how soon it harms, and those that hide', async ({ page, request }) => {
  await open(page, await makeStation(request, 'What if sump'));
  await page.getByRole('tab', { name: 'what if' }).click({ timeout: 20_000 });
  const table = page.getByRole('table', { name: 'what if' });
  await expect(table).toBeVisible({ timeout: 30_000 });
  await expect(table.getByRole('row').nth(1)).toContainText(/after/);
  await expect(table.getByRole('row').filter({ hasText: 'alarm float stuck down' })).toContainText('hides until a second fault');
});

test('a long rehearsal shows how far it is, and is stopped', async ({ page, request }) => {
  const id = await makeStation(request, 'Stopped rehearsal');
  await page.route(/turbopack-worker/, () => {});
  await open(page, id);
  await expect(page.getByRole('progressbar', { name: 'rehearsing' })).toBeVisible();
  await page.getByRole('button', { name: 'stop', exact: true }).click();
  await expect(page.getByText('Stopped.')).toBeVisible();
  await page.getByRole('button', { name: 'run', exact: true }).click();
  await expect(page.getByRole('progressbar', { name: 'rehearsing' })).toBeVisible();
});
