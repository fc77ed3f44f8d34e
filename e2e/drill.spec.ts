import { expect } from '@playwright/test';
import { makeStation, test } from './station';

/* Learning on a station in whose model something is hidden. */

test('a drill from its beginning to its review, by keyboard alone', async ({ page, request }) => {
  const id = await makeStation(request, `Drill sump ${process.pid}`);
  await page.goto(`/stations/${id}/levels`);
  await page.getByRole('navigation', { name: 'views' }).waitFor();
  await page.keyboard.press('g');
  await page.keyboard.press('i');
  await expect(page).toHaveURL(/\/drill$/);
  const press = async (name: string | RegExp) => {
    const button = page.getByRole('button', { name, exact: true });
    // What cannot be done yet takes no key.
    await expect(button).toBeEnabled({ timeout: 30_000 });
    await button.focus();
    await page.keyboard.press('Enter');
  };
  const number = page.getByRole('textbox', { name: 'number of the drill' });
  // A page that has just come may still take the focus away from who types at once.
  await expect(async () => {
    await number.focus();
    await page.keyboard.press('Control+A');
    await page.keyboard.type('12');
    await expect(number).toHaveValue('12', { timeout: 1000 });
  }).toPass();
  await press('begin');
  await expect(page.getByText(/^drill 12, /)).toBeVisible({ timeout: 30_000 });
  const done = page.getByRole('list', { name: 'what was done' });
  const showed = page.getByRole('list', { name: 'what it showed' });
  await press(/^look round/);
  await expect(showed).toContainText('Look round');
  await expect(page.getByRole('status', { name: 'how it stands' })).toContainText('0:04 since you came');

  // Ohms on what is live are stopped, and it is said what stood there.
  await press('meter');
  await press('Ω resistance');
  await page.getByRole('combobox', { name: 'red probe' }).selectOption('L1');
  await page.getByRole('combobox', { name: 'black probe' }).selectOption('N');
  await press('read the meter');
  await expect(showed).toContainText('Stopped.');
  await press('isolate');
  await press('isolate and lock');
  await press('prove dead');
  await expect(page.getByRole('status', { name: 'how it stands' })).toContainText('isolated, proved dead');
  await press('meter');
  await page.getByRole('combobox', { name: 'red probe' }).selectOption('L1');
  await page.getByRole('combobox', { name: 'black probe' }).selectOption('N');
  await press('Ω resistance');
  await press('read the meter');
  await expect(showed).toContainText('L1 to N');

  // It is kept, and goes on after the page was closed.
  await page.reload();
  for (const was of ['Look round', 'Stopped.', 'Isolate and lock', 'Prove dead', 'L1 to N'])
    await expect(done).toContainText(was);
  await expect(page.getByText('The drawing has the water as it is')).toBeVisible();
  await press('name it');
  await page.getByRole('combobox', { name: 'what it is' }).selectOption({ index: 1 });
  await press('that is what it is');
  const review = page.getByRole('region', { name: 'looked back' });
  await expect(review.getByRole('heading', { level: 2 }).first()).toHaveText(
    /That is what it was|It was something else/,
    {
      timeout: 60_000,
    },
  );
  await expect(review.getByRole('list', { name: 'how Trace would have gone' }).getByRole('listitem')).not.toHaveCount(
    0,
  );
  await expect(review).toContainText('Stopped.');
});

test('a call-out at night on the phone: the water rises while everything is off', async ({ page, request }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await makeStation(request, `Night sump ${process.pid}`);
  await page.goto(`/stations/${id}/drill`);
  await page.getByRole('button', { name: 'night' }).click();
  await page.getByRole('textbox', { name: 'number of the drill' }).fill('3');
  await page.getByRole('button', { name: 'begin', exact: true }).click();
  const stands = page.getByRole('status', { name: 'how it stands' });
  await expect(stands).toContainText('0:00 since you came', { timeout: 30_000 });
  await page.getByRole('button', { name: 'isolate', exact: true }).click();
  await page.getByRole('button', { name: 'isolate and lock' }).click();
  await page.getByRole('button', { name: 'look', exact: true }).click();
  for (let n = 0; n < 4; n++) await page.getByRole('button', { name: 'wait 60 min' }).click();
  await expect(stands).toContainText('4:03 since you came');
  await expect(stands).toContainText('over the top');
  await expect(stands).toContainText('isolated, not proved dead');
  // Another tab follows what is done in this one, and says so.
  const other = await page.context().newPage();
  await other.goto(`/stations/${id}/drill`);
  const there = other.getByRole('status', { name: 'how it stands' });
  await expect(there).toContainText('4:03 since you came', { timeout: 30_000 });
  await page.getByRole('button', { name: 'wait 10 min' }).click();
  await expect(there).toContainText('4:13 since you came');
  await expect(other.getByText('This drill went on in another tab: this one follows it.')).toBeVisible();
  await other.close();
  // Two are hidden, and two can be named.
  await page.getByRole('button', { name: 'name it' }).click();
  await expect(page.getByRole('combobox', { name: 'the other' })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
