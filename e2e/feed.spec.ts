import { expect } from '@playwright/test';
import { mapOf } from '../scripts/panel/map';
import { standIn } from '../scripts/panel/standIn';
import { exampleStation } from '../src/core/starting';
import { makeStation, test } from './station';

test('a panel is read: its map is tried and kept, the station lives on the screen, and what goes wrong is said', async ({
  page,
  request,
}) => {
  test.slow();
  const id = await makeStation(request, 'Live sump');
  const station = exampleStation('Live sump', 'Test Yard', 'metric-230', 'empty');
  const panel = await standIn(station, { speed: 1, from: Date.now(), modbusPort: 0, httpPort: 0 });
  const ticking = setInterval(() => panel.tick(), 100);
  try {
    const map = mapOf(station.pumps.length, 'modbus', '127.0.0.1', panel.modbusPort);
    await page.goto(`/stations/${id}/book`);
    await page.getByRole('textbox', { name: 'who', exact: true }).fill('R. T.');
    await page.getByRole('button', { name: 'read its panel over the network' }).click();
    await page.getByLabel('map of a panel').setInputFiles({
      name: 'map.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(map)),
    });
    await expect(page.getByRole('listitem', { name: 'water level' })).toBeVisible();
    // The panel lives in this process: where the machine is busy it may answer too late, and is tried again, as a person would.
    await expect(async () => {
      await page.getByRole('button', { name: 'try it' }).click();
      const came = page.getByRole('status', { name: 'what came of it' });
      await expect(came).toHaveText(/^It answers|^Not read/, { timeout: 12_000 });
      await expect(came).toHaveText(/^It answers/, { timeout: 100 });
    }).toPass({ timeout: 45_000 });
    await expect(page.getByRole('listitem', { name: 'pump 1 runs' })).toContainText('it says no');
    await page.getByRole('button', { name: 'read it from now on' }).click();
    const says = page.getByRole('region', { name: 'what the panel says' });
    await expect(says.getByText('pump 1 rests')).toBeVisible();
    await expect(says.getByText('the alarm is quiet')).toBeVisible();
    await expect(says.getByText(/\d+ mm/)).toBeVisible();
    await expect(says.getByText(/proves nothing dead/)).toBeVisible();
    panel.misbehave('break');
    await expect(says.getByRole('status').first()).toContainText(
      /Not answered \d+ times since: the panel has broken off/,
    );
    panel.misbehave(null);
    // After a miss it is left alone for longer than between two answers.
    await expect(says.getByRole('status').first()).not.toContainText('Not answered', { timeout: 30_000 });
    // What it counted stands in the book by itself.
    await expect
      .poll(async () => (await request.get(`/api/stations/${id}/book/readings`)).text())
      .toMatch(/,starts-1,0,/);
  } finally {
    clearInterval(ticking);
    await panel.close();
  }
});
