import { expect, type Page } from '@playwright/test';
import { bellLine, choose, float, fromAbove, makeStation, save, taken, test } from './station';

const openSheet = async (page: Page, id: number, sheet: string) => {
  await page.goto(`/stations/${id}/levels`);
  await page.getByRole('tab', { name: sheet }).click();
};

test('levels are proposed in a worker while the page stays alive, shown as outlines, and taken whole or one by one', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Proposed sump', (s) => (s.settings.minimumGap = 0.08));
  await openSheet(page, id, 'set levels for me');
  const take = page.getByRole('button', { name: 'take it whole' });
  await expect(take).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('path.ghost')).not.toHaveCount(0);
  const starts = page.getByText('starts, worst', { exact: true }).locator('..');
  await expect(starts).toContainText('→');
  await page
    .getByRole('group', { name: 'what the levels are to serve' })
    .getByRole('button', { name: 'fewest changes' })
    .click();
  await expect(page.getByText(/Nothing is to be moved|moves/).first()).toBeVisible();
  await page
    .getByRole('group', { name: 'what the levels are to serve' })
    .getByRole('button', { name: 'fewest starts' })
    .click();
  const before = Number(await float(page, 'pump').getAttribute('aria-valuenow'));
  await page.getByRole('button', { name: 'take pump only' }).click();
  await expect(float(page, 'pump')).not.toHaveAttribute('aria-valuenow', String(before));
  await take.click();
  await expect(page.getByRole('button', { name: 'taken' })).toBeDisabled();
  await expect(bellLine(page)).toContainText('0 broken');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(float(page, 'pump')).toHaveAttribute('aria-valuenow', String(before));
});

test('the page answers while proposals are worked out; they can be stopped, and asked for again', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Stopped sump');
  // The worker never gets its program, so that it stays at work as long as the test likes.
  await page.route(/turbopack-worker/, () => {});
  await openSheet(page, id, 'set levels for me');
  await expect(page.getByRole('progressbar', { name: 'trying every mark of the tape' })).toBeVisible();
  await float(page, 'alarm').press('ArrowUp');
  await expect(float(page, 'alarm')).toHaveAttribute('aria-valuenow', '755');
  await page.getByRole('button', { name: 'stop', exact: true }).click();
  await expect(page.getByText('Stopped.')).toBeVisible();
  await page.unroute(/turbopack-worker/);
  await page.getByRole('button', { name: 'propose again' }).click();
  await expect(page.getByRole('button', { name: 'take it whole' })).toBeVisible({ timeout: 30_000 });
});

test('a station that cannot keep its musts says which rule stands in the way, and a change that helps is tried', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Tight sump', (s) => (s.pumps[0]!.startsPerHour = 3));
  await openSheet(page, id, 'set levels for me');
  await expect(page.getByText(/What stands in the way: starts per hour at worst inflow/)).toBeVisible({
    timeout: 45_000,
  });
  await page
    .getByText(/A bigger vessel/)
    .locator('..')
    .getByRole('button', { name: 'try it' })
    .click();
  await expect(page.getByRole('button', { name: /starts per hour at worst inflow/ })).not.toContainText('broken');
  await expect(bellLine(page)).not.toContainText('starts per hour');
});

test('floats are turned in the plan by keys and by hand; what touches is said, and turned away', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Turned sump', (s) => {
    s.sensors = s.sensors.map((x) => ({ ...x, place: { from: 'pole', bearing: 0, offset: 0.06 } }));
  });
  await openSheet(page, id, 'plan view');
  await expect(page.getByRole('table', { name: 'room over the whole swing' }).getByRole('row').nth(1)).toContainText(
    'touches',
  );
  await page.getByRole('button', { name: 'turn it there' }).click();
  await expect(
    page.getByRole('table', { name: 'room over the whole swing' }).getByRole('row').nth(1),
  ).not.toContainText('touches');
  const pump = fromAbove(page, 'pump');
  const facing = Number(await pump.getAttribute('aria-valuenow'));
  await pump.focus();
  await page.keyboard.press('ArrowRight');
  await expect(pump).toHaveAttribute('aria-valuenow', String((facing + 5) % 360));
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(pump).toHaveAttribute('aria-valuenow', String((facing + 320) % 360));
  const box = (await page.getByRole('group', { name: 'the pit from above' }).boundingBox())!;
  const body = (await pump.locator('.float').boundingBox())!;
  await page.mouse.move(body.x + body.width / 2, body.y + body.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width - 40, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(pump).toHaveAttribute('aria-valuenow', /^(8|9)\d$/);
});

test('from what was found to what is set: a short list of moves', async ({ page, request }) => {
  const id = await makeStation(request, 'Found sump');
  await page.goto(`/stations/${id}/survey`);
  await page.getByRole('button', { name: 'this is how I found it' }).click();
  await page.getByRole('link', { name: 'Levels' }).click();
  await page.getByRole('tab', { name: 'tape list' }).click();
  const moves = page.getByRole('region', { name: 'moves from what was found' });
  await expect(moves).toContainText('it hangs as it was found');
  for (let i = 0; i < 4; i++) await float(page, 'pump').press('ArrowUp');
  await float(page, 'pump').press('ArrowLeft');
  await expect(moves.getByRole('listitem')).toHaveText([
    'Raise the clip of the pump float 20 mm.',
    'Shorten the tether of the pump float by 5 mm.',
  ]);
  await save(page);
});

test('the tape list goes out as CSV, the shaft as SVG', async ({ page, request }) => {
  const id = await makeStation(request, 'Outgoing sump');
  await openSheet(page, id, 'tape list');
  const list = await taken(page, 'tape list as CSV');
  expect(list.name).toBe('outgoing-sump-tape-list.csv');
  expect(list.text.split(/\r?\n/)[1]).toMatch(/^1,pump,tilt,closes on rise \(NO hanging\),clip,750,450,0,/);
  const svg = await taken(page, 'shaft as SVG');
  expect(svg.name).toBe('outgoing-sump-shaft.svg');
  expect(svg.text).toContain('<title>Test Yard, Outgoing sump</title>');
});

test('every rule says must or should, its need and its slack; one that does not apply says why', async ({ page }) => {
  await page.goto('/stations/14/levels');
  const rule = (name: RegExp) => page.getByRole('button', { name });
  await rule(/stops before it runs dry/).click();
  await expect(page.getByText(/must: needs at least .* slack/)).toBeVisible();
  await expect(page.getByText(/Other schools: the volute/)).toBeVisible();
  await rule(/doses fit the day/).click();
  await expect(page.getByText('Nothing is dosed here.')).toBeVisible();
  await rule(/room between trips/).click();
  await expect(page.getByText(/should: needs at least/)).toBeVisible();
});

test('a rule is told what to ask where it is read: the other school, another figure', async ({ page, request }) => {
  const id = await makeStation(request, 'School rules', (s) => (s.vessel.inletInvert = 0.7));
  await page.goto(`/stations/${id}/levels`);
  const inlet = page.getByRole('button', { name: /alarm against the inlet/ });
  await expect(inlet).toContainText('broken');
  await inlet.click();
  await choose(page, 'the alarm acts', 'with the pipe as storage');
  await expect(inlet).not.toContainText('broken');
  await expect(page.getByText(/The other school keeps the inlet free/)).toBeVisible();
  const swing = page.getByRole('button', { name: /floats swing free/ });
  await swing.click();
  await page.getByRole('textbox', { name: 'room to keep' }).fill('150');
  await page.getByRole('textbox', { name: 'room to keep' }).press('Enter');
  await expect(swing).toContainText('tight');
});

test('the heaviest station is judged while its float is dragged; how the frames went is reported', async ({
  page,
}, info) => {
  await page.goto('/stations/5/levels');
  await page.waitForLoadState('networkidle');
  const lead = float(page, 'lead');
  const body = (await lead.locator('.float').boundingBox())!;
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { frames: times });
    const tick = (t: number) => {
      times.push(t);
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  const [x, y] = [body.x + body.width / 2, body.y + body.height / 2];
  const drag = async () => {
    const from = await page.evaluate(() => (window as unknown as { frames: number[] }).frames.length);
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 60; i++) await page.mouse.move(x, y + Math.sin(i / 6) * 40);
    await page.mouse.move(x, y);
    await page.mouse.up();
    const gaps = await page.evaluate(
      (n) =>
        (window as unknown as { frames: number[] }).frames
          .slice(n)
          .map((t, i, all) => (i === 0 ? 0 : t - all[i - 1]!))
          .slice(1),
      from,
    );
    const sorted = gaps.sort((a, b) => a - b);
    const at = (share: number) => sorted[Math.floor((sorted.length - 1) * share)]!.toFixed(1);
    return `${gaps.length} frames, median ${at(0.5)} ms, 95 % ${at(0.95)} ms, longest ${at(1)} ms`;
  };
  for (const which of ['first drag', 'second drag']) {
    const description = `${which}: ${await drag()}`;
    info.annotations.push({ type: 'frames', description });
    process.stdout.write(`dragging, ${description}\n`);
  }
  await float(page, 'lead').press('ArrowUp');
  await expect(page.getByRole('status', { name: 'save state' })).toHaveText('not yet saved');
});
