/* Pictures that belong together, each at the desk and on the phone, on one sheet. */
import type { Browser, BrowserContext, Page } from '@playwright/test';
import { ADDRESS, WITH_PEOPLE } from './servers';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const GOOD = 'otter brick lantern nine';

interface Row {
  readonly words: string;
  readonly people?: true;
  /** Brings a page to what is shown. */
  show(page: Page, context: BrowserContext, phone: boolean): Promise<unknown>;
}

interface Sheet {
  readonly name: string;
  readonly rows: readonly Row[];
}

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).click();

/** The server does not answer; what the page has it has. */
const away = (context: BrowserContext) => context.route('**/api/**', (route) => route.abort());

export const SHEETS: readonly Sheet[] = [
  {
    name: 'people',
    rows: [
      {
        words: 'signing in',
        async show(page) {
          await page.context().clearCookies();
          await page.goto(`${WITH_PEOPLE}/sign-in?to=%2F`);
          await page.getByRole('textbox', { name: 'name', exact: true }).fill('M. Oak');
          await page.getByLabel('passphrase').fill('not what it was');
          await press(page, 'come in');
          await page.getByRole('alert').first().waitFor();
        },
        people: true,
      },
      { words: 'people', people: true, show: (page) => page.goto(`${WITH_PEOPLE}/people`) },
      { words: 'archive and bin', people: true, show: (page) => page.goto(`${WITH_PEOPLE}/resting`) },
    ],
  },
  {
    name: 'learn',
    rows: [
      {
        words: 'a drill: ohms on what is live are stopped',
        async show(page) {
          await page.goto(`${ADDRESS}/stations/1/drill`);
          await page.getByRole('textbox', { name: 'number of the drill' }).fill('11');
          await press(page, /^begin$/);
          await press(page, /^look round/);
          await press(page, /^meter$/);
          await press(page, 'Ω resistance');
          await page.getByRole('combobox', { name: 'red probe' }).selectOption('L1');
          await page.getByRole('combobox', { name: 'black probe' }).selectOption('N');
          await press(page, 'read the meter');
          await page
            .getByRole('list', { name: 'what it showed' })
            .getByText(/Stopped/)
            .waitFor();
        },
      },
      {
        words: 'a lesson, looked back at and replayed',
        async show(page) {
          await page.goto(`${ADDRESS}/learn?lesson=never-stops`);
          await press(page, 'to the bench');
          await press(page, /^ask the owner/);
          await press(page, /^stay for some/);
          await press(page, 'name it');
          await page.getByRole('combobox', { name: 'what it is' }).selectOption('pump-welded');
          await press(page, 'that is what it is');
          const slider = page.getByRole('slider', { name: 'minute of the drill' });
          await slider.waitFor({ timeout: 60_000 });
          await slider.focus();
          for (let n = 0; n < 6; n++) await page.keyboard.press('PageUp');
          await slider.scrollIntoViewIfNeeded();
        },
      },
      { words: 'the course', show: (page) => page.goto(`${ADDRESS}/learn`) },
      {
        words: 'a strip that is landed wrong, asked before it is shown',
        async show(page) {
          await page.goto(`${ADDRESS}/learn?exercise=wrong&station=workshop-sump&number=2`);
          await page.getByRole('checkbox').first().check({ timeout: 30_000 });
          await press(page, 'ask the circuit');
        },
      },
      {
        words: 'levels to be set, and the storm over them',
        async show(page) {
          await page.goto(`${ADDRESS}/learn?exercise=levels&station=workshop-sump&number=2`);
          await press(page, 'let the storm run');
          await page
            .getByRole('status', { name: 'how the levels stand' })
            .getByText(/two hours/)
            .waitFor();
        },
      },
    ],
  },
  {
    name: 'without-signal',
    rows: [
      {
        words: 'taken along, and what is not sent',
        async show(page, context) {
          await page.goto(`${ADDRESS}/along`);
          for (const name of ['Crew-boat workshop sump', 'Slipway drainage pit'])
            await page.getByRole('checkbox', { name: new RegExp(name) }).click();
          await press(page, /^take along, about/);
          await page.getByRole('button', { name: /^leave Slipway/ }).waitFor({ timeout: 60_000 });
          await context.setOffline(true);
          await page.goto(`${ADDRESS}/stations/1/book`);
          await page.getByRole('textbox', { name: 'who', exact: true }).fill('R. T.');
          await page.getByRole('textbox', { name: 'seen, done, decided, used' }).fill('float wiped, runs free');
          await press(page, 'write it in the book');
          await page.getByRole('list', { name: 'on this device only' }).waitFor();
          await page.goto(`${ADDRESS}/along`);
          await page.getByRole('button', { name: 'send now' }).waitFor();
        },
      },
      {
        words: 'a station made without signal',
        async show(page, context) {
          await page.goto(`${ADDRESS}/trace`);
          await page.waitForLoadState('networkidle');
          await away(context);
          await page.getByRole('textbox', { name: 'what the site is called' }).fill('Boathouse pit');
          await press(page, 'begin the trace');
          await page.getByRole('status', { name: 'save state' }).waitFor();
          await page
            .getByRole('group', { name: 'the water stands' })
            .getByRole('button', { name: 'at the first call' })
            .waitFor();
        },
      },
      {
        words: 'saved on two devices',
        async show(page, context, phone) {
          const id = phone ? 4 : 6;
          await page.goto(`${ADDRESS}/stations/${id}/survey`);
          await away(context);
          const note = page.getByRole('textbox', { name: 'note' });
          await note.fill('lid is heavy: two people');
          await note.press('Tab');
          await press(page, /^save/);
          await page.getByRole('link', { name: /1 on this device only/ }).waitFor();
          const api = `${ADDRESS}/api/stations/${id}`;
          const document = (await (await fetch(`${api}/file`)).json()) as { identity: { note: string }; name: string };
          document.identity.note = 'new lid since May';
          for (let base = 1; base < 9; base++) {
            const put = await fetch(api, {
              method: 'PUT',
              headers: { 'content-type': 'application/json' },
              body: JSON.stringify({ base, document }),
            });
            if (put.ok) break;
          }
          await context.unroute('**/api/**');
          await page.evaluate(() => window.dispatchEvent(new Event('online')));
          await page.getByRole('dialog').waitFor({ timeout: 30_000 });
        },
      },
    ],
  },
];

/** The first of the people comes in, asks somebody in, and deletes a station. @returns what keeps him in */
export async function peopleCome(browser: Browser, first: string) {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(first);
  await page.getByRole('textbox', { name: 'name', exact: true }).fill('R. Teal');
  await page.getByLabel('passphrase').fill(GOOD);
  await press(page, 'make it and come in');
  await page.getByText('R. Teal, owner').waitFor();
  await page.goto(`${WITH_PEOPLE}/people`);
  await page.getByRole('combobox', { name: 'as', exact: true }).selectOption('reader');
  await press(page, 'make an address for them');
  const address = await page.getByRole('textbox', { name: /good once/ }).inputValue();
  const other = await browser.newContext();
  const theirs = await other.newPage();
  await theirs.goto(address);
  await theirs.getByRole('textbox', { name: 'name', exact: true }).fill('M. Oak');
  await theirs.getByLabel('passphrase').fill(GOOD);
  await press(theirs, 'make it and come in');
  await theirs.getByText('M. Oak, reader').waitFor();
  await other.close();
  for (const [id, to] of [
    [3, 'bin'],
    [7, 'archive'],
  ] as const)
    await context.request.post(`${WITH_PEOPLE}/api/stations/${id}/${to}`, { data: { on: true, by: '' } });
  const state = await context.storageState();
  await context.close();
  return state;
}

/** Takes a sheet: every row at both sizes, beside each other. */
export async function takeSheet(
  browser: Browser,
  { rows }: Sheet,
  state: Awaited<ReturnType<typeof peopleCome>>,
  out: string,
): Promise<void> {
  const shown: string[] = [];
  for (const { words, people, show } of rows) {
    const pictures: string[] = [];
    for (const viewport of [DESK, PHONE]) {
      const phone = viewport === PHONE;
      const context = await browser.newContext({ viewport, ...(people && { storageState: state }) });
      const page = await context.newPage();
      await show(page, context, phone);
      await page.waitForLoadState('networkidle');
      const png = (await page.screenshot()).toString('base64');
      pictures.push(`<img style="height:500px;border:1px solid #bbb" src="data:image/png;base64,${png}">`);
      await context.close();
    }
    shown.push(`<h2 style="margin:14px 0 6px;font:600 17px sans-serif">${words}</h2>${pictures.join(' ')}`);
  }
  const page = await browser.newPage({ viewport: { width: 1080, height: 600 } });
  await page.setContent(`<body style="margin:0 14px 14px;white-space:nowrap">${shown.join('')}</body>`);
  await page.screenshot({ path: out, fullPage: true });
  await page.close();
}
