import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, type Browser } from '@playwright/test';
import { exampleStation } from '../src/core/starting';
import { test } from './station';

const PORT = 4396;
const BASE = `https://localhost:${PORT}`;
const GOOD = 'otter brick lantern nine';
let folder = '';
let server: ChildProcess;
let first = '';

// One server for all: the second comes to what the first has made.
test.describe.configure({ mode: 'serial' });

/** A server of its own over TLS, with a certificate as the program makes it, and nobody in it. */
test.beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'pitbell-people-'));
  const tls = path.join(folder, 'tls');
  const made = spawnSync(process.execPath, ['scripts/certificate.mjs', '--out', tls, 'pits.test'], {
    encoding: 'utf8',
  });
  expect(made.stdout).toContain('pits.test');
  const args = ['--port', `${PORT}`, '--people', '--cert', `${tls}/server.crt`, '--key', `${tls}/server.key`];
  server = spawn(process.execPath, ['scripts/serve.mjs', ...args], {
    env: { ...process.env, PITBELL_DATA: path.join(folder, 'data') },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  for await (const chunk of server.stdout!) {
    said += String(chunk);
    if (said.includes('is ready')) break;
  }
  first = /https:\/\/\S+(\/join\/\S+)/.exec(said)![1]!;
});
test.afterAll(async () => {
  server.kill('SIGTERM');
  await once(server, 'exit');
  rmSync(folder, { recursive: true, force: true });
});

/** A phone of somebody’s own, that trusts the authority. */
const phone = (browser: Browser) =>
  browser.newContext({
    baseURL: BASE,
    ignoreHTTPSErrors: true,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });

test('people come in over TLS on a phone: the first by an address that is good once, others as they are asked in', async ({
  browser,
}) => {
  const context = await phone(browser);
  const page = await context.newPage();
  // Nobody sees anything before he is in, whatever he says of himself.
  await page.goto('/stations/1/book');
  await expect(page).toHaveURL(/\/sign-in\?to=%2Fstations%2F1%2Fbook$/);
  const spoofed = await context.request.get('/api/stations', {
    headers: { 'x-pitbell-person': encodeURIComponent('{"id":"x","name":"x","role":"owner"}') },
  });
  expect(spoofed.status()).toBe(401);
  expect(spoofed.headers()['strict-transport-security']).toContain('max-age=31536000');

  await page.goto(first);
  await page.getByRole('textbox', { name: 'name', exact: true }).fill('R. Teal');
  await page.getByLabel('passphrase').fill('short');
  await page.getByRole('button', { name: 'make it and come in' }).tap();
  await expect(page.getByRole('alert').filter({ hasText: 'at least 10 letters' })).toBeVisible();
  await page.getByLabel('passphrase').fill(GOOD);
  await page.getByRole('button', { name: 'make it and come in' }).tap();
  await expect(page.getByText('R. Teal, owner')).toBeVisible();
  for (const cookie of await context.cookies())
    if (/session/.test(cookie.name)) expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Lax' });
  await page.goto(first);
  await expect(page.getByRole('heading', { name: 'This address is no longer good' })).toBeVisible();

  // What is written is signed by whoever is in, whatever was said.
  const made = await context.request.post('/api/stations', {
    data: exampleStation('Signed sump', 'Yard', 'metric-230', 'empty'),
  });
  expect(made.status()).toBe(201);
  await page.goto('/stations/1/book');
  await expect(page.getByRole('textbox', { name: 'who', exact: true })).toHaveValue('R. Teal');
  const visit = { kind: 'visit', why: 'due', minutes: null, words: 'float wiped' };
  await context.request.post('/api/stations/1/book', {
    data: { at: new Date().toISOString(), by: 'somebody else', page: visit },
  });
  await page.reload();
  await expect(page.getByRole('listitem').filter({ hasText: 'float wiped' })).toContainText('R. Teal');

  // What is due leads back to the address that phones know.
  const calendar = await (await context.request.get('/api/due/calendar')).text();
  expect(calendar.replace(/\r?\n /g, '')).toContain(`${BASE}/stations/1`);

  // Somebody is asked in to look, and can do no more.
  await page.goto('/people');
  await page.getByRole('combobox', { name: 'as', exact: true }).selectOption('reader');
  await page.getByRole('button', { name: 'make an address for them' }).tap();
  const address = await page.getByRole('textbox', { name: /good once/ }).inputValue();
  const other = await phone(browser);
  const theirs = await other.newPage();
  await theirs.goto(address);
  await expect(theirs.getByText('asked in as reader: looks and prints')).toBeVisible();
  await theirs.getByRole('textbox', { name: 'name', exact: true }).fill('M. Oak');
  await theirs.getByLabel('passphrase').fill(GOOD);
  await theirs.getByRole('button', { name: 'make it and come in' }).tap();
  await expect(theirs.getByText('M. Oak, reader')).toBeVisible();
  await theirs.goto('/stations/1/book');
  await expect(theirs.getByText('You look here: an installer writes in the book.')).toBeVisible();
  await expect(theirs.getByRole('button', { name: 'write it in the book' })).toHaveCount(0);
  await expect(theirs.getByRole('button', { name: 'save' })).toHaveCount(0);
  const refused = await other.request.post('/api/stations/1/book', {
    data: { at: new Date().toISOString(), by: 'M. Oak', page: visit },
  });
  expect([refused.status(), await refused.text()]).toEqual([
    403,
    expect.stringContaining('this is for an installer: you are reader here'),
  ]);

  // Held to a station of their own, another's is not there for them; and Round hangs their own alone.
  await context.request.post('/api/stations', { data: exampleStation('Foreign sump', 'Yard', 'metric-230', 'empty') });
  await page.reload();
  const sees = page.getByRole('group', { name: 'what M. Oak sees' }).first();
  await sees.getByRole('button', { name: 'only stations of their own' }).tap();
  await sees.getByRole('checkbox', { name: 'Yard ▸ Signed sump' }).check();
  await expect(sees.getByRole('checkbox', { name: 'Yard ▸ Signed sump' })).toBeChecked();
  await theirs.goto('/stations/2/levels');
  await expect(theirs).toHaveURL(`${BASE}/`);
  await expect(theirs.getByRole('link', { name: /Signed sump/ }).first()).toBeVisible();
  await expect(theirs.getByText('Foreign sump')).toHaveCount(0);
  await theirs.goto('/stations/1/book/owner');
  await expect(theirs.getByText('Signed sump').first()).toBeVisible();

  // Sent out by the owner, he is out with the next thing that he asks.
  await page.reload();
  const devices = page.getByRole('list', { name: 'devices of M. Oak' });
  await devices.getByRole('button', { name: 'send out' }).tap();
  await expect(devices.getByText('no device is in')).toBeVisible();
  await theirs.goto('/stations/1/levels');
  await expect(theirs).toHaveURL(/\/sign-in\?to=/);
  await theirs.getByRole('textbox', { name: 'name', exact: true }).fill('m. oak');
  await theirs.getByLabel('passphrase').fill('not the right one');
  await theirs.getByRole('button', { name: 'come in' }).tap();
  await expect(theirs.getByRole('alert').filter({ hasText: 'nobody of this name has this passphrase' })).toBeVisible();
  await theirs.getByLabel('passphrase').fill(GOOD);
  await theirs.getByRole('button', { name: 'come in' }).tap();
  await expect(theirs).toHaveURL(/\/stations\/1\/levels$/);
  await page.reload();
  await expect(page.getByRole('region', { name: 'wrong passphrases' })).toContainText('m. oak');
  for (const p of [page, theirs])
    expect(await p.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await other.close();
  await context.close();
});

test('a phone that trusts the certificate takes a station along over TLS, and works it without signal', async ({
  playwright,
}, { project }) => {
  test.setTimeout(180_000);
  const { launchOptions } = project.use;
  // As a phone does after the four lines of “npm run certificate”: a certificate that is merely put up with gets no service worker.
  const { publicKey } = new X509Certificate(readFileSync(path.join(folder, 'tls', 'server.crt')));
  const key = createHash('sha256')
    .update(publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64');
  const browser = await playwright.chromium.launch({
    ...launchOptions,
    args: [...(launchOptions?.args ?? []), `--ignore-certificate-errors-spki-list=${key}`],
  });
  const context = await browser.newContext({ baseURL: BASE, viewport: { width: 390, height: 844 }, hasTouch: true });
  let page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByRole('textbox', { name: 'name', exact: true }).fill('R. Teal');
  await page.getByLabel('passphrase').fill(GOOD);
  await page.getByRole('button', { name: 'come in' }).tap();
  await expect(page.getByText('R. Teal, owner')).toBeVisible();
  await page.goto('/along');
  await page.getByRole('checkbox', { name: 'take along: Signed sump, Yard' }).check();
  await page.getByRole('button', { name: /^take along, about/ }).tap();
  await expect(page.getByRole('button', { name: 'leave Signed sump behind' })).toBeVisible({ timeout: 60_000 });

  await context.setOffline(true);
  await page.close();
  page = await context.newPage();
  await page.goto('/stations/1/book');
  await expect(page.getByRole('link', { name: 'outbox: no signal' })).toBeVisible();
  await page.getByRole('textbox', { name: 'seen, done, decided, used' }).fill('written under the lid');
  await page.getByRole('button', { name: 'write it in the book' }).tap();
  await expect(page.getByRole('list', { name: 'on this device only' })).toContainText('written under the lid');
  await context.setOffline(false);
  await expect(page.getByRole('link', { name: 'outbox: sent' })).toBeVisible({ timeout: 40_000 });
  await page.reload();
  await expect(page.getByRole('listitem').filter({ hasText: 'written under the lid' }).first()).toContainText(
    'R. Teal',
  );
  await browser.close();
});
