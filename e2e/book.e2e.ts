import type { Locator, Page } from '@playwright/test';
import { isForEveryone } from './for-everyone.js';
import { emptyServer, Founder } from './own-salon.js';
import { expect, test } from './support.js';

/** Somebody's day in the week that is open. @param day place of the day in the week, Monday 0 */
const cellOf = (page: Page, who: string, day: number): Locator => page.getByRole('row').filter({ hasText: who }).locator('td').nth(day);

/** By the mouse, in steps that a hand would make. */
async function drag(page: Page, what: Locator, to: Locator): Promise<void> {
  const [from, into] = [await what.boundingBox(), await to.boundingBox()];
  if (!from || !into) throw new Error('nothing to drag, or nowhere');
  await page.mouse.move(from.x + 12, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(from.x + 24, from.y + 20, { steps: 4 });
  await page.mouse.move(into.x + 40, into.y + 30, { steps: 8 });
  await page.mouse.move(into.x + 42, into.y + 32, { steps: 2 });
}

test('an owner chooses a time by a link, the salon books it by one press and drags it to another line; pounds and twelve hours all the way', async ({
  page,
  browser,
}) => {
  const server = await emptyServer();
  const founder = new Founder(page, server.origin);
  await founder.found('Ines Karr', 'America/St_Johns');
  await founder.colleague('Joss Tell');
  const dogId = await founder.booked('Tansy', 30, 45);

  // The salon writes pounds and twelve hours, and says so on its own page.
  await page.goto(`${server.origin}/salon`);
  await page.getByLabel('Weights').selectOption({ label: 'pounds' });
  await page.getByLabel('Times', { exact: true }).selectOption({ label: '2:30 pm' });
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept. It counts from now on')).toBeVisible();
  await isForEveryone(page, 'the salon, with how it writes');
  await page.goto(`${server.origin}/today`);
  await expect(page.getByText(/, 17\.6 lb/).first()).toBeVisible();
  await expect(page.locator('man-lead-tag', { hasText: 'Tansy' })).toContainText(/\d:\d\d am/);

  await page.goto(`${server.origin}/dogs/${dogId}/book`);
  await page.getByRole('button', { name: 'Find three times' }).click();
  await expect(page.locator('man-offer-times li')).toHaveCount(3);
  await isForEveryone(page, 'a visit to book, with times to offer');
  await page.getByRole('button', { name: 'Send them to the owner' }).click();
  const link = await page.getByRole('link', { name: 'Open it here' }).getAttribute('href');
  if (link === null) throw new Error('no link');

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const owner = await phone.newPage();
  await owner.goto(`${server.origin}${new URL(link).pathname}`);
  await expect(owner.getByRole('heading', { name: 'When shall Tansy come?' })).toBeVisible();
  await isForEveryone(owner, 'an owner chooses a time');
  await owner.getByRole('button', { name: 'Send to the salon' }).click();
  await expect(owner.getByText('Choose one of them, or say what would be right.')).toBeVisible();
  await owner.getByRole('radio').first().click();
  await owner.getByRole('button', { name: 'Send to the salon' }).click();
  await expect(owner.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  await phone.close();

  await page.goto(`${server.origin}/book`);
  await page.getByRole('tab', { name: 'Waiting list' }).click();
  const wish = page.getByRole('list', { name: 'Owners’ wishes' });
  await expect(wish).toContainText(/\d:\d\d [ap]m with Ines Karr/);
  await isForEveryone(page, 'the waiting list, with a wish');
  await page.getByRole('button', { name: 'Book Tansy as its owner chose' }).click();
  await expect(page.getByText('Tansy is booked, and the owner is told.')).toBeVisible();

  // Today's booking, to another line of the same day: what stands against it is said while it is held.
  await page.getByRole('tab', { name: 'Day' }).click();
  await expect(page.locator('man-lead-lines button.tag', { hasText: 'Tansy' })).toBeVisible();
  await page.getByRole('tab', { name: 'Week' }).click();
  const day = await page.locator('th button[aria-current=date]').evaluate((b) => (b.closest('th')?.cellIndex ?? 0) - 1);
  await drag(page, cellOf(page, 'Ines Karr', day).getByRole('button', { name: /Tansy/ }), cellOf(page, 'Joss Tell', day));
  await expect(page.locator('man-week-view .held')).toContainText('with Joss Tell: nothing stands against it.');
  await page.mouse.up();
  await expect(page.getByText(/Tansy comes at \d+:\d\d am with Joss Tell/)).toBeVisible();
  await expect(cellOf(page, 'Joss Tell', day).getByRole('button', { name: /Tansy/ })).toBeVisible();
  await page.goto('about:blank');
  await server.close();
});
