import { spawn } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { demoStations } from '@/core/demo';
import { makeStation } from './station';

/* Every kind of job, opened on a station that it fits and walked to its end; two of them worked through, one on a phone. */

const WHERE: readonly (readonly [job: string, title: string, station: number])[] = [
  ['J1', 'A built-in switch that no longer stops the pump', 1],
  ['J2', 'New tank: pump and alarm on two circuits', 1],
  ['J8', 'A packaged unit stops on a float error', 1],
  ['J12', 'Pump switch overhaul', 1],
  ['J13', 'Float change in a sealed sewage pit', 1],
  ['J6', 'Duplex inputs: three floats or four', 5],
  ['J11', 'Alternator', 5],
  ['J19', 'Selector, contactor, float, motor', 5],
  ['J9', 'Runs only when the alarm sounds', 6],
  ['J14', 'Pressure-bell station', 6],
  ['J17', 'Flushing a dosed bed’s laterals', 7],
  ['J21', 'Annual check of a dosing or alarm-only panel', 7],
  ['J5', 'Low-water protection with a changeover float', 7],
  ['J4', 'Low-water cut-off in a tank or pond', 8],
  ['J10', 'Float into a drive’s input', 8],
  ['J15', 'Dry-run protection on a barrel', 8],
  ['J7', 'Filling through a low-voltage float and a relay', 9],
  ['J3', 'Condensate pump set', 13],
  ['J18', 'Appliance dead, reservoir full', 13],
  ['J20', 'Cut-off never connected', 13],
];

/** Pages through the card that is shown, to its last step. */
async function walk(page: Page): Promise<void> {
  const next = page.getByRole('button', { name: 'next step ▸' });
  for (let n = 0; n < 60 && (await next.isEnabled()); n++) await next.click();
  await expect(page.getByRole('heading', { name: 'As it is left' })).toBeVisible();
  await expect(page.getByRole('article')).toContainText('Next look:');
}

for (const half of [0, 1])
  test(`every job opens on a station that it fits and is walked to its end, half ${half + 1}`, async ({ page }) => {
    test.setTimeout(300_000);
    for (const [, title, station] of WHERE.filter((_, i) => i % 2 === half)) {
      await page.goto(`/stations/${station}/prove`);
      await page.getByRole('radio', { name: title }).click();
      await expect(page.getByRole('heading', { name: 'What to bring' })).toBeVisible();
      await walk(page);
    }
  });

test('a solid-state relay has its job, and a station that it does not fit says why not', async ({ page, request }) => {
  const header = demoStations().find((d) => d.file === 'workshop-header-tank.json')!.station;
  const made = await request.post('/api/stations', {
    data: {
      ...header,
      identity: { ...header.identity, site: 'Test Yard' },
      control: { ...header.control, options: { ...header.control.options, switch: 'ssr' } },
    },
  });
  const { saved } = (await made.json()) as { saved: { id: number } };
  await page.goto(`/stations/${saved.id}/prove?job=J16`);
  await expect(page.getByRole('radio', { name: /solid-state relay and a DC float/ })).toBeChecked();
  await walk(page);
  await page.getByText(/more that are not for this station/).click();
  await expect(page.getByText('Float into a drive’s input: no drive runs its pump')).toBeVisible();
});

/** Enters a step as it should be: looks in one touch, figures as they are expected, decisions by their first choice. */
async function enterStep(page: Page, n: number): Promise<void> {
  const card = page.getByRole('article');
  for (const group of await card.getByRole('radiogroup').all()) await group.getByRole('radio').first().click();
  const looks = card.getByRole('button', { name: /as it should$|looks as they should/ }).last();
  if (await card.getByRole('button', { name: /^(all as it should|the \d+ looks as they should)$/ }).count())
    await looks.click();
  for (const field of await card.getByRole('textbox', { name: /^found: / }).all()) {
    const label = (await field.getAttribute('id'))!;
    const words = await card
      .locator('li', { has: page.locator(`[id="${label}"]`) })
      .locator('p')
      .nth(1)
      .textContent();
    const figure = /^(up to )?([\d.]+)/.exec(words ?? '');
    await field.fill(figure ? figure[2]! : '1');
  }
  await card.getByRole('textbox', { name: 'note' }).fill('');
  await card.getByRole('button', { name: 'pass', exact: true }).click();
  // Either it is entered and the next step comes, or it is said what the note must say.
  const asked = card.getByRole('alert').filter({ hasText: 'say why in the note' });
  const on = page.getByText(new RegExp(`^${n + 1} of \\d+`)).or(page.getByRole('img', { name: 'every step entered' }));
  await expect(asked.or(on).first()).toBeVisible();
  if (!(await asked.isVisible())) return;
  await card.getByRole('textbox', { name: 'note' }).fill('read by the browser');
  await card.getByRole('button', { name: 'pass', exact: true }).click();
  await expect(on.first()).toBeVisible();
}

test('a dead appliance worked through on a phone to its seal; what is sealed stays, and goes out as a file', async ({
  browser,
}) => {
  test.setTimeout(300_000);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await page.goto('/stations/13/prove?job=J18');
  await page.getByRole('textbox', { name: 'tested by' }).fill('A. B.');
  await page.getByRole('button', { name: /begin a run/ }).tap();
  await expect(page).toHaveURL(/\/prove\/\d+$/);
  const run = Number(/\d+$/.exec(page.url())![0]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  const steps = Number(/of (\d+)/.exec((await page.getByText(/^1 of \d+/).textContent())!)![1]);
  for (let n = 1; n <= steps; n++) {
    await expect(page.getByText(new RegExp(`^${n} of ${steps}`))).toBeVisible();
    await enterStep(page, n);
  }
  await expect(page.getByRole('img', { name: 'every step entered' })).toBeVisible();
  await page.getByRole('button', { name: 'seal this run' }).tap();
  await expect(page.getByRole('region', { name: 'seal' })).toContainText('Sealed');
  await expect(page.getByRole('button', { name: 'pass', exact: true })).toHaveCount(0);
  const refused = await page.request.post(`/api/runs/${run}/entries`, {
    data: { stepId: 'trap', verdict: 'fail', found: {}, note: 'late' },
  });
  expect(refused.status()).toBe(409);
  const file = await page.request.get(`/api/runs/${run}/file`);
  expect(await file.json()).toMatchObject({ format: 'pit-bell/run', sealedBy: 'A. B.' });
  const report = await page.request.get(`/api/runs/${run}/report`);
  expect([report.status(), report.headers()['content-type']]).toEqual([200, 'application/pdf']);
  await page.getByRole('textbox', { name: 'add words' }).fill('owner told');
  await page.getByRole('button', { name: 'add', exact: true }).tap();
  await expect(page.getByRole('region', { name: 'seal' })).toContainText('owner told');
});

test('a failed step says what it could mean; a reading comes from a meter with something hidden; as-left heights are taken in', async ({
  page,
  request,
  baseURL,
}) => {
  test.setTimeout(300_000);
  const id = await makeStation(request, 'Metered sump');
  await page.goto(`/stations/${id}/prove?job=J13`);
  await page.getByRole('textbox', { name: 'tested by' }).fill('A. B.');
  await page.getByRole('button', { name: /begin a run/ }).click();
  await expect(page).toHaveURL(/\/prove\/\d+$/);
  const run = /\d+$/.exec(page.url())![0];
  const steps = page.getByRole('list', { name: 'steps' });

  await steps.getByRole('button', { name: /Work the pump float by hand/ }).click();
  await page.getByRole('group', { name: 'found: lifted' }).getByRole('button', { name: 'not so' }).click();
  await page.getByRole('textbox', { name: 'note' }).fill('nothing happens');
  await page.getByRole('button', { name: 'fail', exact: true }).click();
  await expect(page.getByRole('region', { name: 'what it could mean' })).toContainText('stuck down', {
    timeout: 30_000,
  });

  await steps.getByRole('button', { name: /Volts and amps/ }).click();
  const meter = spawn('npx', [
    'tsx',
    'scripts/meter.ts',
    '--run',
    run,
    '--server',
    baseURL!,
    '--fault',
    'W0-low',
    '--once',
  ]);
  try {
    await page.getByRole('button', { name: 'read it from a meter' }).first().click();
    await expect(page.getByRole('status').filter({ hasText: 'stand-in meter' })).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole('textbox', { name: 'found: volts at rest' })).toHaveValue(/V$/);
  } finally {
    meter.kill();
  }

  await steps.getByRole('button', { name: /Measure the floats/ }).click();
  await page.getByRole('textbox', { name: /found: float 1, clip/ }).fill('700');
  await page.getByRole('textbox', { name: 'note' }).fill('set higher');
  await page.getByRole('button', { name: 'pass', exact: true }).click();
  await steps.getByRole('button', { name: /As it is left/ }).click();
  const left = page.getByRole('region', { name: 'as left' });
  await expect(left).toContainText('float 1, clip');
  await left.getByRole('button', { name: 'take it into the station' }).click();
  await expect(page.getByRole('button', { name: 'save', exact: true })).toBeEnabled();
});

test('a core that is landed otherwise than listed is said before the box is closed, and becomes a change of the station', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Otherwise landed sump');
  const begun = await request.post(`/api/stations/${id}/runs`, { data: { tester: 'R. T.' } });
  const { run } = (await begun.json()) as { run: { id: number } };
  await page.goto(`/stations/${id}/prove/${run.id}`);
  await page
    .getByRole('button', { name: /Lid, gasket, cords, vent/ })
    .first()
    .click();
  await page.getByRole('button', { name: /something is landed otherwise/ }).click();
  const box = page.getByRole('group', { name: 'landed otherwise than listed' });
  await box.getByLabel('core', { exact: true }).selectOption({ index: 1 });
  await box.getByLabel('is on').selectOption('loose');
  await box.getByRole('button', { name: 'landed so' }).click();
  await page.getByRole('button', { name: 'all as it should' }).click();
  await page.getByRole('button', { name: 'pass', exact: true }).click();
  const left = page.getByRole('region', { name: 'as left' });
  await expect(left).toContainText(/landed: .* → loose/);
  await left.getByRole('button', { name: 'take it into the station' }).click();
  await page.getByRole('link', { name: 'Panel', exact: true }).click();
  await expect(page.getByRole('button', { name: /^1 not as designed/ })).toBeVisible();
});
