import { expect } from '@playwright/test';
import { bellLine, choose, float, give, makeStation, save, taken, type, test } from './station';

const shaftOf = (name: string) => ({ name: `shaft of ${name}` });

test('each duty has its own fields, its own levels in the shaft and its own rules', async ({ page, request }) => {
  const id = await makeStation(request, 'Duty sump');
  await page.goto(`/stations/${id}/survey`);
  const shaft = page.getByRole('group', shaftOf('Duty sump'));
  for (const [duty, field, level, rule] of [
    ['to dose from: a bed, a sewer', 'timer on', 'timer on', 'doses fit the day'],
    ['to be kept full: header or storage tank', 'must stay stored', 'fill pipe', 'fills without spilling'],
    ['to draw from: cistern, basin, pond', 'one useful run', 'restart', 'stops before it runs dry'],
    ['condensate, with a cut-off', 'makes', 'start', 'bore of the condensate line'],
  ] as const) {
    await choose(page, 'duty', duty);
    await expect(page.getByRole('textbox', { name: field, exact: true })).toBeVisible();
    await expect(shaft.getByText(level, { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Levels' }).click();
    await expect(page.getByRole('button', { name: new RegExp(rule) })).not.toContainText('not asked');
    await page.getByRole('link', { name: 'Survey' }).click();
  }
  await choose(page, 'duty', 'to be kept full: header or storage tank');
  await choose(page, 'filled', 'through a valve');
  await expect(page.getByRole('link', { name: 'discharge', exact: true })).toHaveCount(0);
  await choose(page, 'filled', 'by a pump');
  await type(page, 'water at the source', '-3 m');
  await expect(page.getByText('static head, from start').locator('..')).toContainText('4.05');
  await save(page);
  const kept = (await (await request.get(`/api/stations/${id}/file`)).json()) as {
    duty: { from: { level: number } };
    sensors: { contact: string }[];
  };
  expect(kept.duty.from.level).toBe(-3);
  expect(kept.sensors[0]!.contact).toBe('opens-on-rise');
});

test('a new station begins as a sound example of its duty, and of another while nothing was touched', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'new station' }).click();
  await choose(page, 'what it is for', 'condensate, with a cut-off');
  await page.getByRole('textbox', { name: 'name' }).fill('Plant room reservoir');
  await page.getByRole('combobox', { name: 'site' }).fill('Test Yard');
  await page.getByRole('button', { name: 'make it' }).click();
  await expect(page).toHaveURL(/\/survey$/);
  await expect(bellLine(page)).toContainText('0 broken');
  await expect(page.getByRole('textbox', { name: 'makes', exact: true })).toBeVisible();
  await choose(page, 'duty', 'to draw from: cistern, basin, pond');
  await expect(page.getByRole('textbox', { name: 'one useful run', exact: true })).toHaveValue('400');
  await expect(bellLine(page)).toContainText('0 broken');
});

test('what comes in is told in five ways, drawn, read from CSV and refused where it is wrong', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Inflow sump');
  await page.goto(`/stations/${id}/survey`);
  const told = (words: string) => choose(page, 'inflow, told as', words);

  await told('a 24-hour pattern');
  await expect(page.getByRole('img', { name: 'inflow through the day' })).toBeVisible();
  await give(
    page,
    'daily pattern file',
    'day.csv',
    `hour,factor\n${Array.from({ length: 24 }, (_, h) => `${h},${h === 7 ? 4 : 0.5}`).join('\n')}\n`,
  );
  await expect(page.getByRole('textbox', { name: '7 h', exact: true })).toHaveValue('4');
  await give(page, 'daily pattern file', 'short.csv', 'hour,factor\n0,1\n1,1\n');
  await expect(page.getByText(/daily pattern was not changed.*hour 2 is missing/)).toBeVisible();
  const pattern = await taken(page, 'write the pattern as CSV');
  expect(pattern.name).toBe('inflow-sump-pattern.csv');
  expect(pattern.text).toContain('7,4');

  await told('a storm');
  await expect(page.getByRole('img', { name: 'inflow through the storm' })).toBeVisible();
  await give(page, 'storm file', 'storm.csv', 'time (min),flow (L/s)\n0,0.2\n10,1.4\n20,0.6\n30,0.2\n');
  await expect(page.getByText(/The rules count .* as low, .* as design, 1\.40 L\/s as peak/)).toBeVisible();
  expect((await taken(page, 'write the storm as CSV')).text).toContain('10,1.4');
  await give(page, 'storm file', 'gap.csv', 'time (min),flow (L/s)\n0,0.2\n10,1.4\n20,0.6\n60,0.4\n70,0.2\n');
  await expect(page.getByText(/storm was not changed.*has a gap of 40 min 00 s/)).toBeVisible();
  await give(page, 'storm file', 'back.csv', 'time (min),flow (L/s)\n0,0.2\n10,1.4\n5,0.6\n');
  await expect(page.getByText(/a storm runs forward/).first()).toBeVisible();
  await type(page, 'time 2', '0');
  await expect(bellLine(page)).toContainText('not judged');
  await type(page, 'time 2', '5');
  await expect(bellLine(page)).toContainText('rules hold');

  await told('a list of fixtures');
  await type(page, 'uses a day', '400');
  await expect(page.getByText(/The rules count/)).toBeVisible();
  await told('appliances that make condensate');
  await type(page, 'makes', '9');
  await expect(page.getByText(/The rules count 0\.00250 L\/s as low/)).toBeVisible();
});

test('two pumps: together in the chart, alternating, a lag float in its place; three-float school and back', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Duplex sump');
  await page.goto(`/stations/${id}/survey`);
  await page.getByRole('group', { name: 'how many pumps' }).getByRole('button', { name: '2', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: 'the pumps take turns' })).toBeChecked();
  await expect(page.locator('.recharts-legend-item-text', { hasText: '2 pumps' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'lag float fitted' }).check();
  await expect(page.getByText('2 pumps together').locator('..')).toContainText('L/s');
  await expect(page.getByRole('region', { name: 'lag float' })).toBeVisible();
  await page
    .getByRole('group', { name: 'floats that run the pump' })
    .getByRole('button', { name: 'stop and lead floats' })
    .click();
  await expect(page.getByRole('region', { name: 'stop float' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'lead float' })).toBeVisible();
  await page.getByRole('link', { name: 'Levels' }).click();
  await expect(float(page, 'lag')).toBeVisible();
  await page.getByRole('tab', { name: 'water to each trip' }).click();
  await expect(page.getByRole('row', { name: /lag, 2 pumps/ })).toBeVisible();
  await page.getByRole('link', { name: 'Survey' }).click();
  await page.getByRole('group', { name: 'pump shown' }).getByRole('button', { name: 'pump 2' }).click();
  await type(page, 'head 2', '9');
  await expect(page.getByText(/curves contradict each other|rises or crosses/).first()).toBeVisible();
});

test('a point of the curve is dragged, or moved by keys, and one drag is one step to undo', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Drag curve');
  await page.goto(`/stations/${id}/survey`);
  const point = page.getByRole('slider', { name: 'point 3 of the curve' });
  const head = page.getByRole('textbox', { name: 'head 3', exact: true });
  await expect(head).toHaveValue('6.3');
  const box = (await point.boundingBox())!;
  await page.mouse.move(box.x + 5, box.y + 5);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(box.x + 5, box.y + 5 - i * 2);
  await page.mouse.up();
  await expect(head).not.toHaveValue('6.3');
  expect(Number(await head.inputValue())).toBeGreaterThan(6.3);
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(head).toHaveValue('6.3');
  await point.focus();
  await page.keyboard.press('ArrowDown');
  await expect(head).toHaveValue('6.215');
  await expect(bellLine(page)).toContainText('rules hold');
});

test('the library grows by what is typed at one station, and is taken from at another', async ({ page, request }) => {
  const first = await makeStation(
    request,
    'Library one',
    (s) => (s.pumps[0] = { ...s.pumps[0]!, name: 'e2e pump of one', startsPerHour: 17 }),
  );
  const second = await makeStation(request, 'Library two');
  await page.goto(`/stations/${first}/survey`);
  await page.getByRole('button', { name: 'keep in the library' }).click();
  await expect(page.getByText('“e2e pump of one” is in the library')).toBeVisible();
  await page.goto(`/stations/${second}/survey`);
  await choose(page, 'take from the library', 'e2e pump of one');
  await expect(page.getByRole('textbox', { name: 'starts limit' })).toHaveValue('17');
  await expect(page.getByRole('textbox', { name: 'stands at', exact: true }).first()).toHaveValue('270');
});

test('every kind of sensor has its fields and its own drawing; a bell says what a blocked breather does', async ({
  page,
  request,
}) => {
  const id = await makeStation(request, 'Sensor sump');
  await page.goto(`/stations/${id}/survey`);
  const drawing = page.getByRole('img', { name: 'pump float: on, off and the differential between' });
  await expect(drawing).toContainText('on 591 mm');
  for (const [kind, field, noun] of [
    ['slides on a rod', 'upper stop, floor up', 'float'],
    ['switch through the wall', 'goes back after', 'switch'],
    ['level transmitter', 'threshold on, floor up', 'transmitter'],
    ['pressure bell', 'mouth, floor up', 'pressure bell'],
  ] as const) {
    await choose(page, 'kind of pump float', kind);
    await expect(page.getByRole('textbox', { name: field, exact: true })).toBeVisible();
    await expect(page.getByRole('img', { name: `pump ${noun}: on, off and the differential between` })).toBeVisible();
  }
  await expect(page.getByText(/A blocked breather that holds so much moves this trip \d+ mm up/)).toBeVisible();
  await choose(page, 'kind of pump float', 'tilts on a tether');
  await page.getByRole('checkbox', { name: 'on a counterweight of its own cord' }).first().check();
  await type(page, 'weight', '0.3 kg');
  await expect(bellLine(page)).toContainText('floats reach their trips');
});

test('a bed is dosed through laterals: jets, volumes, and no orifices refused', async ({ page, request }) => {
  const id = await makeStation(
    request,
    'Bed tank',
    (s) =>
      (s.duty = {
        kind: 'dose',
        mode: 'timed',
        dosesPerDay: 4,
        on: 120,
        off: 3480,
        peakOff: 1500,
        minimumRest: 900,
        peakDay: 1.5,
        surge: 3600,
      }),
  );
  await page.goto(`/stations/${id}/survey`);
  await page.getByRole('checkbox', { name: /laterals with orifices/ }).check();
  const jet = page.getByText('jet at the last orifice').locator('..');
  await expect(jet).toContainText('mm');
  const before = await jet.innerText();
  await type(page, 'orifices on each', '20');
  await expect(jet).not.toHaveText(before);
  await type(page, 'orifices on each', '0');
  await expect(page.getByText(/no orifices let no water out/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Levels' }).click();
  await expect(page.getByText(/The figures are those of the last sound document/)).toBeVisible();
});
