import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import { newStation, type Station } from '../src/core/station';

/** Keeps a station of this test's own; answers its id. */
export async function makeStation(request: APIRequestContext, name: string, change: (s: Station) => void = () => {}): Promise<number> {
  const station = newStation(name, 'Test Yard', 'metric-230');
  change(station);
  const answer = await request.post('/api/stations', { data: station });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { saved: { id: number } }).saved.id;
}

export const float = (page: Page, role: 'pump' | 'alarm'): Locator => page.getByRole('slider', { name: new RegExp(`float \\d, ${role}`) });
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
export async function choose(page: Page, label: string, choice: string): Promise<void> {
  await page.getByRole('combobox', { name: label, exact: true }).click();
  await page.getByRole('option', { name: choice, exact: true }).click();
}
