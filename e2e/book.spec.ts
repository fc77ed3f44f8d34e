import { expect } from '@playwright/test';
import { makeStation, test } from './station';

const page1 = { kind: 'visit', why: 'due', minutes: null, words: '' };

test('a visit with two figures and a line is written in one go, on a phone, and is there for everybody', async ({
  browser,
  request,
}) => {
  const id = await makeStation(request, 'Book sump');
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await page.goto(`/stations/${id}/book`);
  await page.getByRole('textbox', { name: 'who', exact: true }).fill('R. T.');
  await page.getByRole('textbox', { name: 'hour meter, pump 1' }).fill('1234,5');
  await page.getByRole('textbox', { name: 'start counter, pump 1' }).fill('8800');
  await page.getByRole('textbox', { name: 'seen, done, decided, used' }).fill('Rags cleared from the intake');
  await page.getByRole('button', { name: 'write it in the book' }).tap();
  const pages = page.getByRole('list', { name: 'pages of the book' });
  await expect(pages.getByText('Rags cleared from the intake')).toBeVisible();
  await expect(pages.getByText('1234.5 h')).toBeVisible();
  // What stood there last is what the next figure is asked against.
  await page.getByRole('textbox', { name: 'hour meter, pump 1' }).fill('12');
  await expect(page.getByText(/below the last, 1234.5: rolled over, a new meter, or mistyped/)).toBeVisible();
  await page.getByRole('button', { name: 'its dial rolled over' }).tap();
  await page.getByRole('combobox', { name: 'it begins anew at' }).selectOption('10,000');
  await page.getByRole('button', { name: 'write it in the book' }).tap();
  await expect(pages.getByText('hour meter, pump 1: rolls over at 10000')).toBeVisible();
  await expect(pages.getByText('12.0 h')).toBeVisible();
  // A meter that is in no list is registered, read, and asked for the next time.
  await page.getByRole('button', { name: /^more meters/ }).tap();
  await page.getByRole('button', { name: 'a meter of your own' }).tap();
  await page.getByRole('textbox', { name: 'what it is called' }).fill('bearing');
  await page.getByRole('textbox', { name: 'its unit' }).fill('°C');
  await page.getByRole('combobox', { name: 'it belongs to' }).selectOption('pump 1');
  await page.getByRole('button', { name: 'add it' }).tap();
  await page.getByRole('textbox', { name: 'bearing, pump 1' }).fill('61.5');
  await page.getByRole('button', { name: 'write it in the book' }).tap();
  await expect(pages.getByText('61.5 °C')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'bearing, pump 1' })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await context.close();
});

test('a page is struck out by a later one and both can be seen; words are found', async ({ page, request }) => {
  const id = await makeStation(request, 'Struck sump');
  const at = new Date().toISOString();
  const write = (words: string) =>
    request.post(`/api/stations/${id}/book`, { data: { at, by: 'R. T.', page: { ...page1, words } } });
  expect((await write('typed at the wrong pit')).status()).toBe(201);
  expect((await write('float wiped, impeller looked at')).status()).toBe(201);
  await page.goto(`/stations/${id}/book`);
  await page.getByRole('textbox', { name: 'who', exact: true }).fill('M. O.');
  const wrong = page.getByRole('listitem').filter({ hasText: 'typed at the wrong pit' });
  await wrong.getByRole('button', { name: /more of this page/ }).click();
  await wrong.getByRole('button', { name: 'strike it out' }).click();
  await wrong.getByRole('textbox', { name: 'why it does not hold' }).fill('another pit');
  await wrong.getByRole('button', { name: 'strike it out' }).click();
  await expect(page.getByText('corrected by a later page')).toBeVisible();
  await expect(page.getByText('another pit')).toBeVisible();
  await page.getByRole('textbox', { name: 'words in this book' }).fill('impel');
  await page.getByRole('button', { name: 'find' }).click();
  await expect(page.getByRole('list', { name: 'pages found' })).toContainText('«impeller»');
});

test('what the meters of the demo stations mean is said, since when, and leads to its job', async ({
  page,
  request,
}) => {
  const names = (await (await request.get('/api/stations')).json()) as { stations: { id: number; name: string }[] };
  const idOf = (name: RegExp) => names.stations.find((s) => name.test(s.name))!.id;
  await page.goto(`/stations/${idOf(/^Underpass storm sump/)}/book`);
  const findings = page.getByRole('list', { name: 'findings' });
  await expect(findings).toContainText(/Pump 1 gives \d+% less than it did/);
  await expect(findings).toContainText(/very likely · since about/);
  await expect(
    page.getByRole('img', { name: /^flow of pump 1, by hours and starts: .* at first, .* now$/ }),
  ).toBeVisible();
  await page.getByRole('link', { name: /a page for the owner/ }).click();
  await expect(page.getByRole('article', { name: 'for the owner' })).toContainText(/Its meters say: a pump gives less/);
  await page.goto(`/stations/${idOf(/^Slipway drainage pit/)}/book`);
  await expect(findings).toContainText('pumps do not take turns');
  await findings.getByRole('link', { name: 'begin its job' }).first().click();
  await expect(page).toHaveURL(/prove\?job=J11/);
});

test('readings come in from a table: understood, refused row by row, taken once', async ({ page, request }) => {
  const id = await makeStation(request, 'Table sump');
  await page.goto(`/stations/${id}/book`);
  await page.getByRole('textbox', { name: 'who', exact: true }).fill('R. T.');
  const file = (text: string) =>
    page
      .getByLabel('readings file')
      .setInputFiles({ name: 'log.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file('Date;Hours;Starts\n03/04/2026;100,5;2000\nnever;110,5;2150\n');
  await expect(page.getByText('row 3: “never” is no time written day first')).toBeVisible();
  await file('Date;Hours;Starts\n03/04/2026;100,5;2000\n25/04/2026;140,5;2750\n');
  await page.getByRole('button', { name: 'take 4 readings' }).click();
  await expect(page.getByText('4 readings taken.')).toBeVisible();
  await file('Date;Hours;Starts\n03/04/2026;100,5;2000\n25/04/2026;140,5;2750\n');
  await page.getByRole('button', { name: 'take 4 readings' }).click();
  await expect(page.getByText('0 readings taken; 4 were here already.')).toBeVisible();
  const csv = await (await request.get(`/api/stations/${id}/book/readings`)).text();
  expect(csv.split('\r\n')).toHaveLength(5);
});

test('what is due stands together everywhere, is put off with a reason, and a day’s route says what to bring', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'sump by the wall');
  await request.post(`/api/stations/${id}/book`, {
    data: {
      at: '2020-01-01T10:00:00Z',
      by: 'R. T.',
      page: { kind: 'part', name: 'alarm battery', place: 'alarm', state: 'fitted', years: 4 },
    },
  });
  await page.goto('/');
  await page.getByRole('link', { name: 'what is due' }).click();
  const due = page.getByRole('region', { name: 'what is due everywhere' });
  await expect(due.getByRole('listitem').filter({ hasText: 'sump by the wall' }).first()).toContainText(/days late/);
  await page.getByRole('checkbox', { name: /today’s route: sump by the wall, alarm battery/ }).check();
  await expect(page.getByRole('list', { name: 'to bring' }).getByRole('listitem').first()).toBeVisible();
  await due.getByRole('link', { name: 'sump by the wall' }).first().click();
  await page.getByRole('textbox', { name: 'who', exact: true }).fill('R. T.');
  const list = page.getByRole('region', { name: 'what is due' });
  const battery = list.getByRole('listitem').filter({ hasText: 'alarm battery' });
  await battery.getByRole('button', { name: 'put it off' }).click();
  await battery.getByLabel('until').fill('2030-05-01');
  await battery.getByRole('textbox', { name: 'why it can wait' }).fill('ordered');
  await battery.getByRole('button', { name: 'put it off' }).click();
  await expect(list).toContainText(/put off, 1 May 2030: ordered/);
});

test('a rule of the firm is due at every station, until it is ended', async ({ page, request }) => {
  await makeStation(request, 'Ruled sump');
  await page.goto('/due');
  const rules = page.getByRole('region', { name: 'rules of the firm' });
  await rules.getByRole('textbox', { name: 'who', exact: true }).fill('M. O.');
  await rules.getByRole('textbox', { name: 'what is to be done' }).fill('blow out the dialler box');
  await rules.getByRole('textbox', { name: 'every so many days' }).fill('90');
  await rules.getByRole('button', { name: 'write it for every station' }).click();
  await expect(rules.getByRole('list', { name: 'rules that stand' })).toContainText('blow out the dialler box');
  const everywhere = page.getByRole('region', { name: 'what is due everywhere' });
  await expect(
    everywhere.getByRole('listitem').filter({ hasText: /Ruled sump.*blow out the dialler box/ }),
  ).toBeVisible();
  await rules.getByRole('button', { name: 'end: blow out the dialler box' }).click();
  await expect(everywhere.getByText('blow out the dialler box')).toHaveCount(0);
});

test('a misread figure is corrected and both can be seen; a spare goes from the shelf into its place', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Corrected sump');
  const at = new Date().toISOString();
  const write = (of: object, readings: object[] = []) =>
    request.post(`/api/stations/${id}/book`, { data: { at, by: 'R. T.', page: of, readings } });
  const part = { kind: 'part', place: '', serial: 'F-7', years: 10, hours: null, starts: null, warrantyTo: null };
  expect((await write(page1, [{ meter: 'hours-1', value: 1770 }])).status()).toBe(201);
  expect((await write({ ...part, name: 'tilt float', state: 'on the shelf', through: '' })).status()).toBe(201);
  await page.goto(`/stations/${id}/book`);
  await page.getByRole('textbox', { name: 'who', exact: true }).fill('M. O.');
  const pages = page.getByRole('list', { name: 'pages of the book' });
  await pages
    .getByRole('listitem')
    .filter({ hasText: '1770.0 h' })
    .getByRole('button', { name: /more of this page/ })
    .click();
  await pages.getByRole('button', { name: 'correct it' }).click();
  await pages.getByRole('textbox', { name: 'hour meter, pump 1 stood at' }).fill('177');
  await pages.getByRole('button', { name: 'correct it' }).click();
  await expect(pages.getByText('hour meter, pump 1 stood at 177.0 h, not at 1770.0 h')).toBeVisible();
  await expect(pages.getByText('corrected later')).toBeVisible();
  await page.getByText(/^Parts: 1 fitted or on the shelf/).click();
  await page.getByRole('button', { name: 'fit it', exact: true }).click();
  await page.getByRole('textbox', { name: 'where', exact: true }).fill('float 1');
  await page.getByRole('button', { name: 'fit it there' }).click();
  await expect(
    page.getByRole('list', { name: 'parts' }).getByText('tilt float, fitted · float 1 · serial: F-7'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'it was taken out' })).toBeVisible();
  // On paper all of it, what was corrected too, and nothing to press.
  await page.getByRole('link', { name: 'the whole book, to print' }).click();
  const whole = page.getByRole('article', { name: 'the whole book' });
  await expect(whole.getByText('1770.0 h', { exact: true })).toBeVisible();
  await expect(whole.getByRole('button')).toHaveCount(0);
});

test('a photograph is sent with its visit, and the round shows how often pumps start', async ({ page, request }) => {
  const id = await makeStation(request, 'Pictured sump');
  for (let week = 0; week < 4; week++)
    await request.post(`/api/stations/${id}/book`, {
      data: {
        at: new Date(Date.now() - (4 - week) * 7 * 86_400_000).toISOString(),
        by: 'R. T.',
        page: page1,
        readings: [{ meter: 'starts-1', value: week * 70 }],
      },
    });
  await page.goto(`/stations/${id}/book`);
  await page.getByRole('textbox', { name: 'who', exact: true }).fill('M. O.');
  await page.getByLabel('photographs of the visit').setInputFiles('docs/screenshots/round.png');
  await page.getByRole('button', { name: '1 photograph, more' }).waitFor();
  await page.getByRole('button', { name: 'write it in the book' }).click();
  await expect(page.getByRole('img', { name: 'photograph of the visit' })).toBeVisible();
  await page.goto('/');
  const gauge = page.getByRole('link').filter({ hasText: 'Pictured sump' });
  await gauge.scrollIntoViewIfNeeded();
  await expect(gauge.getByRole('img', { name: /^10 starts a day, read until/ })).toBeVisible();
});
