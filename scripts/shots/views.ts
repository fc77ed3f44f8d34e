/* The pictures of one view each. */
import type { Page } from '@playwright/test';

export interface Shot {
  name: string;
  address: string;
  phone?: boolean;
  theme?: 'night' | 'daylight';
  before?(page: Page): Promise<void>;
}

const sheet = (name: string) => (page: Page) => page.getByRole('tab', { name }).click();

/** A run of the job that is shown, at one of its steps. */
async function begun(page: Page, step: RegExp, phone = false): Promise<void> {
  await page.getByRole('textbox', { name: 'tested by' }).fill('R. T.');
  await page.getByRole('button', { name: /begin a run/ }).click();
  await page.waitForURL(/prove\/\d+$/);
  if (phone) await page.getByRole('button', { name: 'steps' }).click();
  await page.getByRole('button', { name: step }).first().click();
  await page.getByRole('heading', { name: step, level: 2 }).waitFor();
  await page
    .getByRole('img', { name: /red on/ })
    .first()
    .waitFor({ timeout: phone ? 1 : 10_000 })
    .catch(() => {});
}

export const SHOTS: readonly Shot[] = [
  { name: 'round', address: '/' },
  { name: 'survey', address: '/stations/5/survey' },
  { name: 'book', address: '/stations/5/book' },
  { name: 'levels', address: '/stations/1/levels' },
  { name: 'levels-from-above', address: '/stations/5/levels', before: sheet('plan view') },
  {
    name: 'levels-proposed',
    address: '/stations/12/levels',
    before: async (page) => {
      await sheet('set levels for me')(page);
      await page.getByRole('button', { name: 'take it whole' }).waitFor();
    },
  },
  {
    name: 'levels-broken-night',
    address: '/stations/3/levels?rule=starts',
    theme: 'night',
    before: async (page) => {
      await sheet('tape list')(page);
      await page.getByRole('table', { name: 'tape list' }).waitFor();
    },
  },
  {
    name: 'panel',
    address: '/stations/5/panel',
    before: async (page) => {
      for (const f of ['S-lead', 'S-lag']) await page.getByRole('button', { name: new RegExp(`^${f}.NO`) }).click();
      await page.getByRole('button', { name: /^K2.coil/ }).click();
      await page.getByLabel('red probe', { exact: true }).fill('X2:3');
      await page.getByLabel('black probe', { exact: true }).fill('earth');
    },
  },
  {
    name: 'panel-landed',
    address: '/stations/12/panel',
    before: (page) => page.getByRole('region', { name: 'not as designed' }).waitFor(),
  },
  {
    name: 'panel-schemes',
    address: '/stations/9/panel',
    before: async (page) => {
      await sheet('scheme')(page);
      await page.getByRole('list', { name: 'schemes' }).waitFor();
    },
  },
  {
    name: 'rehearse',
    address: '/stations/5/rehearse',
    before: async (page) => {
      const time = page.getByRole('slider', { name: 'time', exact: true });
      await time.waitFor();
      await page.getByRole('combobox', { name: 'scenario' }).selectOption({ label: 'a storm half as big again' });
      await page.getByRole('switch', { name: 'only what is out of the ordinary' }).click();
      await page.getByRole('combobox', { name: 'fault to put in' }).selectOption({ label: 'pump 2: seized' });
      const lane = (await page.locator('[data-lane="faults"]').boundingBox())!;
      await page.mouse.move(lane.x + lane.width * 0.02, lane.y + 8);
      await page.mouse.down();
      await page.mouse.move(lane.x + lane.width * 0.2, lane.y + 8, { steps: 4 });
      await page.mouse.up();
      await page.getByRole('list', { name: 'events' }).getByText('fault: pump 2: seized').first().waitFor();
      await time.click({ position: { x: 95, y: 60 } });
    },
  },
  {
    name: 'prove',
    address: '/stations/5/prove?job=J6',
    before: (page) => page.getByRole('heading', { name: 'What to bring' }).waitFor(),
  },
  {
    name: 'prove-run',
    address: '/stations/5/prove?job=J6',
    before: (page) => begun(page, /Volts over each input/),
  },
  {
    name: 'prove-phone',
    address: '/stations/5/prove?job=J6',
    phone: true,
    before: async (page) => {
      await begun(page, /Which input each float lands on/, true);
      await page.getByRole('radio', { name: /four, link out/ }).waitFor();
    },
  },
  {
    name: 'trace',
    address: '/stations/1/trace',
    before: async (page) => {
      const press = (group: string, name: string) =>
        page.getByRole('group', { name: group, exact: true }).getByRole('button', { name }).click();
      await press('the water stands', 'at the first call');
      await press('never starts, though the water is high', 'yes');
      await press('water over the top', 'yes');
      await page.getByRole('button', { name: 'on to the next test' }).click();
      await page.getByRole('article').waitFor();
    },
  },
  { name: 'card', address: '/stations/2/card' },
];
