import { expect, test, type Page } from '@playwright/test';

/* The course, and exercises without a fault: at stations that ship with the application. */

const press = (page: Page) => async (name: string | RegExp) => {
  const button = page.getByRole('button', { name, exact: true });
  // What cannot be done yet takes no key.
  await expect(button).toBeEnabled({ timeout: 30_000 });
  await button.focus();
  await page.keyboard.press('Enter');
};

test('a whole lesson by keyboard: page, bench, hands, review, replay, marks, and what is practised next', async ({
  page,
}) => {
  const who = `R. Teal ${process.pid}`;
  const key = press(page);
  await page.goto('/learn');
  const lesson = page
    .getByRole('list', { name: 'lessons' })
    .getByRole('link', { name: 'A built-in switch that does not let go' });
  await lesson.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 2, name: /A built-in switch/ })).toBeVisible();
  await key('to the bench');
  const showed = page.getByRole('list', { name: 'what it showed' });
  await key('ask the owner, 3 min');
  await expect(showed).toContainText('runs and never stops', { timeout: 30_000 });

  // What hands leave is on the screen until it is put back.
  await key('hands');
  await page
    .getByRole('combobox', { name: 'worked by hand' })
    .selectOption({ label: 'the pump’s plug straight into the outlet' });
  await key('do it');
  await key(/^put back/);
  await expect(page.getByRole('button', { name: /^put back/ })).toHaveCount(0);

  const float = page.getByRole('button', { name: /^float 1, pump/ });
  await float.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^put back: .*held up/ })).toBeVisible();
  await expect(float).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Enter');
  await expect(float).toHaveAttribute('aria-pressed', 'false');

  await key('name it');
  await page.getByRole('combobox', { name: 'what it is' }).selectOption('pump-welded');
  await page.getByRole('combobox', { name: 'what you would do' }).selectOption({ index: 1 });
  await key('that is what it is');
  const marks = page.getByRole('region', { name: 'marks' });
  await expect(marks).toContainText('yes named what was hidden', { timeout: 60_000 });
  await expect(page.getByRole('region', { name: 'looked back' })).toContainText('You would:');
  const slider = page.getByRole('slider', { name: 'minute of the drill' });
  await slider.focus();
  await page.keyboard.press('End');
  await expect(page.getByRole('region', { name: 'replay' })).toContainText('Said what it is');
  await marks.getByRole('textbox', { name: 'whose marks' }).fill(who);
  await key('keep it among the marks');
  await expect(marks).toContainText(`Kept among the marks of ${who}.`);

  await page.goto('/learn');
  await expect(page.getByRole('combobox', { name: 'marks of' })).toHaveValue(who);
  await expect(page.getByRole('region', { name: 'what to practise next' })).toContainText('Read a float’s contact');
  const csv = await page.request.get('/api/drills/file');
  expect(await csv.text()).toContain(who);
});

test('a strip that is landed wrong: what it would do is asked before it is shown, and the circuit judges what is landed', async ({
  page,
}) => {
  await page.goto('/learn?exercise=wrong&station=workshop-sump&number=2');
  const asked = page.getByRole('region', { name: 'what would it do' });
  await asked.getByRole('checkbox').first().check({ timeout: 30_000 });
  await asked.getByRole('button', { name: 'ask the circuit' }).click();
  await expect(asked.getByRole('status')).toContainText(/\d of \d right, as the circuit says/);
  await expect(asked.getByText('it does', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'land it right' }).click();
  const judge = page.getByRole('region', { name: 'the circuit judges' });
  await judge.getByRole('button', { name: 'let the circuit judge' }).click();
  await expect(judge).toContainText('not as designed');
  await judge.getByRole('button', { name: 'land all by design' }).click();
  await expect(judge.getByRole('status')).toHaveText('Every core and link is where the design has it.');
});

test('levels to be set on the phone: rules are broken, nothing is proposed, and the storm runs over them', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/learn?exercise=levels&station=workshop-sump&number=2');
  await page.getByRole('button', { name: 'let the storm run' }).click({ timeout: 30_000 });
  const stands = page.getByRole('status', { name: 'how the levels stand' });
  await expect(stands).toContainText('Not kept:', { timeout: 30_000 });
  await expect(stands).toContainText('two hours at peak');
  await expect(page.getByRole('tab', { name: 'set levels for me' })).toHaveCount(0);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
