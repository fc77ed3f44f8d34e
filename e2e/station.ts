import { expect, test as base, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { exampleStation } from '../src/core/starting';
import type { Station } from '../src/core/station';

/** Everything on the page that can be worked is worked by React already, and its keys are listened to: a touch before that would be lost. */
const alive = () =>
  (!document.querySelector('header') || document.documentElement.dataset.keys !== undefined) &&
  [...document.querySelectorAll('button, a, input, [role="slider"]')].every((e) =>
    Object.keys(e).some((key) => key.startsWith('__react')),
  );

/** A page that is waited for until it can be worked, wherever it goes to. */
export const test = base.extend({
  page: async ({ page }, give) => {
    const goto = page.goto.bind(page);
    page.goto = async (address, options) => {
      const answer = await goto(address, options);
      await page.waitForFunction(alive);
      return answer;
    };
    await give(page);
  },
});

/** Keeps a station of this test's own; answers its id. */
export async function makeStation(
  request: APIRequestContext,
  name: string,
  change: (s: Station) => void = () => {},
): Promise<number> {
  const station = exampleStation(name, 'Test Yard', 'metric-230', 'empty');
  change(station);
  const answer = await request.post('/api/stations', { data: station });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { saved: { id: number } }).saved.id;
}

export const float = (page: Page, role: string): Locator =>
  page.getByRole('slider', { name: new RegExp(`\\w+ \\d, ${role}: acts`) });

/** The float of a role as the plan shows it. */
export const fromAbove = (page: Page, role: string): Locator =>
  page.getByRole('slider', { name: new RegExp(`float \\d, ${role}, from above`) });
export const bellLine = (page: Page): Locator => page.getByRole('contentinfo', { name: 'bell line' });
export const saveState = (page: Page): Locator => page.getByRole('status', { name: 'save state' });

/** Types into a field of the survey and leaves it. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByRole('textbox', { name: label, exact: true }).first();
  await field.fill(text);
  await field.press('Enter');
}

export async function save(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'save' }).click();
  await expect(saveState(page)).toHaveText(/^saved/);
}

/** Picks one of a field's choices. */
export async function choose(within: Page | Locator, label: string, choice: string): Promise<void> {
  await within.getByRole('combobox', { name: label, exact: true }).selectOption({ label: choice });
}

/** Gives a file to one of the file fields. */
export const give = (page: Page, label: string, name: string, text: string): Promise<void> =>
  page.getByLabel(label).setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

/** What a button hands out as a file. */
export async function taken(page: Page, button: string): Promise<{ name: string; text: string }> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  const file = await download;
  return { name: file.suggestedFilename(), text: readFileSync(await file.path(), 'utf8') };
}
