import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { demoStations } from '../src/core/demo';
import { choose, makeStation, save, taken, test } from './station';

const underpass = () => demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;

const makeDuplex = (request: Parameters<typeof makeStation>[0], name: string) =>
  makeStation(request, name, (s) => Object.assign(s, underpass(), { identity: { ...s.identity, name } }));
const makeContactor = (request: Parameters<typeof makeStation>[0], name: string) =>
  makeStation(request, name, (s) => (s.control.scheme = 'contactor'));

async function open(page: Page, id: number): Promise<void> {
  await page.goto(`/stations/${id}/panel`);
  // A touch before the page answers would be lost.
  await page.waitForFunction(() =>
    Object.keys(document.querySelector('[role="tabpanel"]') ?? {}).some((key) => key.startsWith('__reactProps')),
  );
}
const element = (page: Page, id: string) =>
  page.getByRole('button', { name: new RegExp(`^${id.replace('.', '\\.')},`) });
const hand = (page: Page, tag: string) =>
  page.getByRole('group', { name: 'worked by hand' }).getByRole('button', { name: new RegExp(`^${tag},`) });
const does = (page: Page) => page.getByRole('list', { name: 'what it does now' });
const reading = (page: Page) => page.getByRole('status', { name: 'reading' });
const sheet = (page: Page, name: string) =>
  page.getByRole('group', { name: 'sheet of the ladder' }).getByRole('button', { name, exact: true }).click();
const floatInShaft = (page: Page, role: string) =>
  page.getByRole('button', { name: new RegExp(`\\w+ \\d, ${role}: acts`) });

async function probe(page: Page, a: string, b: string): Promise<void> {
  await page.getByLabel('red probe', { exact: true }).fill(a);
  await page.getByLabel('black probe', { exact: true }).fill(b);
}

test('the meter reads an open input, a closed one and the motor, and refuses ohms while it is live', async ({
  page,
  request,
}) => {
  await open(page, await makeContactor(request, 'Metered sump'));
  await probe(page, 'X2:1', 'X2:2');
  await expect(reading(page)).toContainText('230');
  await floatInShaft(page, 'pump').click();
  await expect(reading(page)).toContainText(/live: the red probe is on 2[23]\d/);
  await expect(does(page)).toContainText('● pump 1 runs');
  await probe(page, 'M1:U', 'M1:V');
  await expect(reading(page)).toContainText(/22\d\.\d V/);
  await choose(page, 'meter', 'Ω resistance');
  await expect(reading(page)).toContainText('refused: M1:U – M1:V carries 22');
  await hand(page, 'Q0').click();
  // Copper of its winding: a tenth of 230 V over 4.2 A.
  await expect(reading(page)).toContainText('5.48 Ω');
  await choose(page, 'meter', 'A clamp');
  await hand(page, 'Q0').click();
  await choose(page, 'clamp round', 'W-pump1/brown');
  await expect(reading(page)).toContainText(/4\.\d\d A/);
});

test('by keyboard alone: the meter at m, a float, a selector, and a coil asked why', async ({ page, request }) => {
  await open(page, await makeContactor(request, 'Keyed panel'));
  await floatInShaft(page, 'pump').focus();
  await page.keyboard.press('Enter');
  await expect(does(page)).toContainText('● pump 1 runs');
  await element(page, 'K1.coil').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'why' })).toContainText(
    'K1 is held in by S1 (Hand, Off or Auto for the pump, Auto), S-pump',
  );
  await hand(page, 'S1').focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(hand(page, 'S1')).toHaveAccessibleName(/: Off$/);
  await expect(does(page)).toContainText('○ pump 1 stands');
  await expect(page.getByRole('status', { name: 'why' })).toContainText('K1 is stopped by S1');
  await hand(page, 'S1').blur();
  await page.keyboard.press('m');
  await expect(page.getByLabel('red probe', { exact: true })).toBeFocused();
  await page.getByRole('button', { name: /^terminal X2:1,/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^terminal X1:1,/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('red probe', { exact: true })).toHaveValue('X2:1');
  await expect(page.getByLabel('black probe', { exact: true })).toHaveValue('X1:1');
});

test('the duplex: water raised in the shaft calls the lead, then the lag; a pump that is off is skipped', async ({
  page,
  request,
}) => {
  await open(page, await makeDuplex(request, 'Duplex on the bench'));
  for (const f of ['stop', 'lead']) await element(page, `S-${f}.NO`).click();
  // The water already stands over the stop float, so that a hand has just let it hang: lift it again.
  await element(page, 'S-stop.NO').click();
  await expect(does(page)).toContainText('● pump 1 runs');
  await expect(does(page)).toContainText('○ pump 2 stands');
  await element(page, 'S-lag.NO').click();
  await expect(does(page)).toContainText('● pump 2 runs');
  await element(page, 'S-lag.NO').click();
  await hand(page, 'Q1').click();
  await expect(does(page)).toContainText('○ pump 1 stands');
  await expect(does(page)).toContainText('● pump 2 runs');
  const water = page.getByRole('slider', { name: 'water level' });
  for (let i = 0; i < 5; i++) await water.press('Shift+ArrowUp');
  await expect(water).not.toHaveAttribute('aria-valuenow', '1125');
});

test('a breaker is tripped by a link across the motor, stays open, and is reset by hand once the link is out', async ({
  page,
  request,
}) => {
  await open(page, await makeContactor(request, 'Shorted pump'));
  await choose(page, 'link from', 'X1:4');
  await choose(page, 'to', 'X1:5');
  await page.getByRole('button', { name: 'fit link' }).click();
  for (const position of ['Hand', 'Off', 'Auto']) {
    await hand(page, 'S1').click();
    await expect(hand(page, 'S1')).toHaveAccessibleName(new RegExp(`: ${position}$`));
  }
  await floatInShaft(page, 'pump').click();
  await expect(hand(page, 'Q1')).toHaveAccessibleName(/: tripped$/);
  await expect(page.getByRole('list', { name: 'what it will do' })).toContainText(
    'Q1 opens (guards pump 1): too much current flows',
  );
  await page.getByRole('button', { name: 'take out the link X1:4 X1:5' }).click();
  await hand(page, 'Q1').click();
  await expect(does(page)).toContainText('● pump 1 runs');
});

test('a core landed wrong is told in words, shown in the posture where it shows, and put back', async ({
  page,
  request,
}) => {
  const id = await makeContactor(request, 'Miswired sump');
  await open(page, id);
  const told = page.getByRole('region', { name: 'not as designed' });
  await expect(told).toHaveCount(0);
  // Line and neutral of the feeder change places: one is dragged, the other picked and put.
  await page
    .getByRole('button', { name: 'core W-supply/brown to W0:L1' })
    .dragTo(page.locator('[data-terminal="X1:2"]'));
  await page.getByRole('button', { name: /^core W-supply\/blue/ }).click();
  await page.getByRole('button', { name: /^terminal X1:1,/ }).click();
  await expect(told).toContainText('brown core of the cable that feeds the panel, L1: on X1:2, by design on X1:1');
  await expect(told).toContainText('danger: pump 1 stands and stays live when off');
  await told.getByRole('button', { name: 'show it' }).first().click();
  await probe(page, 'M1:V', 'earth');
  await expect(reading(page)).toContainText('230');
  await save(page);
  await open(page, id);
  await expect(told).toContainText('stays live when off');
  await told.getByRole('button', { name: 'land all by design' }).click();
  await expect(told).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(told).toContainText('stays live when off');
});

test('plugs change places: the pump in the receptacle never stops', async ({ page, request }) => {
  await open(page, await makeStation(request, 'Plugged pump'));
  await choose(page, 'plug of the pump 1', 'receptacle');
  await expect(does(page)).toContainText('● pump 1 runs');
  await expect(page.getByRole('list', { name: 'what it will do' })).toContainText('pump 1 never stops');
});

test('schemes: one that fits is taken, one that does not says why, and what was landed is kept', async ({
  page,
  request,
}) => {
  const id = await makeContactor(request, 'Scheme to choose');
  await open(page, id);
  await page.getByRole('button', { name: /^core W-pump\/brown/ }).click();
  await page.getByRole('button', { name: 'loose or capped: no terminal' }).click();
  await page.getByRole('tab', { name: 'scheme' }).click();
  const schemes = page.getByRole('list', { name: 'schemes' });
  await expect(schemes.getByRole('listitem').filter({ hasText: 'alternating duplex' })).toContainText(
    'it alternates two pumps, and there is one',
  );
  await schemes.getByRole('button', { name: 'take alarm only' }).click();
  await page.getByRole('tab', { name: 'drawing' }).click();
  await expect(page.getByRole('region', { name: 'not as designed' })).toContainText(
    'kept from before: core W-pump/brown hangs loose: this panel has no such core',
  );
  await page.getByRole('tab', { name: 'scheme' }).click();
  await schemes.getByRole('button', { name: 'take alternating duplex' }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'does not fit this station: it alternates two pumps' }),
  ).toBeVisible();
  await expect(page.getByRole('tab', { name: 'drawing' })).toBeDisabled();
  await schemes.getByRole('button', { name: 'take low-voltage float and relay' }).click();
  await choose(page, 'switched by', 'solid-state relay');
  await page.getByRole('tab', { name: 'checks' }).click();
  await expect(page.getByRole('region', { name: 'control' })).toContainText('K1 leaks when it is off');
});

test('an interlock is added and works: the appliance stands when the alarm sounds', async ({ page, request }) => {
  await open(page, await makeContactor(request, 'Interlocked sump'));
  await page.getByRole('tab', { name: 'scheme' }).click();
  await choose(page, 'add an interlock', 'cut-off of what makes the water');
  await page.getByRole('textbox', { name: 'cut-off of what makes the water' }).fill('ice machine');
  await page.getByRole('textbox', { name: 'cut-off of what makes the water' }).blur();
  await page.getByRole('tab', { name: 'drawing' }).click();
  await expect(does(page)).toContainText('● ice machine may run');
  await floatInShaft(page, 'alarm').click();
  await expect(does(page)).toContainText('○ ice machine is stopped');
  await expect(does(page)).toContainText('● the horn sounds');
  await hand(page, 'S2').click();
  await expect(does(page)).toContainText('○ the horn is quiet');
  await expect(does(page)).toContainText('● the lamp is lit');
});

test('figures follow the cable: a long thin feeder is told', async ({ page, request }) => {
  await open(page, await makeContactor(request, 'Long feeder'));
  await page.getByRole('tab', { name: 'checks' }).click();
  const power = page.getByRole('region', { name: 'power' });
  await expect(power.getByText('broken')).toHaveCount(0);
  await page.getByRole('textbox', { name: 'feeder, one way' }).fill('250');
  await page.getByRole('textbox', { name: 'feeder, one way' }).press('Enter');
  await expect(power.getByRole('listitem').first()).toContainText('broken');
  await choose(page, 'feeder, size', '10 mm²');
  await expect(page.getByRole('textbox', { name: 'feeder carries' })).toHaveValue('46');
  await choose(page, 'conduit from the pit', 'straight into the box');
  await expect(page.getByRole('region', { name: 'boxes and seals' }).getByRole('listitem').first()).toContainText(
    'gas that burns',
  );
});

test('lists, drawing and readings go out: CSV, SVG, and a page for the door', async ({ page, request }) => {
  const id = await makeDuplex(request, 'Listed duplex');
  await open(page, id);
  const svg = await taken(page, 'SVG');
  expect(svg.name).toBe('listed-duplex-ladder-control.svg');
  expect(svg.text).toContain('lead call, held until the stop float opens');
  await page.getByRole('tab', { name: 'lists' }).click();
  const wires = await taken(page, 'write CSV');
  expect(wires.text.split('\n')[0]!.trim()).toBe('from,to,number,colour,size,length (m),where');
  expect(wires.text).toMatch(/X2:1,S-stop:C,C,brown,1 mm²,18,field/);
  await page.getByRole('button', { name: 'parts' }).click();
  await expect(page.getByRole('table', { name: 'parts list' })).toContainText('contactor, 9 A AC-3, coil 231 V AC');
  await page.getByRole('tab', { name: 'expected readings' }).click();
  const row = page
    .getByRole('table', { name: 'expected readings' })
    .getByRole('row')
    .filter({ hasText: 'high' })
    .or(page.getByRole('row').filter({ hasText: 'alarm float' }));
  await expect(row.first()).toContainText(/23\d\.\d V.*no difference between the two/);
  await row.first().getByRole('button', { name: 'put the meter there' }).click();
  await expect(reading(page)).toContainText(/23\d\.\d V/);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('group', { name: 'meter' })).toBeHidden();
  await expect(page.getByRole('table', { name: 'expected readings' })).toBeVisible();
});

test('a wire is touched on the drawing with the probe in hand', async ({ page, request }) => {
  await open(page, await makeDuplex(request, 'Touched duplex'));
  await sheet(page, 'power');
  await page.getByRole('button', { name: 'touch with the red probe' }).click();
  await page.locator('.wire-hit[data-wire="L1"]').first().click();
  await page.locator('.wire-hit[data-wire="L2"]').first().click();
  await expect(page.getByLabel('black probe', { exact: true })).toHaveValue('L2');
  await expect(reading(page)).toContainText(/40\d\.\d V|39\d\.\d V/);
});

test('on a phone the meter stays at hand, and nothing on the page is out of reach', async ({ page, request }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, await makeContactor(request, 'Phone panel'));
  await expect(reading(page)).toBeInViewport();
  // Picked from a list, or touched at the strip, for which the meter makes room.
  await page.getByRole('button', { name: 'meter ▴' }).click();
  await page.getByRole('combobox', { name: 'red probe' }).selectOption('X2:1');
  await page.getByRole('button', { name: 'touch with the black probe' }).click();
  await expect(page.getByRole('combobox', { name: 'red probe' })).toBeHidden();
  await page.getByRole('button', { name: /^terminal X2:2,/ }).click();
  await expect(reading(page)).toContainText('230');
  await page.getByRole('button', { name: 'hands off' }).click();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

for (const tab of ['drawing', 'scheme', 'checks', 'lists', 'expected readings']) {
  test(`the panel’s ${tab} can be read by everyone`, async ({ page, request }) => {
    await open(page, await makeDuplex(request, `Read ${tab}`));
    await page.getByRole('tab', { name: tab }).click();
    const { violations } = await new AxeBuilder({ page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'])
      .analyze();
    expect(violations.map((v) => `${v.id} ${v.nodes[0]?.target}`)).toEqual([]);
  });
}

test('a part is chosen, drawn and worked: a motor too hot stops, rings, and comes back when it has cooled', async ({
  page,
  request,
}) => {
  const id = await makeContactor(request, 'Watched motor');
  await open(page, id);
  await page.getByRole('tab', { name: 'scheme' }).click();
  await choose(page, 'motor thermal contact', 'stops it until it has cooled');
  await page.getByLabel('after a power cut wait').fill('0');
  await page.getByLabel('after a power cut wait').blur();
  await expect(page.getByText(/the wait must be more than zero/).first()).toBeVisible();
  await page.getByLabel('after a power cut wait').fill('');
  await page.getByLabel('after a power cut wait').blur();
  await page.getByRole('tab', { name: 'drawing' }).click();
  await floatInShaft(page, 'pump').click();
  await expect(does(page)).toContainText('● pump 1 runs');
  await hand(page, 'H1').click();
  await expect(does(page)).toContainText('○ pump 1 stands');
  await expect(does(page)).toContainText('● the horn sounds');
  await hand(page, 'H1').click();
  await expect(does(page)).toContainText('● pump 1 runs');
  await save(page);
  await open(page, id);
  await expect(hand(page, 'H1')).toBeVisible();
});

test('a phase off its terminal: the pump hums, its overload warms, and opens when that time is let pass', async ({
  page,
  request,
}) => {
  await open(page, await makeDuplex(request, 'Two phases'));
  await page.getByRole('button', { name: /^core W-pump1\/grey/ }).click();
  const loose = page.locator('[data-terminal="loose"]');
  await loose.click();
  // What the landing does comes in a moment later, and moves nothing from under a hand.
  const before = await loose.boundingBox();
  const told = page.getByRole('button', { name: /^1 not as designed, \d+ danger/ });
  await expect(told).toBeVisible();
  expect(await loose.boundingBox()).toEqual(before);
  await told.press('Enter');
  await expect(page.getByRole('list', { name: 'what it will do' })).toBeInViewport();
  // The water stands over the stop float already.
  await floatInShaft(page, 'lead').click();
  await expect(does(page)).toContainText('○ pump 1 stands');
  await page.getByRole('button', { name: /^F11 warms, and opens: let \d+ s pass$/ }).click();
  await expect(hand(page, 'F11')).toHaveAccessibleName(/: tripped$/);
});
