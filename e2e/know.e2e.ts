import { isForEveryone } from './for-everyone.js';
import { expect, search, signIn, test } from './support.js';

test('a dog is found by a misspelt name, by what sounds alike, and by digits of the phone', async ({ page }) => {
  await signIn(page, 'odette');
  await page.goto('/dogs');
  for (const typed of ['brmble', 'wilhelmena osk', '100101']) {
    await search(page, typed);
    await expect(page.locator('.list li').first()).toContainText('Bramble');
  }
  await search(page, 'xqzwv');
  await expect(page.getByText('Nothing sounds or looks like this.')).toBeVisible();
});

test('a dog is put away and brought back, and two files of one dog are read as one', async ({ page }) => {
  await signIn(page, 'imke');
  const enter = async (owner: string): Promise<void> => {
    await page.goto('/dogs/new');
    await page.getByLabel('Name of the dog').fill('Wimple');
    await page.getByLabel(/^Born/).fill('2022-05-01');
    await page.getByLabel('Weight, kg').fill('22 lb');
    await expect(page.getByText('9.98 kg')).toBeVisible();
    await page.locator('fieldset', { hasText: 'Owner' }).getByLabel('Name').fill(owner);
    await page.getByRole('button', { name: 'Enter and book a visit' }).click();
    await page.waitForURL('**/book');
  };
  await enter('Selma Brook');
  await enter('Selma Brooke');
  await page.goto('/dogs');
  await search(page, 'wimple brooke');
  await page.getByRole('link', { name: 'Wimple', exact: true }).first().click();
  // The button of the file: the list has one that sounds alike.
  await page.waitForURL(/\/dogs\/[0-9a-f-]{36}$/);
  await page.getByRole('button', { name: 'Put away', exact: true }).click();
  await expect(page.getByText('Wimple is put away')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Book a visit' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Book a visit' })).toBeVisible();

  await page.getByLabel('What you saw').fill('Stands for a hand on the chest.');
  await page.getByRole('button', { name: 'Add the card' }).click();
  await expect(page.locator('.works')).toContainText('Stands for a hand on the chest.');
  await page.getByRole('button', { name: 'Take away: Stands for' }).click();
  await expect(page.locator('.works')).not.toContainText('Stands for a hand');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.works')).toContainText('Stands for a hand on the chest.');

  await page.getByRole('button', { name: 'In here twice?' }).click();
  await page.getByLabel('The other file').fill('wimple brook');
  await page
    .getByRole('button', { name: /^Same dog: Wimple/ })
    .first()
    .click();
  await expect(page.getByText('Read together with the file of Wimple')).toBeVisible();
  await page.getByRole('button', { name: 'Take it out again' }).click();
  await expect(page.getByText('stands alone again')).toBeVisible();
});

test('a photograph is added, seen large, and deleted; what is no picture is refused in words', async ({ page }) => {
  await signIn(page, 'imke');
  await page.goto('/dogs');
  await page.getByRole('link', { name: 'Samphire', exact: true }).click();
  const photos = page.locator('man-photos-panel');
  await photos.getByRole('radio', { name: 'a mark' }).click();
  await photos.locator('input[type=file]').setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(photos.getByRole('alert')).toContainText('not a whole JPEG, PNG or WebP');
  await photos.locator('input[type=file]').setInputFiles({ name: 'mark.png', mimeType: 'image/png', buffer: await page.screenshot() });
  const small = photos.getByRole('button', { name: /^Large: a mark/ });
  await expect(small).toBeVisible();
  await small.click();
  await expect(page.getByRole('dialog').locator('img')).toBeVisible();
  await isForEveryone(page, 'a photograph, large');
  await page.getByRole('button', { name: 'Delete for good' }).click();
  await expect(small).toHaveCount(0);
});
