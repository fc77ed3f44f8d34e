import { expect, type Locator, type Page } from '@playwright/test';
import { demoStations } from '@/core/demo';
import { pageSchema } from '@/core/book';
import { askingOf, atTurn, boardOf, NO_PAST, settingWords, suspectsOf, type Board } from '@/core/trace';
import { checkStation } from '@/core/station';
import type { Observation } from '@/core/tests';
import { askStation } from '@/server/asked';
import { makeStation, taken, test } from './station';

/* Fault finding, whole: by keyboard on a desk to the line in the book; on a phone without a signal; from a sketch of an unknown site. */

/** A world with a fault in it, which answers the cards: by the model, as the station itself would. */
function worldWith(file: string, fault: string): { board: Board; row: NonNullable<Board['rows'][number]> } {
  const { station } = demoStations().find((d) => d.file === file)!;
  const made = askingOf(station);
  if (!made.ok) throw new Error(file);
  const board = boardOf(made.asking, suspectsOf(station, made.asking.panel, NO_PAST));
  return { board, row: board.rows[board.suspects.findIndex((s) => s.id === fault)]! };
}

type World = ReturnType<typeof worldWith>;

/** Says yes or no to everything that a round asks for. */
async function look(article: Locator, { board, row }: World): Promise<void> {
  for (const group of await article.getByRole('list', { name: 'what to look for' }).getByRole('group').all()) {
    const says = await group.getAttribute('aria-label');
    const i = board.asking.symptoms.findIndex((s) => [s.says].flat().includes(says!));
    await group.getByRole('button', { name: row.symptoms[i] ? 'yes' : 'no' }).press('Enter');
  }
}

/** A figure as it is typed. */
function typed(o: Observation, at: number): string {
  if (o.kind === 'ohms') return at > 7 ? 'OL' : String(10 ** at);
  return o.kind === 'level' || o.kind === 'tape' ? `${at * 1000} mm` : String(at);
}

/** Answers one observation: words, what happens, or a figure. */
async function answerField(field: Locator, { board, row }: World, test: string, o: Observation): Promise<void> {
  const e = atTurn(row.expects[board.place.get(`${test}/${o.id}`)!] ?? null, 0);
  const press = (name: string) => field.getByRole('button', { name, exact: true }).press('Enter');
  if (e?.kind === 'words') await press(e.text);
  if (e?.kind === 'happens') {
    const labels = e.which.map((id) => board.asking.panel.outcomes.find((x) => x.id === id)!.label);
    for (const label of labels.length === 0 ? ['nothing of it'] : labels) await press(label);
  }
  if (e?.kind === 'figure') await field.getByRole('textbox').fill(typed(o, e.at));
}

/** Answers the card that is shown as a world would, by the keyboard alone. */
async function answer(page: Page, world: World): Promise<void> {
  const article = page.getByRole('article');
  const title = await article.getByRole('heading', { level: 2 }).innerText();
  if (title.startsWith('Look round') || title.startsWith('Stay for')) await look(article, world);
  else {
    const state = await article.locator('p', { hasText: 'State:' }).innerText();
    const { test } = world.board.asking.tests.find(
      (t) => t.test.title === title && state.includes(settingWords(world.board.asking.station)[t.setting]),
    )!;
    for (const o of test.parts.flatMap((p) => p.observes))
      await answerField(article.getByRole('group', { name: o.label, exact: true }), world, test.id, o);
  }
  await article.getByRole('button', { name: 'that was found' }).press('Enter');
}

const suspects = (page: Page) => page.getByRole('region', { name: 'suspects' });
const told = (page: Page, symptom: string, is = 'yes') =>
  page.getByRole('group', { name: symptom, exact: true }).getByRole('button', { name: is });

/** Answers card after card until it is sure. */
async function toTheEnd(page: Page, world: World): Promise<number> {
  for (let n = 0; n < 15; n++) {
    await expect(suspects(page)).toHaveAttribute('aria-busy', 'false', { timeout: 60_000 });
    if (await suspects(page).getByText('Sure enough').isVisible()) return n;
    await answer(page, world);
  }
  throw new Error('not sure after fifteen cards');
}

test('a welded float is found by keyboard alone, mended by its job, and stands in the book', async ({
  page,
  request,
}) => {
  test.setTimeout(180_000);
  const sump = demoStations().find((d) => d.file === 'workshop-sump.json')!.station;
  const id = await makeStation(request, 'Traced sump', (s) =>
    Object.assign(s, { ...sump, identity: { ...sump.identity, name: 'Traced sump' } }),
  );
  const world = worldWith('workshop-sump.json', 'pump-welded');
  await page.goto(`/stations/${id}/levels`);
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page).toHaveURL(/\/trace$/);
  await told(page, 'runs and never stops').press('Enter');
  await page
    .getByRole('group', { name: 'the water stands' })
    .getByRole('button', { name: 'under every call' })
    .press('Enter');
  await page.getByRole('button', { name: 'on to the next test' }).press('Enter');
  const cards = await toTheEnd(page, world);
  expect(cards).toBeLessThan(9);
  await suspects(page).getByRole('button', { name: 'what it is, and what now' }).press('Enter');
  const end = page.getByRole('region', { name: 'trace' });
  await expect(end.getByRole('heading', { level: 2 }).first()).toHaveText('pump float: contact welded');
  await expect(end).toContainText('For it:');
  await expect(end.getByRole('region', { name: 'the mend' })).toContainText('change the float');
  await expect(end).toContainText('Test again after it: Bench test');
  await expect(end.getByRole('list', { name: 'parts for the mend' })).toContainText(
    'No book of a station that is looked after has one',
  );
  await end.getByRole('textbox', { name: 'who' }).fill('R. T.');
  await end.getByRole('button', { name: 'it was so: write it in the book' }).press('Enter');
  await expect(end).toContainText('It stands in the book');
  const { pages } = (await (await request.get(`/api/stations/${id}/book`)).json()) as { pages: { page: unknown }[] };
  expect(pageSchema.parse(pages[0]!.page)).toMatchObject({ faults: [{ id: 'pump-welded' }] });
  await page.reload();
  await page.getByRole('button', { name: 'what was told' }).click();
  await expect(page.getByRole('list', { name: 'what was told' }).getByRole('listitem').first()).toContainText(
    'runs and never stops',
    // Every suspect is asked again before words are known.
    { timeout: 60_000 },
  );
  const file = await taken(page, 'hand it on as a file');
  expect(JSON.parse(file.text)).toMatchObject({ format: 'pit-bell/trace', confirmed: 'pump-welded' });
  await page.getByRole('button', { name: 'how often' }).press('Enter');
  const often = page.getByRole('list', { name: 'how often each comes' }).getByRole('listitem');
  const welded = often.filter({ hasText: 'its contact carried more than it is made for' });
  await expect(welded).toContainText('once in 167 years');
  await welded.getByRole('button', { name: /say otherwise/ }).press('Enter');
  await welded.getByLabel('once in').fill('4');
  await welded.getByRole('button', { name: 'so it is with us' }).press('Enter');
  await expect(welded).toContainText('as the firm says');
  await welded.getByRole('button', { name: /say otherwise/ }).press('Enter');
  await welded.getByRole('button', { name: 'as assumed again' }).press('Enter');
  await expect(welded).toContainText('assumed');
});

test('what the server has asked of a station is taken from there: no second thread asks it', async ({
  page,
  request,
}) => {
  const small = demoStations().find((d) => d.file === 'cold-store-condensate.json')!.station;
  const id = await makeStation(request, 'Asked sump', (s) =>
    Object.assign(s, { ...small, identity: { ...small.identity, name: 'Asked sump' } }),
  );
  const saved = checkStation(await (await request.get(`/api/stations/${id}/file`)).json());
  if (!saved.ok) throw new Error('it came back otherwise');
  expect(await askStation(saved.station, '.pitbell/e2e-data')).toMatchObject({ now: true });
  const begun: string[] = [];
  page.on('worker', (w) => void begun.push(w.url()));
  await page.goto(`/stations/${id}/trace`);
  await expect(suspects(page)).toHaveAttribute('aria-busy', 'false', { timeout: 60_000 });
  // Where the device asks there are as many as it has processors, up to four.
  expect(begun).toHaveLength(1);
});

test('on a phone without a signal the trace goes on, and is there again after a break', async ({ browser }) => {
  test.setTimeout(120_000);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await page.goto('/stations/3/trace');
  // Every suspect is asked first: seconds on a quiet machine, longer on a busy one.
  await expect(suspects(page)).toHaveAttribute('aria-busy', 'false', { timeout: 60_000 });
  await context.setOffline(true);
  const world = worldWith('ticket-office-cellar.json', 'Q1-off');
  await told(page, 'never starts, though the water is high').tap();
  await told(page, 'water over the top').tap();
  await page.getByRole('group', { name: 'the water stands' }).getByRole('button', { name: 'at the first call' }).tap();
  await page.getByRole('button', { name: 'on to the next test' }).tap();
  await expect(page.getByRole('region', { name: 'time to overflow' })).toContainText('Pump it down first');
  await toTheEnd(page, world);
  await expect(suspects(page).getByRole('listitem').first()).toContainText('Q1 is off');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await context.setOffline(false);
  await page.goto('/');
  await page.goto('/stations/3/trace');
  await expect(suspects(page).getByRole('listitem').first()).toContainText('Q1 is off', { timeout: 60_000 });
  await page.getByRole('button', { name: 'what was told' }).tap();
  await page.getByRole('button', { name: 'begin anew' }).tap();
  await context.close();
});

test('six taps at an unknown site begin a trace of a station that is assumed throughout', async ({ page }) => {
  await page.goto('/trace');
  await page.getByRole('button', { name: 'floats at a panel with contactors' }).click();
  await page.getByRole('button', { name: '120 V 60 Hz' }).click();
  await page.getByRole('textbox', { name: 'what the site is called' }).fill('Behind the laundry');
  await page.getByRole('button', { name: 'begin the trace' }).click();
  await expect(page).toHaveURL(/stations\/\d+\/trace$/);
  await expect(page.getByRole('list', { name: 'what is seen' })).toContainText('good by hand, dead in Auto');
  await page.getByRole('link', { name: 'Survey', exact: true }).click();
  await expect(page.getByText(/assumed/).first()).toBeVisible();
});
