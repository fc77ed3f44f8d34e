import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect } from '@playwright/test';
import { makeStation, test } from './station';

const PORT = 4395;
let folder = '';
let server: ChildProcess;

test.use({ baseURL: `http://127.0.0.1:${PORT}` });

/** A server of its own: what is switched under it is nobody else’s. */
test.beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-backup-'));
  server = spawn(process.execPath, ['scripts/serve.mjs', '--port', `${PORT}`], {
    env: { ...process.env, PITBELL_DATA: path.join(folder, 'data') },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  for await (const chunk of server.stdout!) if (String(chunk).includes('is ready')) break;
});
test.afterAll(async () => {
  server.kill('SIGTERM');
  await once(server, 'exit');
  rmSync(folder, { recursive: true, force: true });
});

test('everything is taken as one file, and brought back under a server that goes on', async ({ page, request }) => {
  await makeStation(request, 'Kept sump');
  await page.goto('/');
  await page.getByRole('link', { name: 'Backup' }).click();
  await expect(page.getByText(/Here now: 1 station, 1 revision, 0 test runs/)).toBeVisible();
  const going = page.waitForEvent('download');
  await page.getByRole('link', { name: 'take everything as one file' }).click();
  const file = path.join(folder, 'kept.sqlite');
  await (await going).saveAs(file);
  await makeStation(request, 'Later sump');
  await page.reload();
  await expect(page.getByText(/Here now: 2 stations/)).toBeVisible();

  await page.getByLabel('look into a backup').setInputFiles(file);
  const waits = page.getByRole('region', { name: 'backup kept.sqlite' });
  // Read through in a thread of its own; switched while nobody is answered: on a busy machine that takes its time.
  await expect(waits).toContainText('1 station, 1 revision', { timeout: 30_000 });
  await expect(waits).toContainText('It has 1 station, here there are 2.');
  await expect(waits).toContainText('but earlier: what was written since would be out of sight');
  await waits.getByText('Its stations').click();
  await expect(waits.getByRole('listitem')).toContainText('Test Yard ▸ Kept sump: revision 1');
  await waits.getByRole('button', { name: 'put it in the place of what is here' }).press('Enter');
  await waits.getByRole('button', { name: 'yes: everybody works with it from now on' }).press('Enter');
  const switched = page.getByRole('status').filter({ hasText: 'It is switched.' });
  await expect(switched).toContainText('before-', { timeout: 30_000 });
  await expect(page.getByText(/Here now: 1 station,/)).toBeVisible();
  // It goes on: what is written now is kept in what was brought back, and panels are read again.
  await makeStation(request, 'Written after');
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Written after/ }).first()).toBeVisible();
  await expect(page.getByText('Later sump')).toHaveCount(0);
  expect(readdirSync(path.join(folder, 'data', 'copies')).some((f) => f.startsWith('before-'))).toBe(true);
});
