import type { Locator, Page } from '@playwright/test';
import { isForEveryone } from './for-everyone.js';
import { bookDog, expect, reach, signIn, test } from './support.js';

const tagOf = (page: Page, dog: string): Locator => page.locator('man-lead-lines button.tag', { hasText: dog }).first();

test('a day is laid out, a dog is dragged elsewhere, the lead takes it, and a late one is told to its owner', async ({ page }) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Samphire', 60);
  await page.goto('/today');
  const fig = tagOf(page, 'Fig');
  await expect(fig).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('button', { name: 'Look longer' })).toBeEnabled();

  // To another line and another hour: what stands against it is said while it is held, and the others find their places round it.
  const [from, line] = [await fig.boundingBox(), await page.locator('[data-person]', { hasText: 'Odette Marrow' }).boundingBox()];
  if (!from || !line) throw new Error('no line');
  await page.mouse.move(from.x + 10, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, line.y + 30, { steps: 4 });
  await page.mouse.move(from.x + 70, line.y + 30, { steps: 4 });
  await expect(page.locator('man-day-panel .held')).toContainText('Fig at ');
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Let all go' })).toBeVisible();
  await page.getByRole('button', { name: 'Let all go' }).click();
  await expect(page.getByRole('button', { name: 'Let all go' })).toBeHidden();

  await expect(page.getByRole('button', { name: 'Take this day' })).toBeEnabled();
  await page.getByRole('button', { name: 'Take this day' }).click();
  await expect(page.getByText('Taken by Imke Aldous')).toBeVisible();

  // By keys alone: the dog is chosen, and comes an hour later than it was booked.
  await reach(page, tagOf(page, 'Samphire'));
  await page.keyboard.press('Enter');
  const there = page.getByRole('region', { name: 'Samphire', exact: true });
  await expect(there.getByText('Why there')).toBeVisible();
  await isForEveryone(page, 'today, with a dog chosen');
  const later = there.getByRole('button', { name: 'Comes in 60 min' });
  await reach(page, later);
  await page.keyboard.press('Enter');
  const late = page.getByRole('region', { name: 'Samphire will be late' });
  await expect(late.getByText(/^Samphire is likely \d+ min late/)).toBeVisible();
  await late.getByRole('button', { name: 'Tell the owner' }).click();
  await expect(page.getByText('The owner of Samphire is told')).toBeVisible();
  await page.goto('/messages');
  await expect(page.getByText(/Samphire will be ready about/)).toBeVisible();

  // What was taken is there for whoever opens it next.
  await signIn(page, 'tomasz');
  await expect(page.getByText('Taken by Imke Aldous')).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('button', { name: 'Take this day' })).toBeHidden();
});

test('a booking is moved by keys with what stands against it, taken back, and called off; a calendar reads it by its address', async ({
  page,
}) => {
  await signIn(page, 'imke');
  await bookDog(page, 'Larch', 60);
  await page.goto('/book');
  const larch = tagOf(page, 'Larch');
  await reach(page, larch);
  await page.keyboard.press('Enter');
  const booked = page.getByRole('region', { name: 'Larch', exact: true });
  await expect(booked.getByText(/are kept for the visit/)).toBeVisible();
  await larch.focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByText(/^\s*Larch comes at \d\d:\d\d with Imke Aldous\./)).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/Larch comes at/)).toBeHidden();
  await booked.getByRole('button', { name: 'It does not come' }).click();
  await booked.getByRole('radio', { name: 'nobody came' }).click();
  await expect(page.getByText('Larch does not come.')).toBeVisible();
  await expect(page.locator('.offs')).toContainText('Larch');

  await page.goto('/salon');
  await page.getByRole('tab', { name: 'Calendars' }).click();
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = new URL(await page.locator('man-feeds .address').innerText()).pathname;
  const read = await page.request.get(address);
  expect(read.status()).toBe(200);
  const text = (await read.text()).replace(/\r\n[ \t]/g, '');
  expect(text).toContain('SUMMARY:Larch · Imke Aldous');
  expect(text).toContain('STATUS:CANCELLED');
  await page.getByRole('button', { name: 'Take back the calendar: Everybody' }).click();
  await expect(page.getByText('No calendar is read yet.')).toBeVisible();
  expect((await page.request.get(address)).status()).toBe(404);
});
