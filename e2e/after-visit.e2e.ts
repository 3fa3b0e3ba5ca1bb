import { isForEveryone } from './for-everyone.js';
import { agree, bookDog, endSafely, expect, feelOver, handBack, signIn, test } from './support.js';

test('an incident completed, the account in our own words, the next visit booked, the owner’s page on a phone', async ({
  page,
  browser,
}) => {
  await signIn(page, 'rafael');
  const visit = await bookDog(page, 'Quill');
  await feelOver(page);
  await page.getByRole('button', { name: 'Feel-over done: agree' }).click();
  await agree(page);
  await page.getByRole('button', { name: 'Take it to the table' }).click();
  await page.waitForURL('**/work');
  await page.getByRole('button', { name: /^Start/ }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  await page.getByRole('button', { name: /^Incident/ }).click();
  await page.getByRole('button', { name: 'clipper burn', exact: true }).click();
  await expect(page.getByText('Cool the skin with a damp, cool cloth.')).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: /^Stop/ }).click();
  await endSafely(page);
  await page.getByRole('button', { name: 'Something hurt it' }).click();
  await page.waitForURL('**/hand_back');

  // Nobody has said how bad it is: it is asked before the owner reads it.
  await expect(page.getByText('nobody has said how bad it is')).toBeVisible();
  await page.getByRole('link', { name: 'Say it before it is told' }).click();
  await page.waitForURL('**/incidents/*');
  await expect(page.getByRole('listitem').filter({ hasText: /^In minute \d+/ })).toBeVisible();
  await page.getByLabel('What was done').fill('Blade off, a damp cool cloth');
  await page.getByRole('radio', { name: 'mild: heals by itself' }).click();
  await expect(page.getByText('So it is an incident with harm')).toBeVisible();
  // By keys: what lies over a place does not matter to them.
  await page.locator('[data-zone="belly"][role="treeitem"]').first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Clipper burn, belly' })).toBeVisible();
  await isForEveryone(page, 'an incident');
  await page.getByRole('radio', { name: 'by phone' }).click();
  await page.getByRole('button', { name: 'The owner was told' }).click();
  await expect(page.getByText(/was told by phone/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep what is written' }).click();
  await page.waitForURL('**/hand_back');

  const happened = page.getByRole('region', { name: 'What happened' });
  await expect(happened).toContainText('Clipper burn at');
  await expect(happened).toContainText('What we did: Blade off, a damp cool cloth.');
  await page
    .getByRole('button', { name: 'Add a sentence: At home' })
    .or(page.getByRole('button', { name: 'Add a sentence: Watch tonight' }))
    .first()
    .click();
  const words = page.getByLabel('As the owner reads it');
  await expect(words).toBeVisible();
  await words.fill('Ring us on Friday, whatever it is.');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.locator('man-account-panel')).toContainText('Ring us on Friday, whatever it is.');
  await page.getByRole('button', { name: /^Book / }).click();
  await expect(page.locator('man-next-visit-panel')).toContainText('is booked');
  await isForEveryone(page, 'hand back');
  // What was done at a stop is done: the list was worked off at the table.
  await handBack(page);

  await page.getByRole('radio', { name: 'By mail' }).click();
  await page.getByLabel('Address').fill('owner@port-ellery.example');
  await page.getByRole('button', { name: /^Send it to/ }).click();
  const link = page.getByRole('link', { name: 'Open it here' });
  await expect(link).toBeVisible();
  await expect(page.locator('man-message-line').first()).toContainText('owner@port-ellery.example');
  const url = (await link.getAttribute('href')) ?? '';
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const owner = await phone.newPage();
  await owner.goto(new URL(url).pathname);
  await expect(owner.getByRole('heading', { level: 1 })).toContainText('Quill');
  await expect(owner.getByText('Ring us on Friday, whatever it is.')).toBeVisible();
  await isForEveryone(owner, 'the account of a visit');
  await phone.close();

  // What was booked stands in Dogs; what is due, on Today tomorrow. Opened again with a reason, and only so.
  await page.getByRole('button', { name: 'Open it again' }).click();
  await page.getByLabel('Why is it opened again?').fill('The wrong name');
  await page.getByRole('button', { name: 'Open it', exact: true }).click();
  await handBack(page);
  await page.goto('/dogs');
  await expect(page.locator('man-dogs li').filter({ hasText: 'Quill' })).toContainText('booked for');
  // The next hands begin with last time.
  await page.goto(`${visit}/know`);
  await expect(page.getByRole('heading', { name: 'Quill' })).toBeVisible();
});

test('the next visit of a dog that was burned begins with it, and what is due stands on Today until it is done', async ({ page }) => {
  await signIn(page, 'imke');
  await page.goto('/today');
  const due = page.locator('man-due-list li').filter({ hasText: 'Tansy' });
  await expect(due).toContainText('clipper burn, belly');
  await due.getByRole('button', { name: 'Done: Ring, Tansy' }).click();
  await due.getByLabel('What came of it').fill('Closed and dry, she says');
  await due.getByRole('button', { name: 'It is done' }).click();
  await expect(due).toHaveCount(0);
  await bookDog(page, 'Tansy');
  const last = page.getByRole('region', { name: 'Last time' });
  await expect(last).toContainText('Clipper burn on');
  await expect(last).toContainText('Feel the blade before the first stroke');
  const dry = last.getByRole('radio', { name: 'closed and dry' });
  await dry.click();
  await expect(dry).toHaveAttribute('aria-checked', 'true');
  await page.reload();
  await expect(page.getByRole('region', { name: 'Last time' }).getByRole('radio', { name: 'closed and dry' })).toHaveAttribute(
    'aria-checked',
    'true',
  );
});
