import { chromium, type Page } from '@playwright/test';
import config from '../../playwright.config';

/** Run in the page, as text: the times of its frames from now on. */
const COUNT_FRAMES = `{
  const times = [];
  window.frames_ = times;
  requestAnimationFrame(function tick(t) {
    if (window.frames_ !== times) return;
    times.push(t);
    requestAnimationFrame(tick);
  });
}`;

/** Frames while something is done. */
async function framesOf(page: Page, act: () => Promise<void>) {
  await page.evaluate(COUNT_FRAMES);
  await act();
  const times = await page.evaluate<number[]>('window.frames_');
  const gaps = times.slice(1).map((t, i) => t - times[i]!);
  const sorted = gaps.sort((a, b) => a - b);
  const at = (share: number) => Number(sorted[Math.floor((sorted.length - 1) * share)]!.toFixed(1));
  return {
    frames: gaps.length,
    medianMs: at(0.5),
    p95Ms: at(0.95),
    longestMs: at(1),
    over20Ms: gaps.filter((g) => g > 20).length,
  };
}

/** The mouse goes up and down about a point. */
async function waving(page: Page, [x, y]: readonly [number, number], by: number) {
  for (let i = 1; i <= 90; i++) await page.mouse.move(x, y + Math.sin(i / 6) * by);
  await page.mouse.move(x, y);
}

/**
 * Frames while the lead float of the duplex is dragged for a second or two on a page that has just been opened, and dragged again; beside them the
 * frames of the same page while the mouse moves and nothing answers: what a machine shared with others does by itself.
 */
async function draggingOnce(address: string) {
  const browser = await chromium.launch(config.use!.launchOptions);
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(address);
  await page.waitForLoadState('networkidle');
  const still = await framesOf(page, () => waving(page, [1000, 30], 15));
  const box = (await page
    .getByRole('slider', { name: /float \d, lead: acts/ })
    .locator('.float')
    .boundingBox())!;
  const at = [box.x + box.width / 2, box.y + box.height / 2] as const;
  const drag = () =>
    framesOf(page, async () => {
      await page.mouse.move(...at);
      await page.mouse.down();
      await waving(page, at, 40);
      await page.mouse.up();
    });
  const first = await drag();
  const second = await drag();
  await browser.close();
  return { still, first, second };
}

/** The same on several pages of Levels, one after the other: the middle one by frames over 20 ms, and those of all. */
export async function dragging(address: string) {
  const runs: Awaited<ReturnType<typeof draggingOnce>>[] = [];
  for (let i = 0; i < 7; i++) runs.push(await draggingOnce(address));
  const of = (which: 'still' | 'first' | 'second') => {
    const sorted = runs.map((r) => r[which]).sort((a, b) => a.over20Ms - b.over20Ms);
    return { ...sorted[3], over20MsOfEach: runs.map((r) => r[which].over20Ms) };
  };
  return { still: of('still'), first: of('first'), second: of('second') };
}
