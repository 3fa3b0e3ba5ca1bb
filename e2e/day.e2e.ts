import type { Locator, Page } from '@playwright/test';
import { isForEveryone } from './for-everyone.js';
import { emptyServer, Founder } from './own-salon.js';
import { bookDog, expect, reach, signIn, test } from './support.js';

const tagOf = (page: Page, dog: string): Locator => page.locator('man-lead-lines button.tag', { hasText: dog }).first();

test('a day in a place of its own is laid out, a dog is dragged elsewhere, the lead takes it, and a late one is told to its owner', async ({
  page,
}) => {
  const server = await emptyServer();
  const founder = new Founder(page, server.origin);
  // Three and a half hours behind noon: half past eight.
  await founder.found('Ines Karr', 'America/St_Johns');
  await founder.colleague('Joss Tell');
  await founder.booked('Tansy', 10, 45);
  await founder.booked('Sorrel', 90, 150);
  await founder.booked('Yarrow', 180, 150);
  await page.goto(`${server.origin}/today`);
  await expect(tagOf(page, 'Tansy')).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('button', { name: 'Look longer' })).toBeEnabled();
  await expect(page.locator('man-lead-tag', { hasText: 'Tansy' })).toContainText('08:4');

  // To another line: what stands against it is said while it is held, and the others find their places round it.
  const yarrow = tagOf(page, 'Yarrow');
  const at = await yarrow.boundingBox();
  const lines = await page.locator('li[data-person]').all();
  const boxes = await Promise.all(lines.map((l) => l.boundingBox()));
  const other = boxes.find((b) => b && at && (at.y < b.y || at.y > b.y + b.height));
  if (!at || !other) throw new Error('no other line');
  await page.mouse.move(at.x + 10, at.y + 20);
  await page.mouse.down();
  await page.mouse.move(at.x + 20, other.y + 30, { steps: 4 });
  await page.mouse.move(at.x + 30, other.y + 30, { steps: 4 });
  await expect(page.locator('man-day-panel .held')).toContainText('Yarrow at ');
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^Yarrow with .*, put by hand/ })).toBeVisible();
  await page.getByRole('button', { name: 'Let all go' }).click();
  await expect(page.getByRole('button', { name: 'Let all go' })).toBeHidden();

  await expect(page.getByRole('button', { name: 'Take this day' })).toBeEnabled();
  await page.getByRole('button', { name: 'Take this day' }).click();
  await expect(page.getByText('Taken by Ines Karr')).toBeVisible();

  // By keys alone: the dog is chosen, and comes an hour later than it was booked.
  await reach(page, tagOf(page, 'Tansy'));
  await page.keyboard.press('Enter');
  const there = page.getByRole('region', { name: 'Tansy', exact: true });
  await expect(there.getByText('Why there')).toBeVisible();
  await isForEveryone(page, 'today, with a dog chosen');
  await reach(page, there.getByRole('button', { name: 'Comes in 60 min' }));
  await page.keyboard.press('Enter');
  const late = page.getByRole('region', { name: 'Tansy will be late' });
  await expect(late.getByText(/^Tansy is likely \d+ min late/)).toBeVisible();
  await late.getByRole('button', { name: 'Tell the owner' }).click();
  await expect(late.getByLabel('To the owner')).toHaveValue(/^Tansy will be ready about/);
  await late.getByRole('button', { name: 'Send it' }).click();
  await expect(page.getByText('The owner of Tansy is told')).toBeVisible();
  await page.goto(`${server.origin}/messages`);
  await expect(page.getByText(/Tansy will be ready about/)).toBeVisible();

  // What was taken is there for whoever opens it next.
  await page.goto(`${server.origin}/today`);
  await expect(page.getByText('Taken by Ines Karr')).toBeVisible({ timeout: 120_000 });
  await page.goto('about:blank');
  await server.close();
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
