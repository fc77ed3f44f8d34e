import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { demoStations } from '../src/core/demo';
import { chance, readyScenarios, rehearse, report, usualChances } from '../src/core/rehearsal';
import { newStation } from '../src/core/station';
import { choose, give, makeStation, taken, type, test } from './station';

const open = async (page: Page, id: number) => {
  await page.goto(`/stations/${id}/rehearse`);
  await expect(time(page)).toBeVisible({ timeout: 20_000 });
};
const time = (page: Page) => page.getByRole('slider', { name: 'time', exact: true });
const now = async (page: Page) => Number(await time(page).getAttribute('aria-valuenow'));
/** Scrolls the list of events to its end, as often as it grows, until this is told. */
const toldAtTheEnd = (page: Page, text: string) =>
  expect(async () => {
    await events(page)
      .locator('..')
      .evaluate((list) => list.scrollTo(0, list.scrollHeight));
    await expect(events(page)).toContainText(text, { timeout: 500 });
  }).toPass();
/** Of a long run only the rows in sight are there: what is out of the ordinary is few. */
const unusual = (page: Page) => page.getByRole('switch', { name: 'only what is out of the ordinary' }).click();
const events = (page: Page) => page.getByRole('list', { name: 'events' });
const sheet = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
const pick = async (page: Page, fault: string) => {
  await choose(page, 'fault to put in', fault);
};
/** Drags on a lane of the axis between two shares of its width. */
async function drag(page: Page, what: string, from: number, to: number): Promise<void> {
  const lane = (await page.locator('[data-lane="power"]').boundingBox())!;
  const box = (await page.locator(what).boundingBox())!;
  const y = box.y + box.height / 2;
  await page.mouse.move(lane.x + lane.width * from, y);
  await page.mouse.down();
  await page.mouse.move(lane.x + lane.width * to, y, { steps: 6 });
  await page.mouse.up();
}
const underpass = demoStations().findIndex((d) => d.station.control.scheme === 'duplex') + 1;

test('a day runs by itself: starts, why, and the cursor moves the water in the shaft', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Rehearsed sump'));
  await expect(events(page)).toContainText('pump 1 starts: pump float lifted at 591 mm; inflow');
  await expect(page.getByRole('group', { name: 'what it comes to' })).toContainText('pump 1: starts');
  await time(page).focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(time(page)).not.toHaveAttribute('aria-valuenow', '0');
  await events(page).getByRole('button').nth(2).click();
  await expect(time(page)).not.toHaveAttribute('aria-valuenow', String(Math.round(86400 / 20)));
});

test('every sheet of a rehearsal can be read by everyone', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Read rehearsal'));
  for (const name of ['what happened, and why', 'figures', 'panel then', 'chance', 'scenario']) {
    await sheet(page, name);
    const { violations } = await new AxeBuilder({ page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'])
      .analyze();
    expect(violations.map((v) => `${name}: ${v.id} ${v.nodes[0]?.target}`)).toEqual([]);
  }
});

test('a power cut is dragged onto the axis, moved, made longer and taken away: bell and overflow follow', async ({
  page,
  request,
}) => {
  await open(page, await makeStation(request, 'Cut sump'));
  await unusual(page);
  await drag(page, '[data-lane="power"]', 0.2, 0.6);
  await expect(events(page)).toContainText('power fails');
  await expect(events(page)).toContainText('overflow:');
  const at = async () => (await page.locator('[data-bar="power 0"]').boundingBox())!;
  const first = await at();
  await drag(page, '[data-bar="power 0"]', 0.4, 0.5);
  await expect.poll(async () => (await at()).x).toBeGreaterThan(first.x + 40);
  expect((await at()).width).toBeCloseTo(first.width, -1);
  await drag(page, '[data-bar="power 0"]', 0.7, 0.8);
  await expect.poll(async () => (await at()).width).toBeGreaterThan(first.width + 40);
  await sheet(page, 'scenario');
  await page.getByRole('button', { name: 'remove power cut 1' }).click();
  await sheet(page, 'what happened, and why');
  await expect(events(page)).not.toContainText('power fails');
  await page.getByRole('button', { name: 'cut power for an hour' }).click();
  await expect(events(page)).toContainText('power is back');
});

test('a fault is put in at the cursor or drawn on its lane; its times are typed; a person answers the alarm', async ({
  page,
  request,
}) => {
  await open(page, await makeStation(request, 'Faulty sump'));
  await unusual(page);
  await pick(page, 'pump float: stuck down');
  await page.getByRole('button', { name: 'at the cursor' }).click();
  await expect(events(page)).toContainText('fault: pump float: stuck down');
  await expect(events(page)).toContainText('the horn sounds');
  await sheet(page, 'scenario');
  const list = page.getByRole('list', { name: 'power cuts and faults' });
  await list.getByRole('textbox', { name: 'from' }).fill('2 h');
  await list.getByRole('textbox', { name: 'from' }).press('Enter');
  await type(page, 'a person comes after the alarm', '30 min');
  await sheet(page, 'what happened, and why');
  await expect(events(page)).toContainText('a person is there, and repairs: pump float: stuck down');
  await expect(
    events(page)
      .getByRole('listitem')
      .filter({ hasText: /^[\d:]+fault: pump float/ }),
  ).toContainText('02:00:00');
  await pick(page, 'discharge blocked or frozen');
  await drag(page, '[data-lane="faults"]', 0.6, 0.7);
  await expect(page.locator('[data-bar="faults fault-1 0"]')).toBeVisible();
  await toldAtTheEnd(page, 'a person is there, and repairs: discharge blocked or frozen');
  await expect(events(page)).not.toContainText('pump 1 starts');
});

test('a hand works a selector at the cursor', async ({ page, request }) => {
  await open(
    page,
    await makeStation(request, 'Hand worked', (s) => (s.control = { ...s.control, scheme: 'contactor' })),
  );
  await sheet(page, 'scenario');
  await choose(page, 'operate', 'S1: Hand, Off or Auto for the pump');
  await choose(page, 'to position', 'Hand');
  await page.getByRole('button', { name: 'at 00:00:00' }).click();
  await expect(page.getByRole('list', { name: 'operations by hand' })).toContainText('S1 to Hand');
  await sheet(page, 'what happened, and why');
  await expect(events(page)).toContainText('pump 1 draws air');
});

test('what comes in is chosen, or read from a table; a bad table is told by its row', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Inflow chosen'));
  await sheet(page, 'scenario');
  await choose(page, 'inflow', 'peak, steady');
  await give(page, 'inflow file', 'flow.csv', 'time (min),flow (L/s)\n0,0.2\n60,0.1\n60,0.3\n');
  await expect(page.getByRole('alert').filter({ hasText: 'The inflow was not changed' })).toContainText('row 3');
  await give(page, 'inflow file', 'flow.csv', 'time (min),flow (L/s)\n0,0.2\n600,0.1\n');
  const inflow = page.getByRole('combobox', { name: 'inflow', exact: true });
  await expect(inflow.getByRole('option', { selected: true })).toHaveText('a table of 2 rows, each until the next');
  await sheet(page, 'figures');
  // 600 min at 0.2 L/s and 840 min at 0.1 L/s.
  await expect(
    page.getByRole('table', { name: 'figures' }).getByRole('row').filter({ hasText: 'water in' }),
  ).toContainText('12240 L');
});

test('the scenario goes out and comes in; a bad one is refused and nothing is lost', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Taken sump'));
  await pick(page, 'pump float: stuck down');
  await page.getByRole('button', { name: 'at the cursor' }).click();
  await expect(events(page)).toContainText('fault: pump float: stuck down');
  const scenario = await taken(page, 'export');
  expect(JSON.parse(scenario.text)).toMatchObject({ format: 'pit-bell/scenario', faults: [{ id: 'pump-stuck-down' }] });
  expect((await taken(page, 'events CSV')).text).toContain('fault: pump float: stuck down');
  expect((await taken(page, 'trace CSV')).text.split('\n')[0]).toContain('lowest (m)');
  const bring = (text: string) =>
    page
      .getByLabel('scenario file')
      .setInputFiles({ name: 'flood.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await bring(JSON.stringify({ ...JSON.parse(scenario.text), duty: 'fill' }));
  await expect(page.getByRole('alert').filter({ hasText: 'the scenario is for another duty' })).toContainText(
    'left as it was',
  );
  await expect(events(page)).toContainText('fault: pump float: stuck down');
  // A part that the panel lacks is told, and can be taken out there and then.
  await bring(JSON.stringify({ ...JSON.parse(scenario.text), faults: [{ from: 0, to: null, id: 'lag-stuck-up' }] }));
  await expect(page.getByRole('alert').filter({ hasText: 'no part that could fail as “lag-stuck-up”' })).toBeVisible();
  await page.getByRole('button', { name: 'remove the fault lag-stuck-up' }).click();
  await expect(events(page)).not.toContainText('fault:');
  await bring(scenario.text);
  await expect(events(page)).toContainText('fault: pump float: stuck down');
  await bring('{"format":');
  await expect(page.getByRole('alert').filter({ hasText: 'flood.json is not JSON' })).toBeVisible();
  await bring(JSON.stringify({ ...JSON.parse(scenario.text), name: 'mended', faults: [] }));
  await expect(events(page)).not.toContainText('fault:');
});

test('what if: every single fault, ranked by how soon it harms, those that hide; one is put in', async ({
  page,
  request,
}) => {
  await open(page, await makeStation(request, 'What if sump'));
  await sheet(page, 'what if');
  const table = page.getByRole('table', { name: 'what if' });
  await expect(table).toBeVisible({ timeout: 30_000 });
  await expect(table.getByRole('row').nth(1)).toContainText(/after/);
  await expect(table.getByRole('row').filter({ hasText: 'alarm float: stuck down' })).toContainText(
    'hides until a second fault',
  );
  await page.getByRole('button', { name: 'put in: Q1 is off (guards the circuit)' }).click();
  await sheet(page, 'what happened, and why');
  await expect(events(page)).toContainText('fault: Q1 is off');
});

test('one looks closer, to a second and no peak lost, by button, key and wheel; and wider again', async ({
  page,
  request,
}) => {
  await open(page, await makeStation(request, 'Closer sump'));
  const start = events(page).getByRole('listitem').filter({ hasText: 'pump 1 starts' }).first().getByRole('button');
  await start.click();
  const at = await now(page);
  const lane = page.getByRole('group', { name: 'rehearsal over time' }).locator('.on.pump').first();
  for (let i = 0; i < 8; i++) await page.getByRole('button', { name: 'zoom in' }).click();
  // Looked at within seconds the pump’s lane is one block that begins at the cursor.
  await expect(page.getByRole('status', { name: 'cursor' })).toHaveText(/\.\d+$/);
  const box = async () => (await lane.boundingBox())!;
  const cursor = async () => (await page.locator('.cursor').boundingBox())!;
  await expect.poll(async () => Math.abs((await box()).x - (await cursor()).x)).toBeLessThan(6);
  await time(page).focus();
  await page.keyboard.press('-');
  await page.getByRole('button', { name: 'whole run' }).click();
  await expect(page.getByRole('button', { name: 'zoom out' })).toBeDisabled();
  await time(page).hover();
  await page.mouse.wheel(0, -200);
  await expect(page.getByRole('button', { name: 'zoom out' })).toBeEnabled();
  expect(await now(page)).toBe(at);
});

test('it plays: the cursor goes on by itself, the water and the panel with it, and is held', async ({
  page,
  request,
}) => {
  await open(page, await makeStation(request, 'Played sump'));
  await sheet(page, 'panel then');
  const does = page.getByRole('list', { name: 'what it does then' });
  await expect(does).toContainText('○ pump 1 stands');
  await choose(page, 'speed', '1 h a second');
  await page.getByRole('button', { name: 'play' }).click();
  await expect.poll(() => now(page)).toBeGreaterThan(3000);
  await page.getByRole('button', { name: 'pause' }).click();
  const held = await now(page);
  await time(page).focus();
  await page.keyboard.press(' ');
  await expect.poll(() => now(page)).toBeGreaterThan(held);
  await page.keyboard.press(' ');
  await sheet(page, 'what happened, and why');
  await events(page).getByRole('listitem').filter({ hasText: 'pump 1 starts' }).first().getByRole('button').click();
  await sheet(page, 'panel then');
  await expect(does).toContainText('● pump 1 runs');
  await page
    .getByRole('button', { name: /^M1\.U, pump 1/ })
    .first()
    .click();
  await expect(page.getByRole('status', { name: 'why' })).toContainText('M1 is held in by');
});

test('two runs side by side: one is kept, the levels are changed, and both are there with what the rules say', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Before and after');
  await open(page, id);
  await sheet(page, 'figures');
  await page.getByRole('button', { name: 'keep this run to compare' }).click();
  const figures = page.getByRole('table', { name: 'figures' });
  await expect(figures).toContainText('kept: an ordinary day');
  await expect(page.getByRole('table', { name: 'beside the rules' })).toContainText('they agree');
  const starts = figures.getByRole('row').filter({ hasText: 'pump 1: starts' });
  const before = await starts.getByRole('cell').nth(2).textContent();
  await page.getByRole('link', { name: 'Levels' }).click();
  await page.getByRole('slider', { name: /pump: acts/ }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowUp');
  await page.getByRole('link', { name: 'Rehearse' }).click();
  await expect(time(page)).toBeVisible({ timeout: 20_000 });
  await sheet(page, 'figures');
  await expect(starts.getByRole('cell').nth(2)).toHaveText(before!);
  await expect(figures.getByRole('row').filter({ hasText: 'highest level' }).getByRole('cell').nth(1)).not.toHaveText(
    (await figures.getByRole('row').filter({ hasText: 'highest level' }).getByRole('cell').nth(2).textContent())!,
  );
  await expect(page.locator('.kept')).toBeVisible();
  await page.getByRole('button', { name: 'let the kept one go' }).click();
  await expect(page.locator('.kept')).toHaveCount(0);
});

test('the chance of a flood is drawn by seed, with its interval and what had a part in it', async ({
  page,
  request,
}) => {
  await open(page, await makeStation(request, 'Chance sump'));
  await sheet(page, 'chance');
  await type(page, 'years', '30');
  await page.getByRole('button', { name: 'draw the years' }).click();
  const found = page.getByRole('group', { name: 'chance of an overflow' });
  await expect(found).toContainText(/between [\d.]+% and [\d.]+%, as sure as 95 % \(\d+ of 30 years\)/, {
    timeout: 30_000,
  });
  const first = await found.textContent();
  // The same seed draws the same years here and there.
  const here = chance(newStation('Chance sump', 'Test Yard', 'metric-230'), { ...usualChances, years: 30 });
  if (!here.ok) throw new Error('refused');
  expect(first).toContain(`(${here.chance.yearsWithOverflow} of 30 years)`);
  for (const c of here.chance.causes.slice(0, 12)) expect(first).toContain(`${c.label} (${c.floods})`);
  await type(page, 'seed', '9');
  await expect(found).toHaveCount(0);
  await type(page, 'seed', '1');
  await page.getByRole('button', { name: 'draw the years' }).click();
  await expect(found).toHaveText(first!, { timeout: 30_000 });
  await type(page, 'years', '0');
  await expect(page.getByRole('alert').filter({ hasText: 'a year at least' })).toBeVisible();
});

test('the same rehearsal is the same to the last byte in the browser and in Node', async ({ page }) => {
  await open(page, underpass);
  const { station } = demoStations()[underpass - 1]!;
  for (const name of ['the storm of the survey', 'the power fails in the storm']) {
    await choose(page, 'scenario', name);
    await expect(time(page)).toBeVisible();
    await expect(page.getByRole('progressbar', { name: 'rehearsing' })).toHaveCount(0);
    const { text } = await taken(page, 'result JSON');
    const scenario = readyScenarios(station).find((s) => s.name === name)!;
    const here = rehearse(station, scenario);
    if (!here.ok) throw new Error('refused');
    expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(report(station, scenario, here.run, 'metric'))));
    expect(text.trim()).toBe(JSON.stringify(report(station, scenario, here.run, 'metric'), null, 2));
  }
});

test('a long rehearsal shows how far it is, and is stopped', async ({ page, request }) => {
  const id = await makeStation(request, 'Stopped rehearsal');
  await page.route(/turbopack-worker/, () => {});
  await page.goto(`/stations/${id}/rehearse`);
  await expect(page.getByRole('progressbar', { name: 'rehearsing' })).toBeVisible();
  await page.getByRole('button', { name: 'stop', exact: true }).click();
  await expect(page.getByText('Stopped.')).toBeVisible();
  await page.getByRole('button', { name: 'run', exact: true }).click();
  await expect(page.getByRole('progressbar', { name: 'rehearsing' })).toBeVisible();
});

test('a scheme that does not fit is told', async ({ page, request }) => {
  await page.goto(
    `/stations/${await makeStation(request, 'No fit', (s) => (s.control = { ...s.control, scheme: 'duplex' }))}/rehearse`,
  );
  await expect(page.getByRole('alert').filter({ hasText: 'two pumps' })).toBeVisible({ timeout: 20_000 });
});

test('trips with no water between them are found as chatter, and what there was until then is shown', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Chattering sump', (s) => {
    const pump = s.sensors.find((f) => f.role === 'pump')!;
    s.control = { ...s.control, scheme: 'contactor' };
    s.discharge = { ...s.discharge, checkValve: { pipeBefore: 0 } };
    s.sensors = s.sensors.map((f) =>
      f === pump
        ? {
            id: f.id,
            role: f.role,
            kind: 'side',
            duty: 'control',
            contact: f.contact,
            changeover: false,
            contactRating: 5,
            cordLength: f.cordLength,
            place: f.place,
            height: 0.5,
            differential: 1e-7,
          }
        : f,
    );
  });
  await open(page, id);
  await expect(
    page.getByRole('alert').filter({ hasText: 'chatter: the panel switches without end at 500 mm' }),
  ).toContainText('It ended at');
  await expect(events(page)).toContainText('pump 1 starts');
});
